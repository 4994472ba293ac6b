import type { Hatch, PenLayer, Shape, View } from '@/core/drawing/drawing';
import { straightened } from '@/core/drawing/path';
import { INSULATIONS, STRIPE } from '@/core/electrics/insulation';
import { plain, POINTS_PER_M, type Pdf } from './paper';

interface Ink {
  width: number;
  colour: string;
  dash?: [number, number];
  /** what lies beneath is hidden by it */
  fill?: string;
}
const INKS: Record<PenLayer, Ink> = {
  cut: { width: 1.1, colour: '#1c160e' },
  score: { width: 0.7, colour: '#1c160e', dash: [5, 3] },
  drill: { width: 0.5, colour: '#1c160e' },
  mark: { width: 0.35, colour: '#6a5f50' },
  part: { width: 0.6, colour: '#1c160e', fill: '#ffffff' },
  cord: { width: 1, colour: '#76540d' },
  tape: { width: 1.3, colour: '#b57a0c' },
  glass: { width: 0.6, colour: '#a8792a' },
  hidden: { width: 0.5, colour: '#6a5f50', dash: [3, 2] },
  centre: { width: 0.4, colour: '#6a5f50', dash: [7, 2] },
};

/** Metres of a drawing → points on the page. */
export interface Placement {
  x: (metres: number) => number;
  y: (metres: number) => number;
  /** points a metre */
  scale: number;
}

export function drawShape(pdf: Pdf, shape: Shape, place: Placement, textPt: number): void {
  const { width, colour, dash, fill } = INKS[shape.layer];
  if (shape.kind === 'text') {
    pdf.font('text').fontSize(textPt).fillColor('#1c160e');
    const text = plain(shape.text);
    const w = shape.anchor === 'middle' ? pdf.widthOfString(text) / 2 : 0;
    const [x, y] = [place.x(shape.x) - w, place.y(shape.y) - textPt * 0.6];
    pdf.rect(x - 1, y - 0.5, pdf.widthOfString(text) + 2, textPt + 1).fill('#ffffff');
    pdf.fillColor('#1c160e').text(text, x, y, { lineBreak: false });
    return;
  }
  if (shape.insulation && shape.kind === 'polyline') return wire(pdf, shape, place);
  pdf.lineWidth(width).strokeColor(colour);
  if (dash) pdf.dash(dash[0], { space: dash[1] });
  else pdf.undash();
  if (shape.kind === 'circle')
    pdf.circle(place.x(shape.x), place.y(shape.y), shape.r * place.scale);
  else if (shape.kind === 'arc') arc(pdf, shape, place);
  else path(pdf, shape, place);
  if (shape.kind === 'polyline' && shape.hatch) hatchOf(pdf, shape, place);
  else if (fill) pdf.fillAndStroke(fill, colour);
  else pdf.stroke();
  pdf.undash();
}

/** Points between strokes, and which way they slant; foam is dotted. */
const HATCHES: Record<Hatch, { apart: number; slant: 1 | -1; dash?: number }> = {
  wood: { apart: 4, slant: 1 },
  metal: { apart: 2, slant: 1 },
  plastic: { apart: 4, slant: -1 },
  foam: { apart: 4, slant: 1, dash: 1 },
};

/** The face that is cut through: its edge, and strokes inside it. */
function hatchOf(pdf: Pdf, shape: Extract<Shape, { kind: 'polyline' }>, place: Placement): void {
  pdf.stroke();
  const points = straightened(shape).map(([x, y]) => [place.x(x), place.y(y)] as const);
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const { apart, slant, dash } = HATCHES[shape.hatch!];
  const high = bottom - top;
  pdf.save();
  path(pdf, shape, place);
  pdf.clip();
  pdf.lineWidth(0.3).strokeColor('#6a5f50');
  if (dash) pdf.dash(dash, { space: 2 });
  for (let x = left - high; x < right + high; x += apart * Math.SQRT2)
    pdf
      .moveTo(x, slant > 0 ? bottom : top)
      .lineTo(x + high, slant > 0 ? top : bottom)
      .stroke();
  pdf.restore();
}

/** A wire in its own colour within an outline: white shows on paper, and grey copies keep their edges. */
function wire(pdf: Pdf, shape: Extract<Shape, { kind: 'polyline' }>, place: Placement): void {
  const stroke = (width: number, colour: string) => {
    path(pdf, shape, place);
    pdf.lineWidth(width).strokeColor(colour).stroke();
  };
  pdf.undash();
  stroke(2.2, '#1c160e');
  stroke(1.3, INSULATIONS[shape.insulation!]);
  if (shape.insulation !== 'green-yellow') return;
  pdf.dash(2, { space: 2 });
  stroke(1.3, STRIPE);
  pdf.undash();
}

function path(pdf: Pdf, shape: Extract<Shape, { kind: 'polyline' }>, place: Placement): void {
  const [first, ...rest] = straightened(shape);
  if (!first) return;
  pdf.moveTo(place.x(first[0]), place.y(first[1]));
  for (const [x, y] of rest) pdf.lineTo(place.x(x), place.y(y));
  if (shape.closed) pdf.closePath();
}

/** Chords so short that they leave the arc by less than a hundredth of a millimetre at true size. */
function arc(
  pdf: Pdf,
  { x, y, r, from, to }: Extract<Shape, { kind: 'arc' }>,
  place: Placement,
): void {
  const most = 2 * Math.acos(Math.max(0, 1 - 1e-5 / Math.max(r, 1e-4)));
  const steps = Math.min(2000, Math.max(8, Math.ceil((to - from) / most)));
  for (let k = 0; k <= steps; k++) {
    const angle = from + ((to - from) * k) / steps;
    const [px, py] = [place.x(x + r * Math.cos(angle)), place.y(y + r * Math.sin(angle))];
    if (k === 0) pdf.moveTo(px, py);
    else pdf.lineTo(px, py);
  }
}

export interface Frame {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** Scales a maker's rule knows, and their halves. */
const SCALES = [1, 2, 2.5, 4, 5, 8, 10, 15, 20, 25, 40, 50, 75, 100, 150, 200, 400];

/** The largest of them at which a view fits its frame. */
export function scaleOf({ bounds: [left, bottom, right, top] }: View, frame: Frame): number {
  const most = Math.min(frame.w / (right - left), frame.h / (top - bottom));
  return SCALES.find((one) => POINTS_PER_M / one <= most) ?? Math.ceil(POINTS_PER_M / most);
}

/** A view at a scale that a rule knows, in the middle of its frame, with its dimensions written beside it. */
export function drawView(
  pdf: Pdf,
  view: View,
  frame: Frame,
  lengthText: (metres: number) => string,
): void {
  const [left, bottom, right, top] = view.bounds;
  const scale = POINTS_PER_M / scaleOf(view, frame);
  const x0 = frame.x + (frame.w - (right - left) * scale) / 2;
  const y0 = frame.y + (frame.h - (top - bottom) * scale) / 2;
  const place: Placement = {
    scale,
    x: (x) => x0 + (x - left) * scale,
    y: (y) => y0 + (top - y) * scale,
  };
  for (const shape of view.shapes) drawShape(pdf, shape, place, 7);
  for (const { from, to, offsetM, valueM } of view.dimensions) {
    const long = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
    const [nx, ny] = [(-(to[1] - from[1]) / long) * offsetM, ((to[0] - from[0]) / long) * offsetM];
    const [ax, ay] = [place.x(from[0] + nx), place.y(from[1] + ny)];
    const [bx, by] = [place.x(to[0] + nx), place.y(to[1] + ny)];
    pdf.lineWidth(0.35).strokeColor('#6a5f50').moveTo(ax, ay).lineTo(bx, by).stroke();
    const text = plain(lengthText(valueM));
    pdf.font('figure').fontSize(7).fillColor('#1c160e');
    const w = pdf.widthOfString(text);
    const [mx, my] = [(ax + bx) / 2, (ay + by) / 2];
    pdf
      .rect(mx - w / 2 - 2, my - 4.5, w + 4, 9)
      .fill('#ffffff')
      .fillColor('#1c160e');
    pdf.text(text, mx - w / 2, my - 3.6, { lineBreak: false });
  }
}
