import type { Piece, SheetPiece } from '@/core/build/pieces';
import { PAPERS, plain, POINTS_PER_M, POINTS_PER_MM, type Paper, type Pdf } from './paper';
import { drawShape } from './pdfShapes';

/** What every page keeps free round the drawing, and what neighbouring pages share, millimetres. */
const MARGIN_MM = 12;
const OVERLAP_MM = 8;
const CHECK_BAR_MM = 100;

interface Tile {
  column: number;
  row: number;
  /** lower left corner of the tile on the piece, millimetres */
  xMm: number;
  yMm: number;
}

/** Pages a piece takes, and what of it each one shows. */
export function tilesOf(
  widthMm: number,
  heightMm: number,
  paper: Paper,
): { tiles: Tile[]; columns: number; rows: number; wMm: number; hMm: number } {
  const [pw, ph] = PAPERS[paper].map((points) => points / POINTS_PER_MM) as [number, number];
  const [wMm, hMm] = [pw - 2 * MARGIN_MM, ph - 2 * MARGIN_MM - 10];
  const [stepX, stepY] = [wMm - OVERLAP_MM, hMm - OVERLAP_MM];
  const columns = Math.max(1, Math.ceil((widthMm - OVERLAP_MM) / stepX));
  const rows = Math.max(1, Math.ceil((heightMm - OVERLAP_MM) / stepY));
  const tiles = Array.from({ length: rows * columns }, (_, k) => {
    const [row, column] = [Math.floor(k / columns), k % columns];
    return { row, column, xMm: column * stepX, yMm: row * stepY };
  });
  return { tiles, columns, rows, wMm, hMm };
}

/** Pages beyond which a trammel and a rule do better than paper. */
export const MOST_PAGES = 60;

/** True-size templates of every flat piece, one after the other; pieces too big are named instead. */
export function drawTemplates(pdf: Pdf, pieces: readonly Piece[], paper: Paper): void {
  const flat = pieces.filter((piece): piece is SheetPiece => piece.kind === 'sheet');
  const skipped = flat.filter((piece) => pagesOf(piece, paper) > MOST_PAGES);
  for (const piece of flat) if (!skipped.includes(piece)) drawPiece(pdf, piece, paper);
  if (skipped.length) {
    pdf.addPage();
    pdf.font('bold').fontSize(14).text('Too big to print');
    pdf.font('text').fontSize(10);
    for (const piece of skipped)
      pdf
        .moveDown(0.5)
        .text(
          plain(`${piece.name}: mark it out with rule and trammel. ${piece.markOut.join(' ')}`),
        );
  }
  if (flat.length === 0) {
    pdf.addPage();
    pdf.font('text').fontSize(12).text('This light has no flat pieces to print.');
  }
}

const pagesOf = ({ widthM, heightM }: SheetPiece, paper: Paper): number =>
  tilesOf(widthM * 1000, heightM * 1000, paper).tiles.length;

function drawPiece(pdf: Pdf, piece: SheetPiece, paper: Paper): void {
  const [, pageH] = PAPERS[paper];
  const { tiles, columns, rows, wMm, hMm } = tilesOf(
    piece.widthM * 1000,
    piece.heightM * 1000,
    paper,
  );
  const margin = MARGIN_MM * POINTS_PER_MM;
  const bottom = pageH - margin;
  for (const tile of tiles) {
    pdf.addPage({ margin: 0, size: [...PAPERS[paper]] });
    const [w, h] = [wMm * POINTS_PER_MM, hMm * POINTS_PER_MM];
    pdf
      .save()
      .rect(margin, bottom - h, w, h)
      .clip();
    const place = {
      scale: POINTS_PER_M,
      x: (x: number) => margin + x * POINTS_PER_M - tile.xMm * POINTS_PER_MM,
      y: (y: number) => bottom - (y * POINTS_PER_M - tile.yMm * POINTS_PER_MM),
    };
    for (const shape of piece.shapes) drawShape(pdf, shape, place, 8);
    pdf.restore();
    cropMarks(pdf, margin, bottom - h, w, h);
    heading(
      pdf,
      `${piece.count} × ${piece.name}`,
      `row ${tile.row + 1} of ${rows} from below, column ${tile.column + 1} of ${columns}; neighbours overlap by ${OVERLAP_MM} mm`,
      margin,
    );
    checkBar(pdf, margin, bottom - 2);
  }
}

function cropMarks(pdf: Pdf, x: number, y: number, w: number, h: number): void {
  pdf.lineWidth(0.4).strokeColor('#000000');
  for (const [cx, sx] of [
    [x, -1],
    [x + w, 1],
  ] as const)
    for (const [cy, sy] of [
      [y, -1],
      [y + h, 1],
    ] as const) {
      pdf
        .moveTo(cx + sx * 2, cy)
        .lineTo(cx + sx * 12, cy)
        .stroke();
      pdf
        .moveTo(cx, cy + sy * 2)
        .lineTo(cx, cy + sy * 12)
        .stroke();
    }
}

function heading(pdf: Pdf, name: string, where: string, margin: number): void {
  pdf
    .font('bold')
    .fontSize(10)
    .fillColor('#000000')
    .text(plain(name), margin, 16, { lineBreak: false });
  pdf.font('text').fontSize(8).text(plain(where), margin, 29, { lineBreak: false });
}

function checkBar(pdf: Pdf, x: number, y: number): void {
  const long = CHECK_BAR_MM * POINTS_PER_MM;
  pdf
    .lineWidth(0.8)
    .strokeColor('#000000')
    .moveTo(x, y + 16)
    .lineTo(x + long, y + 16)
    .stroke();
  for (const end of [0, long])
    pdf
      .moveTo(x + end, y + 12)
      .lineTo(x + end, y + 20)
      .stroke();
  pdf
    .font('text')
    .fontSize(7)
    .fillColor('#000000')
    .text('100 mm: measure before you cut', x + long + 6, y + 12, { lineBreak: false });
}
