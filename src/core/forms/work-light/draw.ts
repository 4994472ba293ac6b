import { doorShapes } from '../../accessories/barnDoors';
import type { Drawing } from '../drawing';
import type { FormContext } from '../form';
import { box, knob, line, measure, rectangle, view } from '../kit/shapes';
import { wiringView } from '../kit/wiringView';
import { type WorkLight } from './parameters';
import { lampOf, doorsOf } from './layout';

export function draw(light: WorkLight, context: FormContext): Drawing {
  const { faceW, faceH, leafLengthM } = light;
  const depth = lampOf(light, context)?.depthM ?? 0.12;
  return {
    views: [
      view(
        'front',
        'Front, leaves folded out',
        doorShapes(doorsOf(light), faceW, faceH),
        [
          measure([-faceW / 2, faceH / 2], [faceW / 2, faceH / 2], 0, 'Face'),
          measure(
            [faceW / 2, faceH / 2],
            [faceW / 2, faceH / 2 + leafLengthM],
            -0.5 * faceW,
            'Leaf',
          ),
        ],
        [
          knob('faceW', 'Face width', [faceW / 2, faceH * 0.3], [1, 0], 2),
          knob('faceH', 'Face height', [-faceW * 0.3, -faceH / 2], [0, -1], 2),
          knob('leafLengthM', 'Leaf length', [0, faceH / 2 + leafLengthM], [0, 1]),
        ],
      ),
      view(
        'section',
        'Section from the side, light to the right',
        [
          rectangle(-depth, -faceH / 2, 0, faceH / 2, 'part', 'seat-0'),
          line(
            [
              [0, -faceH / 2],
              [0, faceH / 2],
            ],
            'glass',
            'seat-0',
          ),
          line(
            [
              [0, faceH / 2],
              [leafLengthM * 0.8, faceH / 2 + leafLengthM * 0.6],
            ],
            'cut',
            'doors',
          ),
          line(
            [
              [0, -faceH / 2],
              [leafLengthM * 0.8, -faceH / 2 - leafLengthM * 0.6],
            ],
            'cut',
            'doors',
          ),
        ],
        [measure([-depth, -faceH / 2], [0, -faceH / 2], -0.3 * faceH, 'Depth')],
      ),
      wiringView(
        {
          outline: [box(0, 0, faceW, faceH, 'hidden', 'seat-0')],
          terminals: [[0, 0]],
          terminalM: faceH * 0.2,
          dimmer: light.dimmerPartId !== null,
        },
        context,
      ),
    ],
  };
}
