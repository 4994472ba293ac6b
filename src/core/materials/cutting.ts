import type { PartOf } from './part';

/** What goes through a board. */
export type Cutter = 'knife' | 'snips' | 'saw';

/** What each takes out of the board, m [common practice]; a jigsaw takes 2 mm: say so on the board's record. */
const KERF_M: Record<Cutter, number> = { knife: 0, snips: 0, saw: 0.003 };
const STICK_KERF_M = 0.002;

/** Foam core, card and corrugated plastic to a finger's width; acrylic melts as well, but is sawn. */
const KNIFE_M = 0.012;
const KNIFE_KG_PER_M3 = 300;
const FOAM_KG_PER_M3 = 900;
/** Sheet metal that hand snips take. */
const SNIPS_M = 0.0015;

/** What a board is cut with, as its material wants it [common practice]. */
export function cutterOf(sheet: PartOf<'sheet'>): Cutter {
  const { burns, densityKgPerM3, thicknessM } = sheet;
  if (burns === 'no') return thicknessM <= SNIPS_M ? 'snips' : 'saw';
  const light = densityKgPerM3 < (burns === 'foam' ? FOAM_KG_PER_M3 : KNIFE_KG_PER_M3);
  return light && thicknessM <= KNIFE_M ? 'knife' : 'saw';
}

/** Width of the cut: what its record says, or what is typical of the tool. */
export const kerfOf = (stock: PartOf<'sheet'> | PartOf<'stick'>): number =>
  stock.kerfM ?? (stock.role === 'stick' ? STICK_KERF_M : KERF_M[cutterOf(stock)]);
