import type { Piece } from '@/core/build/pieces';
import { pieceView } from '@/core/shop/planView';
import { PAPERS, plain, POINTS_PER_M, POINTS_PER_MM, type Paper, type Pdf } from './paper';
import { drawShape } from './pdfShapes';
import { spreadOut } from './flat';

const MARGIN_MM = 12;
const HEAD_MM = 14;
/** Scales a trial is made at. */
const SCALES = [2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30];

/**
 * Every flat piece, as often as one light has it, small enough for one sheet of card: cut out and taped together in
 * a quarter of an hour, it shows what was forgotten.
 */
export function drawTrialCard(pdf: Pdf, pieces: readonly Piece[], paper: Paper): void {
  const each = pieces.flatMap((piece) =>
    piece.kind === 'sheet'
      ? Array.from({ length: piece.count }, () => ({ ...piece, count: 1 }))
      : [],
  );
  const [w, h] = PAPERS[paper];
  const margin = MARGIN_MM * POINTS_PER_MM;
  const head = HEAD_MM * POINTS_PER_MM;
  const [wide, high] = [w - 2 * margin, h - 2 * margin - head];
  const laidAt = (scale: number) => spreadOut(each, (wide / POINTS_PER_M) * scale);
  const scale =
    SCALES.find((one) => {
      const { widthM, heightM } = laidAt(one);
      return widthM * (POINTS_PER_M / one) <= wide && heightM * (POINTS_PER_M / one) <= high;
    }) ?? SCALES.at(-1)!;
  const points = POINTS_PER_M / scale;
  pdf.addPage({ margin: 0, size: [w, h] });
  pdf.font('bold').fontSize(13).fillColor('#1c160e');
  pdf.text(plain(`Trial in card, 1 : ${scale}`), margin, margin, { lineBreak: false });
  pdf.font('text').fontSize(8.5);
  pdf.text(
    'Print on card, cut out, tape together. What does not meet here does not meet at the bench.',
    margin,
    margin + 17,
    { lineBreak: false },
  );
  const bottom = h - margin;
  for (const { piece, xM, yM } of laidAt(scale).placed) {
    const place = {
      scale: points,
      x: (x: number) => margin + (x + xM) * points,
      y: (y: number) => bottom - (y + yM) * points,
    };
    for (const shape of pieceView(piece).shapes)
      if (shape.kind !== 'text') drawShape(pdf, shape, place, 6);
    pdf.font('text').fontSize(6).fillColor('#1c160e');
    pdf.text(plain(piece.name), place.x(0.004 * scale), place.y(piece.heightM) + 2, {
      lineBreak: false,
    });
  }
}
