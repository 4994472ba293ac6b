import type { Drawing, View } from '../../drawing/drawing';
import type { FormContext } from '../form';
import { circle, knob, measure, rectangle, view, segment } from '../../drawing/shapes';
import { wiringView } from '../kit/wiringView';
import { type TubeLight } from './parameters';
import { layout } from './layout';

/** What is worked out once for all views. */
function partsOf(light: TubeLight, context: FormContext) {
  const { rows } = layout(light, context);
  const [L, d] = [light.tubeLengthM / 2, light.insideDiameterM / 2];
  const lit = rows.rowsM[0] ?? 0;
  return { light, context, L, d, lit };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(light: TubeLight, context: FormContext): Drawing {
  const parts = partsOf(light, context);
  return { views: [frontOf(parts), sectionOf(parts), wiringOf(parts)] };
}

function frontOf({ light, L, d, lit }: Parts): View {
  return view(
    'front',
    'Front; stands or lies',
    [
      rectangle(-L, -d, L, d, 'cut', 'tube'),
      rectangle(-L, -d, -L + light.capM, d, 'part', 'tube'),
      rectangle(L - light.capM, -d, L, d, 'part', 'tube'),
      segment([-lit / 2, 0], [lit / 2, 0], 'tape', 'tape'),
    ],
    [measure([-L, -d], [L, -d], -0.12 * L, 'Length')],
    [knob('tubeLengthM', 'Tube length', [L, 0], [1, 0], 2)],
  );
}

function sectionOf({ light, d }: Parts): View {
  return view(
    'section',
    'Section across',
    [
      circle(0, 0, d, 'cut', 'tube'),
      ...(light.linerPartId ? [circle(0, 0, d * 0.93, 'glass', 'layer')] : []),
      segment([-0.005, -d * 0.1], [0.005, -d * 0.1], 'tape', 'tape'),
      ...(light.strands === 2
        ? [segment([-0.005, d * 0.1], [0.005, d * 0.1], 'tape', 'tape')]
        : []),
    ],
    [measure([-d, 0], [d, 0], 0, 'Inside Ø')],
    [knob('insideDiameterM', 'Inside diameter', [d, 0], [1, 0], 2)],
  );
}

function wiringOf({ light, context, L, d, lit }: Parts): View {
  return wiringView(
    {
      outline: [rectangle(-L, -Math.max(d, L * 0.08), L, Math.max(d, L * 0.08), 'hidden', 'tube')],
      terminals: [
        [-lit / 2, 0],
        [lit / 2, 0],
      ],
      terminalM: 0.02,
      supply: true,
      dimmer: light.dimmerPartId !== null,
      refOf: () => 'tape',
    },
    context,
  );
}
