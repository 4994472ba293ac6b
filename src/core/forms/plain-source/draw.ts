import type { FormContext, FormDrawing } from '../form';
import { box, circle, knob, measure, view } from '../../drawing/shapes';
import { holders } from '../kit/board';
import { type Plain } from './parameters';
import { sourceOf } from './layout';

export function draw(plain: Plain, context: FormContext): FormDrawing {
  const { widthM: w, heightM: h, depthM } = sourceOf(plain, context);
  const size = Math.max(w, h);
  const shape =
    plain.source === 'bulb'
      ? circle(0, 0, w / 2, 'glass', 'seat-0')
      : box(0, 0, w, h, 'glass', 'seat-0');
  const isWindow = plain.source === 'window';
  return {
    views: [
      view(
        'front',
        'Front, as the subject sees it',
        [shape, ...(isWindow ? [box(0, 0, w * 1.06, h * 1.06, 'part')] : [])].reverse(),
        [
          measure([-w / 2, -h / 2], [w / 2, -h / 2], -0.12 * size, 'Width'),
          measure([w / 2, -h / 2], [w / 2, h / 2], -0.12 * size, 'Height'),
        ],
        isWindow
          ? [
              knob('windowWidthM', 'Window width', [w / 2, 0], [1, 0], 2),
              knob('windowHeightM', 'Window height', [0, h / 2], [0, 1], 2),
            ]
          : [knob('level', 'Level', [0, h / 2], [0, 1], 1 / size)],
      ),
      view(
        'section',
        'From the side, light to the right',
        [
          box(
            -depthM / 2,
            0,
            Math.max(depthM, size * 0.02),
            h,
            plain.source === 'bulb' ? 'glass' : 'part',
            'seat-0',
          ),
        ],
        [measure([-depthM, -h / 2], [0, -h / 2], -0.12 * size, 'Depth')],
      ),
    ],
    board: {
      outline: [box(0, 0, size, size, 'hidden')],
      lamps: holders([[0, 0]]),
      lampM: size * 0.12,
      rows: [],
    },
  };
}
