import { shotOf } from '@/core/document/blank';
import type { SimulatedWorkedOut as Readouts } from '@/core/evaluate/simulated';
import type { Readout } from '@/core/evaluate/readout';
import type { View } from '@/core/drawing/drawing';
import type { SheetPiece } from '@/core/build/pieces';
import type { Step } from '@/core/build/step';
import { formatMoney, moneyFormatter, show, showText } from '@/core/quantity';
import { clothView, pieceView, sheetView, sticksView } from '@/core/shop/planView';
import { amountText } from '@/core/shop/purchase';
import { sawList } from '@/core/shop/sawList';
import { lengthText, MARGIN, page, type Pack } from './packPage';
import { plain, type Pdf } from './paper';
import { safetyPage } from './safetyPage';
import { wiresPage } from './wiresPage';
import { drawView } from './pdfShapes';
import { writeTable } from './pdfTable';
import { drawTemplates } from './templates';

/** Everything needed to make one light, in the order it is needed, as one PDF. */
export function drawBuildPack(pack: Pack): void {
  cover(pack);
  views(pack);
  marks(pack);
  pieceDrawings(pack);
  layouts(pack);
  saw(pack);
  shopping(pack);
  steps(pack);
  wiresPage(pack);
  safetyPage(pack);
  drawTemplates(pack.pdf, pack.readouts.pieces, pack.paper);
}

function rungText(rung: Readout, currency: string): string {
  if (rung.value === null) return 'not known yet';
  if (rung.dimension === 'money') return formatMoney(rung.value, currency);
  return showText(show(rung.value, rung.dimension, 'metric'));
}

function cover(pack: Pack): void {
  const { pdf, document, build, readouts } = pack;
  const { top, width, height } = page(pack, build.name);
  const shot = shotOf(document, build);
  pdf
    .font('text')
    .fontSize(10)
    .text(
      plain(`${document.name}: for “${shot.name}”. ${build.copies} to make. ${build.note}`),
      MARGIN,
      top - 4,
      { width },
    );
  const [front] = readouts.drawing.views;
  if (front)
    drawView(pdf, front, { x: MARGIN, y: top + 20, w: width, h: height * 0.5 }, lengthText);
  pdf.y = top + 30 + height * 0.5;
  writeTable(
    pdf,
    [
      { title: 'What it gives', share: 0.26 },
      { title: '', share: 0.2, right: true },
      { title: '', share: 0.54 },
    ],
    readouts.rungs.map((rung) => [rung.label, rungText(rung, document.currency), rung.words]),
  );
  pdf
    .font('text')
    .fontSize(8)
    .fillColor('#6a5f50')
    .text(
      plain(
        `Mass ${showText(show(readouts.massKg, 'mass', 'metric'))}; folded ${[readouts.folded.widthM, readouts.folded.heightM, readouts.folded.depthM].map(lengthText).join(' × ')}. Worked out, not metered: expect ± 20 %.`,
      ),
      MARGIN,
      pdf.y + 4,
      { width },
    );
}

function views(pack: Pack): void {
  const others = pack.readouts.drawing.views.slice(1).filter(({ id }) => id !== 'wiring');
  for (let at = 0; at < others.length; at += 2) {
    const { top, width, height } = page(pack, 'Drawings');
    others.slice(at, at + 2).forEach((view, k) =>
      captioned(pack, view, {
        x: MARGIN,
        y: top + (k * height) / 2,
        w: width,
        h: height / 2 - 24,
      }),
    );
  }
}

function captioned(
  { pdf }: Pack,
  view: View,
  frame: { x: number; y: number; w: number; h: number },
): void {
  drawView(pdf, view, frame, lengthText);
  pdf.font('text').fontSize(9).fillColor('#1c160e');
  const text = plain(view.title);
  pdf.text(text, frame.x + (frame.w - pdf.widthOfString(text)) / 2, frame.y + frame.h + 4, {
    lineBreak: false,
  });
}

function marks(pack: Pack): void {
  const { pdf, readouts } = pack;
  page(pack, 'Marks and lengths');
  pdf.y = MARGIN + 32;
  const value = (fact: Readouts['facts'][number]) =>
    fact.dimension === 'length'
      ? `${Number((fact.value * 1000).toFixed(1))} mm`
      : showText(show(fact.value, fact.dimension, 'metric'));
  writeTable(
    pdf,
    [
      { title: 'Figure', share: 0.42 },
      { title: '', share: 0.18, right: true },
      { title: 'How', share: 0.4 },
    ],
    readouts.facts.map((fact) => [fact.label, value(fact), fact.working]),
  );
  const notes = readouts.pieces.filter(({ markOut }) => markOut.length);
  for (const piece of notes) {
    pdf
      .font('bold')
      .fontSize(10)
      .fillColor('#1c160e')
      .text(plain(`${piece.count} × ${piece.name}`), MARGIN, pdf.y + 8);
    pdf.font('text').fontSize(9);
    for (const mark of piece.markOut) pdf.text(plain(mark), { indent: 8 });
  }
}

/** Holes and circles listed for a piece; beyond, the template and the trammel tell the rest. */
const MOST_CIRCLES = 24;

function pieceDrawings(pack: Pack): void {
  const flat = pack.readouts.pieces.filter((piece) => piece.kind === 'sheet');
  for (let at = 0; at < flat.length; at += 2) {
    const { top, width, height } = page(pack, 'Pieces');
    flat.slice(at, at + 2).forEach((piece, k) => {
      const y = top + (k * height) / 2;
      captioned(pack, pieceView(piece), { x: MARGIN, y, w: width * 0.62, h: height / 2 - 28 });
      circleList(pack.pdf, piece, MARGIN + width * 0.66, y, width * 0.34);
    });
  }
}

function circleList(pdf: Pdf, piece: SheetPiece, x: number, y: number, width: number): void {
  const circles = piece.shapes.flatMap((shape) => (shape.kind === 'circle' ? [shape] : []));
  const mm = (metres: number) => (metres * 1000).toFixed(1);
  pdf.font('bold').fontSize(8).fillColor('#1c160e');
  pdf.text(
    circles.length ? 'Circles: right, up, Ø, mm from the lower left' : 'Straight cuts only',
    x,
    y,
    { width },
  );
  pdf.font('figure').fontSize(7);
  for (const circle of circles.slice(0, MOST_CIRCLES))
    pdf.text(
      plain(
        `${mm(circle.x)}  ${mm(circle.y)}  ${mm(2 * circle.r)}  ${circle.label ?? circle.layer}`,
      ),
      x,
      pdf.y,
      { width },
    );
  if (circles.length > MOST_CIRCLES)
    pdf.text(`and ${circles.length - MOST_CIRCLES} more like these`, x, pdf.y, { width });
}

function layouts(pack: Pack): void {
  const pictures = pack.readouts.cuts.plans.flatMap((plan): View[] => {
    if (plan.kind === 'sheet') return plan.nesting.sheets.map((_, at) => sheetView(plan, at));
    return [plan.kind === 'stick' ? sticksView(plan) : clothView(plan)];
  });
  for (let at = 0; at < pictures.length; at += 2) {
    const { top, width, height } = page(pack, 'Cutting plan');
    pictures.slice(at, at + 2).forEach((view, k) =>
      captioned(pack, view, {
        x: MARGIN,
        y: top + (k * height) / 2,
        w: width,
        h: height / 2 - 24,
      }),
    );
  }
}

function saw(pack: Pack): void {
  const rows = sawList(pack.readouts.cuts);
  if (rows.length === 0) return;
  page(pack, 'At the saw');
  pack.pdf.y = MARGIN + 32;
  const mm = (metres: number) => `${Number((metres * 1000).toFixed(1))} mm`;
  writeTable(
    pack.pdf,
    [
      { title: 'From', share: 0.34 },
      { title: 'Piece', share: 0.26 },
      { title: 'Count', share: 0.1, right: true },
      { title: 'Length', share: 0.15, right: true },
      { title: 'Width', share: 0.15, right: true },
    ],
    rows.map((row) => [
      `${row.material}, ${row.from}`,
      row.piece,
      String(row.count),
      mm(row.lengthM),
      row.widthM === null ? '' : mm(row.widthM),
    ]),
  );
}

function shopping(pack: Pack): void {
  const { pdf, document, readouts } = pack;
  const { purchase } = readouts;
  const money = moneyFormatter(document.currency);
  page(pack, 'Shopping');
  pdf.y = MARGIN + 32;
  writeTable(
    pdf,
    [
      { title: 'What', share: 0.4 },
      { title: 'Needed', share: 0.14, right: true },
      { title: 'On hand', share: 0.12, right: true },
      { title: 'Packs', share: 0.1, right: true },
      { title: 'Now', share: 0.12, right: true },
      { title: 'Full', share: 0.12, right: true },
    ],
    purchase.lines.map((line) => [
      line.name,
      amountText(line.needed, line.measure),
      amountText(line.onHand, line.measure),
      String(line.packsNow),
      line.priced ? money(line.spentNowMinor) : 'no price',
      line.priced ? money(line.fullMinor) : '',
    ]),
  );
  pdf
    .font('bold')
    .fontSize(10)
    .fillColor('#1c160e')
    .text(
      plain(
        `Spent now ${money(purchase.spentNowMinor)}; full cost ${money(purchase.fullMinor)}, ${money(purchase.fullPerLightMinor)} for each light; stock that counts ${money(purchase.stockMinor)}. Tax ${document.taxIncluded ? 'included' : 'not included'}.`,
      ),
      MARGIN,
      pdf.y + 8,
    );
  if (purchase.unpriced)
    pdf
      .font('text')
      .fontSize(9)
      .text(`${purchase.unpriced} without a price: the sums are that much too low.`);
}

const minutesText = ({ minutes, waitMinutes }: Step): string =>
  `${minutes} min${waitMinutes ? `, then ${waitMinutes} min of waiting` : ''}`;

function steps(pack: Pack): void {
  const { pdf, readouts } = pack;
  const minutes = readouts.steps.reduce((sum, step) => sum + step.minutes, 0);
  page(pack, `Steps, about ${(minutes / 60).toFixed(1)} hours`);
  pdf.y = MARGIN + 34;
  readouts.steps.forEach((step, k) => {
    pdf
      .font('bold')
      .fontSize(10)
      .fillColor('#1c160e')
      .text(plain(`${k + 1}. ${step.title} (${minutesText(step)})`), MARGIN, pdf.y + 5);
    pdf
      .font('text')
      .fontSize(9)
      .text(plain(`${step.why}. With: ${step.tools.join(', ')}. Check: ${step.check}.`), {
        indent: 10,
      });
    for (const hazard of step.hazards)
      pdf
        .font('bold')
        .fontSize(9)
        .fillColor('#8a1f12')
        .text(plain(`Caution: ${hazard}`), { indent: 10 });
  });
}
