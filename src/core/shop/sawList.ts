import type { CutPlan } from './cutPlan';
import { sheetName } from './planView';

/** One cut of the list at the saw; metres. */
interface SawRow {
  material: string;
  /** "sheet 1", "bar 2", "off the bolt": what it is cut from */
  from: string;
  piece: string;
  /** what is written on each of them */
  marks: string[];
  count: number;
  /** length of a stick; width of anything flat */
  lengthM: number;
  /** null for a stick */
  widthM: number | null;
  note: string;
}

/**
 * The list in the order of work at the saw: boards first, each sheet's big pieces before its small ones
 * so that a slip costs the least, then bars longest first, cloth last. Alike pieces of one sheet, bar or
 * bolt share a row.
 */
export function sawList({ plans, unchosen }: CutPlan): SawRow[] {
  const rank = { sheet: 0, stick: 1, cloth: 2 };
  const rows = plans
    .toSorted((a, b) => rank[a.kind] - rank[b.kind])
    .flatMap((plan): SawRow[] => {
      switch (plan.kind) {
        case 'sheet':
          return plan.nesting.sheets.flatMap((sheet, k) =>
            sheet.placements
              .map(({ piece }) => ({ piece: plan.pieces[piece]!, mark: plan.marks[piece]! }))
              .toSorted((a, b) => b.piece.areaM2 - a.piece.areaM2)
              .map(({ piece, mark }) => ({
                marks: [mark],
                material: plan.part.name,
                from: sheetName(plan, k),
                piece: piece.name,
                count: 1,
                lengthM: piece.widthM,
                widthM: piece.heightM,
                note: piece.markOut[0] ?? '',
              })),
          );
        case 'stick':
          return plan.cut.bars.flatMap((bar, k) =>
            bar.pieces.map((at) => ({
              material: plan.part.name,
              from: `${bar.onHand ? 'off-cut' : 'bar'} ${k + 1}`,
              piece: plan.pieces[at]!.name,
              marks: [plan.marks[at]!],
              count: 1,
              lengthM: plan.pieces[at]!.lengthM,
              widthM: null,
              note: plan.pieces[at]!.markOut[0] ?? '',
            })),
          );
        case 'cloth':
          // Strips are counted as they are cut; a cloth sewn of five is five cuts.
          return plan.pieces.map(({ piece, cut, mark }) => ({
            material: plan.part.name,
            from: cut.panels > 1 ? `strips, sewn ${cut.joined}` : 'off the bolt',
            piece: piece.name,
            marks: [mark],
            count: cut.panels,
            lengthM: cut.panelLengthM,
            widthM: cut.panelWidthM,
            note: piece.markOut[0] ?? '',
          }));
      }
    });
  const open = unchosen.map((piece): SawRow => ({
    material: 'not chosen yet',
    from: '–',
    piece: piece.name,
    marks: [],
    count: piece.count,
    lengthM: piece.kind === 'stick' ? piece.lengthM : piece.widthM,
    widthM: piece.kind === 'stick' ? null : piece.heightM,
    note: piece.markOut[0] ?? '',
  }));
  return joined([...rows, ...open]);
}

function joined(rows: readonly SawRow[]): SawRow[] {
  const alike = new Map<string, SawRow>();
  for (const row of rows) {
    const key = [
      row.material,
      row.from,
      row.piece,
      row.lengthM.toFixed(5),
      row.widthM?.toFixed(5),
    ].join('|');
    const known = alike.get(key);
    if (known) {
      known.count += row.count;
      known.marks.push(...row.marks);
    } else alike.set(key, { ...row, marks: [...row.marks] });
  }
  return [...alike.values()];
}
