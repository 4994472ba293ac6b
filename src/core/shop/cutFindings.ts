import type { Finding } from '../findings/finding';
import type { CutPlan, MaterialPlan } from './cutPlan';

/** Pieces that no stock on the shelf is big enough for, and seams where light passes. */
export const cutFindings = ({ plans }: CutPlan): Finding[] =>
  plans.flatMap((plan) => [...tooBig(plan), ...litSeams(plan)]);

/** A tab narrower than this holds nothing. */
const LEAST_TAB_M = 0.005;

/** A seam in a lit cloth or paper shows as a line; where a narrower tab would spare it, that is the way out. */
function litSeams(plan: MaterialPlan): Finding[] {
  if (plan.kind !== 'cloth') return [];
  const sewn = new Map(
    plan.pieces
      .filter(({ piece, cut }) => piece.lit && cut.seams > 0)
      .map(({ piece, cut }) => [piece.id, { piece, cut }]),
  );
  return [...sewn.values()].map(({ piece, cut }): Finding => {
    const { tab } = piece;
    const over = Math.min(piece.widthM, piece.heightM) - plan.part.widthM;
    const tabM = tab ? Math.floor((tab.nowM - over / 2) * 1000 + 1e-6) / 1000 : 0;
    const spared = tab && tabM >= LEAST_TAB_M;
    return {
      id: `cut.seam.${piece.id}`,
      topic: 'cut',
      severity: 'look',
      title: 'A seam where light passes',
      message: `“${piece.name}” is ${inMm(Math.min(piece.widthM, piece.heightM))} wide and “${plan.part.name}” ${inMm(plan.part.widthM)}: ${cut.seams === 1 ? 'a seam' : `${cut.seams} seams`} will show as ${cut.seams === 1 ? 'a dark line' : 'dark lines'}. ${spared ? `With a tab of ${inMm(tabM)} it is one piece.` : 'Choose a wider roll, or run the seam where nobody looks.'}`,
      limit: inMm(plan.part.widthM),
      source: 'Geometry of the cutting plan',
      where: tab ? { field: tab.field } : {},
      remedies: spared
        ? [{ label: `A tab of ${inMm(tabM)}`, parameters: { [tab.field]: tabM } }]
        : [],
    };
  });
}

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
