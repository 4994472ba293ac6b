import type { View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { circle, knob, measure, rectangle, view, segment } from '../../drawing/shapes';
import type { Board } from '../../build/board';
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

export function draw(light: TubeLight, context: FormContext): FormDrawing {
  const parts = partsOf(light, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
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

const boardOf = ({ light, L, d, lit }: Parts): Board => ({
  outline: [rectangle(-L, -Math.max(d, L * 0.08), L, Math.max(d, L * 0.08), 'hidden', 'tube')],
  lamps: [],
  lampM: 0,
  // Strands lie back to back: drawn beside one another.
  rows: Array.from({ length: light.strands }, (_, k) => {
    const y = light.strands === 1 ? 0 : (k - 0.5) * L * 0.08;
    return [
      [lit / 2, y],
      [-lit / 2, y],
    ] as const;
  }),
});
