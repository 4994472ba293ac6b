import type { Build } from '@/core/document/production';
import type { SimulatedWorkedOut as Readouts } from '@/core/evaluate/simulated';
import { groupedCuts } from '@/core/power/cutList';
import { shopLength, type UnitSystem } from '@/core/quantity';
import { markedPieces } from '@/core/shop/cutPlan';
import type { Piece } from '@/core/build/pieces';
import { PAPERS, plain, POINTS_PER_MM, type Paper, type Pdf } from './paper';

/** One label: what is written large, and what it is. */
interface Label {
  mark: string;
  name: string;
  more: string;
}

const sizeText = (piece: Piece, units: UnitSystem): string =>
  piece.kind === 'stick'
    ? shopLength(piece.lengthM, units)
    : `${shopLength(piece.widthM, units)} × ${shopLength(piece.heightM, units)}`;

/** Every piece of every copy, then every cord and lead, then every row of tape. */
export function labelsOf(build: Build, readouts: Readouts, units: UnitSystem): Label[] {
  const { copies, name } = build;
  const pieces = markedPieces(readouts.pieces, copies).map(({ piece, mark }) => ({
    mark,
    name: piece.name,
    more: `${sizeText(piece, units)}, ${name}`,
  }));
  const copy = Array.from({ length: copies }, (_, k) => k + 1);
  const before = (k: number) => (copies > 1 ? `${k}·` : '');
  const wires = copy.flatMap((k) =>
    groupedCuts(readouts.wire.wiring).flatMap(({ from, to, lengthM, of, count }, at) =>
      Array.from({ length: count }, () => ({
        mark: `${before(k)}W${at + 1}`,
        name: `${from} to ${to}`,
        more: `${shopLength(lengthM, units)} of ${of}, ${name}`,
      })),
    ),
  );
  return [...pieces, ...wires];
}

/** Sheets of labels as they are sold: three across, seven down; cut apart where they are not. */
const [ACROSS, DOWN] = [3, 7];
const MARGIN_MM = 10;

export function drawLabels(pdf: Pdf, labels: readonly Label[], paper: Paper): void {
  const [w, h] = PAPERS[paper];
  const margin = MARGIN_MM * POINTS_PER_MM;
  const [wide, high] = [(w - 2 * margin) / ACROSS, (h - 2 * margin) / DOWN];
  labels.forEach(({ mark, name, more }, k) => {
    const at = k % (ACROSS * DOWN);
    if (at === 0) pdf.addPage({ margin: 0, size: [w, h] });
    const x = margin + (at % ACROSS) * wide;
    const y = margin + Math.floor(at / ACROSS) * high;
    pdf.lineWidth(0.3).strokeColor('#b9ab90').rect(x, y, wide, high).stroke();
    const inner = { width: wide - 16, height: high / 2, ellipsis: true };
    pdf
      .font('bold')
      .fontSize(26)
      .fillColor('#1c160e')
      .text(plain(mark), x + 8, y + 8, inner);
    pdf
      .font('bold')
      .fontSize(9)
      .text(plain(name), x + 8, y + 42, { ...inner, height: 24 });
    pdf
      .font('text')
      .fontSize(8)
      .text(plain(more), x + 8, y + 68, { ...inner, height: 32 });
  });
  if (labels.length === 0) {
    pdf.addPage({ margin: 40, size: [w, h] });
    pdf.font('text').fontSize(12).text('This light has no pieces, cords or leads to label.');
  }
}
