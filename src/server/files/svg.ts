import type { Shape } from '@/core/drawing/drawing';
import { edgeArc, edgesOf, type Path } from '@/core/drawing/path';
import type { Piece } from '@/core/build/pieces';
import { FILE_LAYERS, onLayer, spreadOut, type FileLayer } from './flat';

/** Strokes by layer; a laser cutter's operator maps them once. */
const INK: Record<FileLayer, string> = {
  cut: 'stroke="#c00000"',
  score: 'stroke="#0050c0" stroke-dasharray="3 2"',
  drill: 'stroke="#008040"',
  mark: 'stroke="#808080"',
};

const number = (value: number): string => String(Number(value.toFixed(4)));
const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;');

/** All flat pieces of a light at true size: one user unit is one millimetre. */
export function piecesSvg(pieces: readonly Piece[], title: string): string {
  const { placed, widthM, heightM } = spreadOut(pieces);
  const margin = 5;
  const [w, h] = [widthM * 1000 + 2 * margin, heightM * 1000 + 2 * margin];
  const groups = FILE_LAYERS.map((layer) => {
    const marks = placed.flatMap(({ piece, xM, yM }) =>
      onLayer(piece.shapes, layer).map((shape) =>
        mark(
          shape,
          xM,
          yM,
          (x) => x * 1000 + margin,
          (y) => h - margin - y * 1000,
        ),
      ),
    );
    return `<g id="${layer}" fill="none" stroke-width="0.2" ${INK[layer]}>${marks.join('')}</g>`;
  });
  const names = placed.map(
    ({ piece, xM, yM }) =>
      `<text x="${number((xM + piece.widthM / 2) * 1000 + margin)}" y="${number(h - margin - (yM + piece.heightM / 2) * 1000)}" text-anchor="middle" font-size="8" font-family="sans-serif">${escaped(`${piece.count} × ${piece.name}`)}</text>`,
  );
  return `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" width="${number(w)}mm" height="${number(h)}mm" viewBox="0 0 ${number(w)} ${number(h)}"><title>${escaped(title)}</title>${groups.join('')}<g id="words">${names.join('')}</g></svg>\n`;
}

/** Straight edges as lines, bulged ones as arcs; y runs down here, so that anticlockwise is sweep 0. */
function drawnPath(shape: Path, at: (x: number, y: number) => string): string {
  const [[x0, y0] = [0, 0]] = shape.points;
  const edges = edgesOf(shape).map(([from, to, bulge]) => {
    const arc = edgeArc(from, to, bulge);
    if (!arc) return `L${at(...to)}`;
    const r = number(arc.r * 1000);
    const large = Math.abs(arc.turnRad) > Math.PI ? 1 : 0;
    return `A${r} ${r} 0 ${large} ${arc.turnRad > 0 ? 0 : 1} ${at(...to)}`;
  });
  return `M${at(x0, y0)}${edges.join('')}${shape.closed ? 'Z' : ''}`;
}

type Scale = (metres: number) => number;

function mark(shape: Shape, dx: number, dy: number, toX: Scale, toY: Scale): string {
  const at = (x: number, y: number) => `${number(toX(x + dx))} ${number(toY(y + dy))}`;
  switch (shape.kind) {
    case 'circle':
      return `<circle cx="${number(toX(shape.x + dx))}" cy="${number(toY(shape.y + dy))}" r="${number(shape.r * 1000)}"/>`;
    case 'polyline':
      return `<path d="${drawnPath(shape, at)}"/>`;
    case 'arc': {
      const on = (angle: number) =>
        at(shape.x + shape.r * Math.cos(angle), shape.y + shape.r * Math.sin(angle));
      const large = shape.to - shape.from > Math.PI ? 1 : 0;
      const r = number(shape.r * 1000);
      return `<path d="M${on(shape.from)}A${r} ${r} 0 ${large} 0 ${on(shape.to)}"/>`;
    }
    case 'text':
      return '';
  }
}
