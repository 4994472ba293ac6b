import { shotOf } from '@/core/document/blank';
import { assemblyViews } from '@/core/evaluate/assembled';
import { Derivations } from '@/core/evaluate/derive';
import type { Readout } from '@/core/evaluate/readout';
import type { SheetPiece } from '@/core/build/pieces';
import type { View } from '@/core/drawing/drawing';
import { boreLength, formatMoney, show, showText } from '@/core/quantity';
import {
  clothView,
  orderOfCuts,
  pieceView,
  sheetName,
  sheetView,
  sticksView,
} from '@/core/shop/planView';
import type { SheetPlan } from '@/core/shop/cutPlan';
import { tooMuchForOne } from '@/core/shop/cutOrder';
import { car, marks, saw, shopping, steps, workText } from './packLists';
import {
  captioned,
  lengthOf,
  MARGIN,
  page,
  saidOf,
  section,
  viewsTwoAPage,
  type Pack,
} from './packPage';
import { plain } from './paper';
import { writeTable } from './pdfTable';
import { safetyPage } from './safetyPage';
import { drawTemplates } from './templates';
import { wiresPage } from './wiresPage';

/** Everything needed to make one light, in the order it is needed, as one PDF. */
export function drawBuildPack(pack: Pack): void {
  const contentsAt = cover(pack);
  const [, ...others] = pack.readouts.drawing.views.filter(({ id }) => id !== 'wiring');
  viewsTwoAPage(pack, 'Drawings', others);
  const assembled = new Derivations().assembled(pack.document, pack.build);
  if (assembled) viewsTwoAPage(pack, 'How it goes together', assemblyViews(assembled));
  marks(pack);
  pieceDrawings(pack);
  layouts(pack);
  saw(pack);
  shopping(pack);
  steps(pack);
  wiresPage(pack);
  safetyPage(pack);
  car(pack);
  const templates = pack.readouts.pieces;
  drawTemplates(pack.pdf, templates, pack.paper, pack.units, (title) => page(pack, title));
  contents(pack, contentsAt);
}

function rungText({ units }: Pack, rung: Readout, currency: string): string {
  if (rung.value === null) return 'not known yet';
  if (rung.dimension === 'money') return formatMoney(rung.value, currency);
  return showText(show(rung.value, rung.dimension, units));
}

const CONTENTS_PT = 96;

/** The sheet that is pinned to the wall: the light, what it gives, how long it takes, where to find the rest. */
function cover(pack: Pack): number {
  const { pdf, document, build, readouts, units } = pack;
  const [length, said] = [lengthOf(pack), saidOf(pack)];
  const { top, width, height } = page(pack, build.name);
  const shot = shotOf(document, build);
  pdf
    .font('text')
    .fontSize(10)
    .text(
      plain(
        `${document.name}: for “${shot.name}”. ${build.copies} to make, ${workText(readouts.steps, build.copies)} of work. ${build.note}`,
      ),
      MARGIN,
      top - 4,
      { width },
    );
  const [front] = readouts.drawing.views;
  const drawing = height * 0.45;
  if (front) captioned(pack, front, { x: MARGIN, y: top + 24, w: width, h: drawing - 20 });
  pdf.y = top + 30 + drawing;
  writeTable(
    pdf,
    [
      { title: 'What it gives', share: 0.26 },
      { title: '', share: 0.2, right: true },
      { title: '', share: 0.54 },
    ],
    readouts.rungs.map((rung) => [
      rung.label,
      rungText(pack, rung, document.currency),
      said(rung.words),
    ]),
  );
  const { folded } = readouts;
  pdf
    .font('text')
    .fontSize(8)
    .fillColor('#6a5f50')
    .text(
      plain(
        `Mass ${showText(show(readouts.massKg, 'mass', units))}; folded ${[folded.widthM, folded.heightM, folded.depthM].map(length).join(' × ')}. Worked out, not metered: expect ± 20 %. Mains can kill: what stands under “Before it is powered up” comes before any plug.`,
      ),
      MARGIN,
      pdf.y + 4,
      { width },
    );
  return Math.min(pdf.y + 10, top + height - CONTENTS_PT);
}

/** What is where, written on the cover when all else is. */
function contents({ pdf, contents: all }: Pack, y: number): void {
  const [, ...rest] = all;
  const titles = rest.filter(({ title }) => !title.endsWith(', more'));
  pdf.switchToPage(pdf.bufferedPageRange().start);
  pdf.font('text').fontSize(9).fillColor('#1c160e');
  const half = Math.ceil(titles.length / 2);
  const { bottom } = pdf.page.margins;
  pdf.page.margins.bottom = 0;
  titles.forEach(({ title, page: at }, k) => {
    const x = MARGIN + (k < half ? 0 : 260);
    pdf.text(plain(`${title}: page ${at}`), x, y + (k % half) * 12, { lineBreak: false });
  });
  pdf.page.margins.bottom = bottom;
}

/** Circles beside a piece's drawing; more of them stand in columns under it. */
const BESIDE = 24;

function pieceDrawings(pack: Pack): void {
  const flat = pack.readouts.pieces.flatMap((piece, at) =>
    piece.kind === 'sheet' ? [{ piece, number: at + 1 }] : [],
  );
  for (let at = 0; at < flat.length; at += 2) {
    const { top, width, height } = page(pack, at ? 'Pieces, more' : 'Pieces');
    flat.slice(at, at + 2).forEach(({ piece, number }, k) => {
      const y = top + (k * height) / 2;
      const view = pieceView(piece, lengthOf(pack));
      captioned(
        pack,
        { ...view, title: `${number}. ${view.title}` },
        { x: MARGIN, y, w: width * 0.62, h: height / 2 - 28 },
      );
      circleList(pack, piece, MARGIN + width * 0.66, y, width * 0.34);
    });
    pack.pdf.y = top + (Math.min(2, flat.length - at) * height) / 2;
  }
  for (const { piece, number } of flat)
    if (circlesOf(piece).length > BESIDE) longList(pack, piece, number);
}

const circlesOf = ({ shapes }: SheetPiece) =>
  shapes.flatMap((shape) => (shape.kind === 'circle' ? [shape] : []));

function circleList(pack: Pack, piece: SheetPiece, x: number, y: number, width: number): void {
  const { pdf } = pack;
  const length = lengthOf(pack);
  const circles = circlesOf(piece);
  pdf.font('bold').fontSize(8).fillColor('#1c160e');
  pdf.text(
    circles.length === 0
      ? 'Straight cuts only'
      : circles.length > BESIDE
        ? `${circles.length} circles: the list follows`
        : 'Circles: right, up, Ø, from the lower left',
    x,
    y,
    { width },
  );
  pdf.font('figure').fontSize(7);
  if (circles.length > BESIDE) return;
  for (const circle of circles)
    pdf.text(
      plain(
        `${length(circle.x)}  ${length(circle.y)}  ${boreOf(pack, circle)}  ${circle.label ?? circle.layer}`,
      ),
      x,
      pdf.y,
      { width },
    );
}

/** Across a circle: as the bit is sold where it is drilled, as it is struck where it is not. */
const boreOf = (pack: Pack, { r, layer }: ReturnType<typeof circlesOf>[number]): string =>
  layer === 'drill' ? boreLength(2 * r, pack.units) : lengthOf(pack)(2 * r);

/** Every circle of a piece with many, three to a row. */
function longList(pack: Pack, piece: SheetPiece, number: number): void {
  const length = lengthOf(pack);
  const cells = circlesOf(piece).map(
    (circle) =>
      `${length(circle.x)} right, ${length(circle.y)} up, Ø ${boreOf(pack, circle)}: ${circle.label ?? circle.layer}`,
  );
  section(pack, `${number}. ${piece.name}: every circle from the lower left`, 120);
  const rows = Array.from({ length: Math.ceil(cells.length / 3) }, (_, k) =>
    [0, 1, 2].map((column) => cells[3 * k + column] ?? ''),
  );
  writeTable(
    pack.pdf,
    [0, 1, 2].map(() => ({ title: '', share: 1 / 3 })),
    rows,
  );
}

function layouts(pack: Pack): void {
  const { plans } = pack.readouts.cuts;
  const length = lengthOf(pack);
  const pictures = plans.flatMap((plan): View[] => {
    if (plan.kind === 'sheet')
      return plan.nesting.sheets.map((_, at) => sheetView(plan, at, length));
    return [plan.kind === 'stick' ? sticksView(plan, length) : clothView(plan, length)];
  });
  viewsTwoAPage(pack, 'Cutting plan', pictures);
  for (const plan of plans) if (plan.kind === 'sheet') cutOrderList(pack, plan);
}

/** Cuts right through, in their order, for who stands at a saw that makes no other. */
function cutOrderList(pack: Pack, plan: SheetPlan): void {
  const { part, nesting } = plan;
  const length = lengthOf(pack);
  const kg = part.widthM * part.heightM * part.thicknessM * part.densityKgPerM3;
  const heavy = tooMuchForOne(kg, Math.max(part.widthM, part.heightM))
    ? `A whole sheet weighs ${showText(show(kg, 'mass', pack.units))}: two people, or have the shop make cut 1.`
    : null;
  const rows = nesting.sheets.flatMap((_, at) =>
    orderOfCuts(plan, at).map(({ axis, atM, fromM, toM }, k) => [
      sheetName(plan, at),
      String(k + 1),
      axis === 'x' ? `${length(atM)} from the left` : `${length(atM)} from below`,
      `${length(toM - fromM)} long`,
    ]),
  );
  if (rows.length === 0) return;
  const { width } = section(pack, `Order of cuts: ${part.name}`, 110);
  if (heavy) pack.pdf.font('text').fontSize(9).text(plain(heavy), MARGIN, pack.pdf.y, { width });
  writeTable(
    pack.pdf,
    [
      { title: 'On', share: 0.25 },
      { title: 'Cut', share: 0.1 },
      { title: 'At', share: 0.35 },
      { title: '', share: 0.3 },
    ],
    rows,
  );
}
