import type { Piece } from '@/core/build/pieces';
import type { Shape } from '@/core/drawing/drawing';
import { circle } from '@/core/drawing/shapes';
import { inSystem, shopLength, type UnitSystem } from '@/core/quantity';
import { PAPERS, plain, POINTS_PER_M, POINTS_PER_MM, type Paper, type Pdf } from './paper';
import { drawShape, type Placement } from './pdfShapes';

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

/** What is printed at true size: boards, and round layers, which are cut along a line as well. */
export interface Template {
  title: string;
  widthM: number;
  heightM: number;
  shapes: readonly Shape[];
  markOut: readonly string[];
}

function templatesOf(pieces: readonly Piece[]): Template[] {
  return pieces.flatMap((piece, at): Template[] => {
    const title = `${at + 1}. ${piece.count} × ${piece.name}`;
    if (piece.kind === 'sheet') return [{ ...piece, title }];
    if (piece.kind !== 'cloth' || !piece.discM) return [];
    const r = piece.discM / 2;
    return [
      {
        title,
        widthM: piece.discM,
        heightM: piece.discM,
        shapes: [circle(r, r, r, 'cut')],
        markOut: piece.markOut,
      },
    ];
  });
}

/**
 * True-size templates, one after the other; what is too big is named instead.
 * @param begin a page of the pack before them, on which their map stands; none where they are a file by themselves
 */
export function drawTemplates(
  pdf: Pdf,
  pieces: readonly Piece[],
  paper: Paper,
  units: UnitSystem,
  begin?: (title: string) => void,
): void {
  const flat = templatesOf(pieces);
  const skipped = flat.filter((piece) => pagesOf(piece, paper) > MOST_PAGES);
  if (begin && flat.length > skipped.length) {
    begin('Templates: how their pages lie');
    pageMaps(
      pdf,
      flat.filter((piece) => !skipped.includes(piece)),
      paper,
    );
  }
  for (const piece of flat) if (!skipped.includes(piece)) drawTrueSize(pdf, piece, paper, units);
  if (skipped.length) {
    pdf.addPage();
    pdf.font('bold').fontSize(14).text('Too big to print');
    pdf.font('text').fontSize(10);
    for (const piece of skipped)
      pdf
        .moveDown(0.5)
        .text(
          plain(
            inSystem(
              `${piece.title}: mark it out with rule and trammel. ${piece.markOut.join(' ')}`,
              units,
            ),
          ),
        );
  }
  if (flat.length === 0 && !begin) {
    pdf.addPage();
    pdf.font('text').fontSize(12).text('This light has no flat pieces to print.');
  }
}

const pagesOf = ({ widthM, heightM }: Template, paper: Paper): number =>
  tilesOf(widthM * 1000, heightM * 1000, paper).tiles.length;

/** One piece over as many pages as it takes. */
export function drawTrueSize(pdf: Pdf, piece: Template, paper: Paper, units: UnitSystem): void {
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
    for (const shape of piece.shapes) centre(pdf, shape, place);
    pdf.restore();
    cropMarks(pdf, margin, bottom - h, w, h);
    heading(
      pdf,
      piece.title,
      `row ${tile.row + 1} of ${rows} from below, column ${tile.column + 1} of ${columns}; neighbours overlap by ${shopLength(OVERLAP_MM / 1000, units)}`,
      margin,
    );
    checkBar(pdf, margin, bottom - 2);
    cornerMap(pdf, tile, columns, rows);
  }
}

/** Arms of the cross in a circle's middle, mm; what is struck with a trammel has its pivot there. */
const CROSS_MM = 5;

function centre(pdf: Pdf, shape: Shape, { x, y }: Placement): void {
  if (shape.kind !== 'circle') return;
  const arm = Math.min(CROSS_MM * POINTS_PER_MM, Math.max(4, shape.r * POINTS_PER_M * 1.3));
  const [cx, cy] = [x(shape.x), y(shape.y)];
  pdf.lineWidth(0.35).strokeColor('#000000').undash();
  pdf
    .moveTo(cx - arm, cy)
    .lineTo(cx + arm, cy)
    .stroke();
  pdf
    .moveTo(cx, cy - arm)
    .lineTo(cx, cy + arm)
    .stroke();
}

/** Side of a page on the maps, points. */
const MAP_PT = 6;

/** Where this page lies among the others of its piece. */
function cornerMap(pdf: Pdf, tile: Tile, columns: number, rows: number): void {
  const side = Math.min(MAP_PT, 60 / columns, 30 / rows);
  const x0 = pdf.page.width - 34 - columns * side;
  const y0 = 8;
  pdf.lineWidth(0.3).strokeColor('#000000').undash();
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      pdf.rect(x0 + column * side, y0 + (rows - 1 - row) * side, side, side);
      if (row === tile.row && column === tile.column) pdf.fillAndStroke('#000000', '#000000');
      else pdf.stroke();
    }
}

/** Every piece with its pages in their order, to be laid out on the floor by. */
function pageMaps(pdf: Pdf, pieces: readonly Template[], paper: Paper): void {
  let first = pdf.bufferedPageRange().count + 1;
  for (const piece of pieces) {
    const { columns, rows } = tilesOf(piece.widthM * 1000, piece.heightM * 1000, paper);
    const side = Math.min(26, 400 / columns);
    const high = rows * side * 1.3 + 30;
    if (pdf.y + high > pdf.page.height - 50) {
      pdf.addPage({ margin: 40, size: [...PAPERS[paper]] });
      pdf.y = 40;
    }
    const top = pdf.y + 6;
    pdf.font('bold').fontSize(10).fillColor('#1c160e').text(plain(piece.title), 40, top);
    pdf.font('figure').fontSize(7).lineWidth(0.4).strokeColor('#1c160e').undash();
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns; column++) {
        const [x, y] = [40 + column * side, top + 16 + (rows - 1 - row) * side * 1.3];
        pdf.rect(x, y, side, side * 1.3).stroke();
        pdf.text(String(first + row * columns + column), x + 2, y + 2, { lineBreak: false });
      }
    first += rows * columns;
    pdf.y = top + high - 6;
  }
  pdf
    .font('text')
    .fontSize(9)
    .text(
      'Numbers are those of the pages of this pack. Tape them edge to edge with their crop marks over one another.',
      40,
      pdf.y + 6,
      { width: pdf.page.width - 80 },
    );
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
