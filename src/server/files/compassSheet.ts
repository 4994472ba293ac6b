import type { UnitSystem } from '@/core/quantity';
import { finished, newPdf, PAPERS, paperOf, plain, POINTS_PER_MM, type Pdf } from './paper';

const RADIUS_MM = 85;
/** A tick so often, a longer one, a spoke with its figure; degrees. */
const [TICK_DEG, LONG_DEG, SPOKE_DEG] = [5, 10, 15];
/** Globes and bases whose middle is found by laying them in their ring, Ø in mm. */
const RINGS_MM = [27, 45, 60, 95];
const MARGIN_MM = 12;
const INK = '#1c160e';

const WORDS = [
  'Lay the lamp down, the middle of what glows over the cross, its axis along 0°, base towards 180°.',
  'Fix a string to the cross. Hold the meter at its end, over each angle in turn, looking at the lamp: the same distance every time, five times the lamp’s size or more.',
  'Only for LED lamps, in a holder with covered terminals, on an outlet with RCD (GFCI). A filament or halogen lamp sets this sheet on fire: for it, mark the angles on tile or metal. Unplug before you turn or change it; do not look into it; do not leave it lit alone.',
  'The meter’s eye is as high above the table as the middle of the lamp. Dark cloth on table and wall; the lamp on for twenty minutes; read the room once with the lamp off.',
];

/** A compass to lay a lamp on, at true size, and how to go round it with a meter. */
export function compassSheet(units: UnitSystem): Promise<Buffer> {
  const paper = paperOf(units);
  const pdf = newPdf(paper, 'Compass for a lamp');
  const [wide, high] = PAPERS[paper];
  const margin = MARGIN_MM * POINTS_PER_MM;
  pdf.addPage({ margin: 0, size: [wide, high] });
  pdf.font('bold').fontSize(15).fillColor(INK);
  pdf.text('Compass for a lamp', margin, margin, { lineBreak: false });
  pdf.font('text').fontSize(9.5);
  let y = margin + 24;
  for (const words of WORDS) {
    pdf.text(plain(words), margin, y, { width: wide - 2 * margin });
    y = pdf.y + 4;
  }
  drawCompass(pdf, wide / 2, (y + high - 3 * margin) / 2);
  drawFoot(pdf, margin, high - 2 * margin, wide - 2 * margin);
  return finished(pdf);
}

function drawCompass(pdf: Pdf, x: number, y: number): void {
  const at = (deg: number, mm: number) => {
    const angle = ((deg - 90) * Math.PI) / 180;
    return [
      x + mm * POINTS_PER_MM * Math.cos(angle),
      y + mm * POINTS_PER_MM * Math.sin(angle),
    ] as const;
  };
  const stroke = (deg: number, from: number, to: number) =>
    pdf
      .moveTo(...at(deg, from))
      .lineTo(...at(deg, to))
      .stroke();
  pdf.strokeColor(INK).lineWidth(0.6);
  pdf.circle(x, y, RADIUS_MM * POINTS_PER_MM).stroke();
  for (let deg = 0; deg < 360; deg += TICK_DEG)
    stroke(deg, RADIUS_MM - (deg % LONG_DEG === 0 ? 6 : 3), RADIUS_MM);
  pdf.lineWidth(0.3);
  for (let deg = 0; deg < 360; deg += SPOKE_DEG) stroke(deg, 8, RADIUS_MM);
  pdf.dash(2, { space: 2 });
  for (const across of RINGS_MM) pdf.circle(x, y, (across / 2) * POINTS_PER_MM).stroke();
  pdf.undash();
  pdf.font('text').fontSize(8).fillColor(INK);
  for (let deg = 0; deg < 360; deg += SPOKE_DEG) {
    const told = `${deg <= 180 ? deg : 360 - deg}°`;
    const [left, top] = at(deg, RADIUS_MM + 4);
    pdf.text(told, left - pdf.widthOfString(told) / 2, top - 4, { lineBreak: false });
  }
  pdf.fontSize(7);
  for (const across of RINGS_MM) {
    const [left, top] = at(180, across / 2);
    pdf.text(`${across} mm`, left + 2, top - 10.5, { lineBreak: false });
  }
  pdf.lineWidth(1);
  stroke(0, -6, 6);
  stroke(90, -6, 6);
}

/** Lines to write on, and a bar that tells whether the printer kept the size. */
function drawFoot(pdf: Pdf, left: number, top: number, wide: number): void {
  pdf.font('text').fontSize(9).fillColor(INK);
  pdf.text(
    'Lamp ____________________   Distance ____________   Height of the eye __________',
    left,
    top,
    {
      lineBreak: false,
    },
  );
  const bar = 100 * POINTS_PER_MM;
  const right = left + wide;
  pdf.lineWidth(0.8).strokeColor(INK);
  pdf
    .moveTo(right - bar, top + 26)
    .lineTo(right, top + 26)
    .stroke();
  pdf.fontSize(7.5);
  pdf.text('This bar is 100 mm long, or the print is not true.', right - bar, top + 29, {
    lineBreak: false,
  });
}
