import type { Finding } from '../findings/finding';
import type { CutPlan, MaterialPlan } from './cutPlan';

/** Pieces that no stock on the shelf is big enough for. */
export const cutFindings = ({ plans }: CutPlan): Finding[] => plans.flatMap(tooBig);

const inMm = (metres: number): string => `${Math.round(metres * 1000)} mm`;

function tooBig(plan: MaterialPlan): Finding[] {
  if (plan.kind === 'cloth') return [];
  const left = plan.kind === 'sheet' ? plan.nesting.unplaced : plan.cut.tooLong;
  if (left.length === 0) return [];
  const names = [...new Set(left.map((at) => plan.pieces[at]!.name))].join(', ');
  const size =
    plan.kind === 'sheet'
      ? `${inMm(plan.part.widthM)} × ${inMm(plan.part.heightM)}`
      : inMm(plan.part.stockLengthM);
  return [
    {
      id: `cut.too-big.${plan.part.id}`,
      topic: 'cut',
      severity: 'stop',
      title: 'It does not fit the stock',
      message: `${names}: bigger than “${plan.part.name}” (${size}). Choose bigger stock, make the light smaller, or cut the piece in two with a joining plate.`,
      limit: size,
      source: 'Geometry of the cutting plan',
      where: {},
    },
  ];
}
