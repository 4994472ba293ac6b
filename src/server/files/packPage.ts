import type { Build, Production } from '@/core/document/production';
import type { View } from '@/core/drawing/drawing';
import type { SimulatedWorkedOut as Readouts } from '@/core/evaluate/simulated';
import { HARDWARE } from '@/core/materials/hardware';
import { inSystem, shopLength, type UnitSystem } from '@/core/quantity';
import { PAPERS, plain, POINTS_PER_M, type Paper, type Pdf } from './paper';
import { drawView, scaleOf, type Frame } from './pdfShapes';

/** What every page of a build pack is made from. */
export interface Pack {
  pdf: Pdf;
  document: Production;
  build: Build;
  readouts: Readouts;
  paper: Paper;
  units: UnitSystem;
  /** what has been begun so far, with its page, for the cover */
  contents: { title: string; page: number }[];
}

export const MARGIN = 40;
/** Kept free at the foot for the number of the page. */
const FOOT = 34;
const HEAD = 30;

export const lengthOf =
  ({ units }: Pick<Pack, 'units'>) =>
  (metres: number) =>
    shopLength(metres, units);
/** Words that tell lengths, in the reader's units. */
export const saidOf = ({ units, document: { shelf } }: Pick<Pack, 'units' | 'document'>) => {
  const names = [...shelf.parts, ...shelf.units, ...Object.values(HARDWARE)].map(
    ({ name }) => name,
  );
  return (text: string) => plain(inSystem(text, units, names));
};

interface Room {
  top: number;
  width: number;
  height: number;
}

const noted = (pack: Pack, title: string) => {
  const { start, count } = pack.pdf.bufferedPageRange();
  pack.contents.push({ title, page: start + count });
};

/** Begins a page: the light's name, a title; returns what is left of it. */
export function page(pack: Pack, title: string): Room {
  const { pdf, build, paper } = pack;
  const [w, h] = PAPERS[paper];
  pdf.addPage({ margin: MARGIN, size: [w, h] });
  noted(pack, title);
  pdf
    .font('text')
    .fontSize(8)
    .fillColor('#6a5f50')
    .text(plain(build.name), MARGIN, 22, { lineBreak: false });
  pdf.font('bold').fontSize(17).fillColor('#1c160e').text(plain(title), MARGIN, MARGIN);
  pdf.y = MARGIN + HEAD;
  return { top: MARGIN + HEAD, width: w - 2 * MARGIN, height: h - MARGIN - FOOT - MARGIN - HEAD };
}

/** A short sheet goes on below the one before it when so much room is left; else it begins a page. */
export function section(pack: Pack, title: string, needs: number): Room {
  const { pdf, paper } = pack;
  const [w, h] = PAPERS[paper];
  const top = pdf.y + HEAD;
  const left = h - MARGIN - FOOT - top;
  if (pdf.bufferedPageRange().count === 0 || left < needs) return page(pack, title);
  noted(pack, title);
  pdf
    .font('bold')
    .fontSize(14)
    .fillColor('#1c160e')
    .text(plain(title), MARGIN, pdf.y + 12);
  pdf.y = top + 4;
  return { top: top + 4, width: w - 2 * MARGIN, height: left - 4 };
}

/** A view with its title, scale and a bar of that scale under it. */
export function captioned(pack: Pack, view: View, frame: Frame): void {
  const { pdf } = pack;
  drawView(pdf, view, frame, lengthOf(pack));
  const scale = scaleOf(view, frame);
  pdf.font('text').fontSize(9).fillColor('#1c160e');
  const text = plain(`${view.title}, 1 : ${scale}`);
  const y = frame.y + frame.h + 4;
  pdf.text(text, frame.x + (frame.w - pdf.widthOfString(text)) / 2, y, { lineBreak: false });
  scaleBar(pack, scale, frame.x, y + 8);
}

/** Round lengths a bar may stand for. */
const METRIC_BARS = [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10];
const INCH_BARS = [1, 2, 4, 6, 12, 24, 36, 72, 144, 288].map((inches) => inches * 0.0254);
const BAR_PT = 90;

function scaleBar(pack: Pack, scale: number, x: number, y: number): void {
  const { pdf, units } = pack;
  const pointsAM = POINTS_PER_M / scale;
  const bars = units === 'imperial' ? INCH_BARS : METRIC_BARS;
  const barM = bars.findLast((each) => each * pointsAM <= BAR_PT) ?? bars[0]!;
  const long = barM * pointsAM;
  pdf
    .lineWidth(0.6)
    .strokeColor('#1c160e')
    .moveTo(x, y)
    .lineTo(x + long, y)
    .stroke();
  for (const end of [0, long])
    pdf
      .moveTo(x + end, y - 3)
      .lineTo(x + end, y + 3)
      .stroke();
  pdf.font('figure').fontSize(7).fillColor('#1c160e');
  pdf.text(plain(lengthOf(pack)(barM)), x + long + 4, y - 4, { lineBreak: false });
}

/** Views two to a page, or one where it is alone. */
export function viewsTwoAPage(pack: Pack, title: string, views: readonly View[]): void {
  for (let at = 0; at < views.length; at += 2) {
    const some = views.slice(at, at + 2);
    const { top, width, height } = page(pack, at ? `${title}, more` : title);
    some.forEach((view, k) =>
      captioned(pack, view, {
        x: MARGIN,
        y: top + (k * height) / 2,
        w: width,
        h: height / 2 - 26,
      }),
    );
    pack.pdf.y = top + (some.length * height) / 2;
  }
}
