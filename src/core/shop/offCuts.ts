import type { Disc } from '../build/pieces';
import type { PartOf } from '../materials/part';
import type { Box } from './freeSpace';
import type { SheetPlan, StickPlan } from './cutPlan';

/** Something left over that is worth keeping, with the letter it wears on the layout. */
export interface LeftOver {
  name: string;
  /** which sheet or bar it is of */
  at: number;
  box?: Box;
  disc?: Disc;
  lengthM?: number;
}

const letter = (k: number): string =>
  k < 26 ? String.fromCharCode(65 + k) : `${letter(Math.floor(k / 26) - 1)}${letter(k % 26)}`;

/** Discs and bars smaller than this are waste. */
const KEPT_DISC_M = 0.08;
const KEPT_BAR_M = 0.1;

/** Left-overs of all sheets, named in the order of the layouts. A disc counts whole, not as the square in it. */
export function leftOversOf({ nesting }: SheetPlan): LeftOver[] {
  const all = nesting.sheets.flatMap(({ offCuts, discs }, at): Omit<LeftOver, 'name'>[] => {
    const kept = discs.filter(({ r }) => 2 * r >= KEPT_DISC_M);
    const inDisc = ({ x, y, w, h }: Box) =>
      kept.some((disc) => Math.hypot(x + w / 2 - disc.x, y + h / 2 - disc.y) < disc.r);
    return [
      ...offCuts.filter((box) => !inDisc(box)).map((box) => ({ at, box })),
      ...kept.map((disc) => ({ at, disc })),
    ];
  });
  return all.map((each, k) => ({ ...each, name: letter(k) }));
}

export const barLeftOversOf = ({ cut }: StickPlan): LeftOver[] =>
  cut.bars
    .flatMap(({ offCutM }, at) => (offCutM >= KEPT_BAR_M ? [{ at, lengthM: offCutM }] : []))
    .map((each, k) => ({ ...each, name: letter(k) }));

/** As many kinds of off-cut as a record keeps. */
const MOST_KINDS = 50;
const toMm = (metres: number): number => Math.floor(metres * 1000 + 1e-6) / 1000;

type SheetOffCut = PartOf<'sheet'>['offCuts'][number];

const sizeOf = (offCut: SheetOffCut): number =>
  'diameterM' in offCut ? offCut.diameterM ** 2 : offCut.widthM * offCut.heightM;

/** Alike ones counted together, the largest kept. */
function tidied<T extends { count: number }>(all: readonly T[], size: (each: T) => number): T[] {
  const kinds = new Map<string, T>();
  for (const each of all) {
    if (each.count < 1) continue;
    const { count, ...rest } = each;
    const key = JSON.stringify(rest);
    const known = kinds.get(key);
    kinds.set(key, { ...each, count: Math.min(100, count + (known?.count ?? 0)) });
  }
  return [...kinds.values()].toSorted((a, b) => size(b) - size(a)).slice(0, MOST_KINDS);
}

/** What the shed holds once a plan is cut: what was used is gone, what is left over is there. */
export function shedAfter(plan: SheetPlan): Pick<PartOf<'sheet'>, 'offCuts' | 'onHand'> {
  const { part, nesting } = plan;
  const left = part.offCuts.map((each) => ({ ...each }));
  let { onHand } = part;
  for (const { onHand: own, disc, widthM, heightM } of nesting.sheets) {
    if (!own) continue;
    const used = left.find(
      (each) =>
        each.count > 0 &&
        ('diameterM' in each
          ? disc && each.diameterM === widthM
          : !disc && each.widthM === widthM && each.heightM === heightM),
    );
    if (used) used.count -= 1;
    else onHand = Math.max(0, onHand - 1);
  }
  const fresh = leftOversOf(plan).map(({ box, disc }): SheetOffCut =>
    disc
      ? { diameterM: toMm(2 * disc.r), count: 1 }
      : { widthM: toMm(box!.w), heightM: toMm(box!.h), count: 1 },
  );
  return { onHand, offCuts: tidied([...left, ...fresh], sizeOf) };
}

export function barsAfter(plan: StickPlan): Pick<PartOf<'stick'>, 'offCuts'> {
  const left = plan.part.offCuts.map((each) => ({ ...each }));
  for (const { onHand, lengthM } of plan.cut.bars) {
    const used = onHand && left.find((each) => each.count > 0 && each.lengthM === lengthM);
    if (used) used.count -= 1;
  }
  const fresh = barLeftOversOf(plan).map(({ lengthM }) => ({ lengthM: toMm(lengthM!), count: 1 }));
  return { offCuts: tidied([...left, ...fresh], ({ lengthM }) => lengthM) };
}
