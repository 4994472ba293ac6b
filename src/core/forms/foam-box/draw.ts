import type { View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { layerParts } from '../kit/lookup';
import { bulbsOf } from '../kit/lamps';
import { circle, knob, measure, polygon, rectangle, view, segment } from '../../drawing/shapes';
import { holders } from '../kit/board';
import type { Board } from '../../build/board';
import { layoutBox } from './layout';
import { type FoamBox } from './parameters';
import { seatsOf } from './rays';

/** What is worked out once for all views. */
function partsOf(box: FoamBox, context: FormContext) {
  const layout = layoutBox(box);
  const [W, H, w, h, d] = [
    box.frontWidthM / 2,
    box.frontHeightM / 2,
    layout.backWidthM / 2,
    layout.backHeightM / 2,
    layout.depthM,
  ];
  const globe = (bulbsOf(box.groups, context)[0]?.globeDiameterM ?? 0.06) / 2;
  const size = Math.max(W, H);
  const layers = layerParts(box, context);
  const flat = box.shapeBy === 'inset';
  return { box, context, W, H, w, h, d, globe, size, layers, flat };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(box: FoamBox, context: FormContext): FormDrawing {
  const parts = partsOf(box, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
}

function frontOf({ box, W, H, w, h, globe, size, flat }: Parts): View {
  return view(
    'front',
    'Front, layers lifted off',
    [
      rectangle(-W, -H, W, H, 'cut', 'box'),
      rectangle(-w, -h, w, h, 'part', 'box'),
      ...[
        [-1, -1],
        [1, -1],
        [1, 1],
        [-1, 1],
      ].map(([x, y]) => segment([x! * w, y! * h], [x! * W, y! * H], 'part', 'box')),
      circle(0, 0, box.holeDiameterM / 2, 'drill', 'seat-0'),
      ...seatsOf(box).map(({ positionM: [x, y] }, k) => circle(x, y, globe, 'glass', `seat-${k}`)),
    ],
    [
      measure([-W, -H], [W, -H], -0.16 * size, 'Front width'),
      measure([W, -H], [W, H], -0.16 * size, 'Front height'),
    ],
    [
      knob('frontWidthM', 'Front width', [W, 0], [1, 0], 2),
      knob('frontHeightM', 'Front height', [0, H], [0, 1], 2),
      ...(flat
        ? []
        : [
            knob('backWidthM', 'Back width', [w, -h / 2], [1, 0], 2),
            knob('backHeightM', 'Back height', [-w / 2, h], [0, 1], 2),
          ]),
    ],
  );
}

function sectionOf({ box, H, h, d, globe, size, layers, flat }: Parts): View {
  return view(
    'section',
    'Section from the side, light to the right',
    [
      polygon(
        [
          [0, -h],
          [d, -H],
          [d, H],
          [0, h],
        ],
        'cut',
        'box',
      ),
      circle(box.lampInM, 0, globe, 'glass', 'seat-0'),
      ...layers.map((_, k) =>
        segment([d + 0.004 * (k + 1), -H], [d + 0.004 * (k + 1), H], 'glass', 'layer'),
      ),
    ],
    [
      measure([0, -H], [d, -H], -0.16 * size, 'Depth'),
      measure([0, -h], [0, h], 0.1 * size, 'Back'),
    ],
    flat ? [knob('wingM', 'Wing', [d, 0], [1, 0])] : [knob('depthM', 'Depth', [d, 0], [1, 0])],
  );
}

const boardOf = ({ box, w, h, globe }: Parts): Board => ({
  outline: [
    rectangle(-w, -h, w, h, 'hidden', 'box'),
    circle(0, 0, box.holeDiameterM / 2, 'hidden', 'box'),
  ],
  lamps: holders(seatsOf(box).map(({ positionM: [x, y] }) => [-x, y] as const)),
  lampM: globe,
  rows: [],
});
