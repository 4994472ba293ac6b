'use client';
import { contours } from 'd3-contour';
import { useEffect, useMemo, useRef } from 'react';
import { stopsFigure } from '@/core/quantity';
import { savePng } from './paint';
import { StopsScale } from './StopsScale';
import { stopsRgb } from './stopsColour';

interface StopsMapProps {
  title: string;
  /** row by row from the top left; null where there is nothing */
  values: readonly (number | null)[];
  columns: number;
  rows: number;
  /** value of 0 stops */
  reference: number;
  scaleWords: string;
  /** lines drawn, in stops */
  lines: readonly number[];
  /** width over height of what is mapped */
  aspect: number;
  fileName: string;
  /** a value as the figures in the map and the table write it */
  write: (value: number) => string;
}

const EDGE = 640;
/** Figures across and down a map. */
const FIGURES = { across: 5, down: 4 };

/** False colour in stops with contour lines and figures; the same as a table under it. */
export function StopsMap(props: StopsMapProps) {
  const { title, values, columns, rows, reference, lines, aspect, scaleWords, fileName, write } =
    props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const [width, height] =
    aspect >= 1 ? [EDGE, Math.round(EDGE / aspect)] : [Math.round(EDGE * aspect), EDGE];
  const stops = useMemo(
    () =>
      values.map((value) => (value === null ? null : Math.log2(Math.max(value, 1e-9) / reference))),
    [values, reference],
  );
  useEffect(() => {
    if (canvas.current) drawMap(canvas.current, { stops, values, columns, rows, lines, write });
  }, [stops, values, columns, rows, lines, write, width, height]);
  return (
    <figure className="grid gap-1">
      <canvas
        ref={canvas}
        width={width}
        height={height}
        role="img"
        aria-label={`${title}; the table below holds the same figures`}
        data-map
        className="mx-auto max-h-[max(320px,calc(100dvh-440px))] max-w-full"
      />
      <StopsScale words={scaleWords} />
      <figcaption className="flex flex-wrap items-center justify-center gap-3 text-[12.5px] text-ink-soft">
        {title}
        <button
          type="button"
          className="press !min-h-0 !py-0.5"
          onClick={() => canvas.current && savePng(canvas.current, fileName)}
        >
          Save as PNG
        </button>
      </figcaption>
      <MapTable {...props} />
    </figure>
  );
}

interface Drawn {
  stops: readonly (number | null)[];
  values: readonly (number | null)[];
  columns: number;
  rows: number;
  lines: readonly number[];
  write: (value: number) => string;
}

function drawMap(canvas: HTMLCanvasElement, map: Drawn): void {
  const { stops, columns, rows, lines } = map;
  const context = canvas.getContext('2d')!;
  const { width, height } = canvas;
  context.clearRect(0, 0, width, height);
  const image = new ImageData(columns, rows);
  stops.forEach((value, k) => {
    if (value === null) return;
    image.data.set([...stopsRgb(value), 255], k * 4);
  });
  const small = document.createElement('canvas');
  small.width = columns;
  small.height = rows;
  small.getContext('2d')!.putImageData(image, 0, 0);
  context.imageSmoothingEnabled = stops.every((value) => value !== null);
  context.imageSmoothingQuality = 'high';
  context.drawImage(small, 0, 0, width, height);
  const traced = contours()
    .size([columns, rows])
    .thresholds([...lines]);
  context.lineWidth = 1.25;
  context.strokeStyle = 'rgba(20,16,10,0.75)';
  for (const { coordinates } of traced(filled(stops, columns)))
    for (const polygon of coordinates)
      for (const ring of polygon) {
        context.beginPath();
        ring.forEach(([x, y], k) => {
          const [px, py] = [(x! / columns) * width, (y! / rows) * height];
          if (k) context.lineTo(px, py);
          else context.moveTo(px, py);
        });
        context.stroke();
      }
  const [cellW, cellH] = [width / columns, height / rows];
  stops.forEach((value, k) => {
    if (value === null)
      context.clearRect((k % columns) * cellW, Math.floor(k / columns) * cellH, cellW, cellH);
  });
  drawFigures(context, map);
}

/** Empty cells take the nearest value of their row, so that no contour runs along the edge. */
function filled(stops: readonly (number | null)[], columns: number): number[] {
  return stops.map((value, k) => {
    if (value !== null) return value;
    const row = k - (k % columns);
    for (let away = 1; away < columns; away++)
      for (const at of [k - away, k + away])
        if (at >= row && at < row + columns && stops[at] != null) return stops[at];
    return 0;
  });
}

function drawFigures(context: CanvasRenderingContext2D, map: Drawn): void {
  const { stops, values, columns, rows, write } = map;
  const { width, height } = context.canvas;
  context.font = '600 13px "Spline Sans Mono", monospace';
  context.textAlign = 'center';
  context.textBaseline = 'middle';
  for (const [column, row] of places(columns, rows)) {
    const at = row * columns + column;
    const value = values[at];
    const own = stops[at];
    if (value == null || own == null) continue;
    const [r, g, b] = stopsRgb(own);
    context.fillStyle = 0.3 * r + 0.6 * g + 0.1 * b > 120 ? '#1a140c' : '#fbf7ee';
    context.fillText(
      write(value),
      ((column + 0.5) / columns) * width,
      ((row + 0.5) / rows) * height,
    );
  }
}

/** Cells whose figures are written, the middle one among them. */
function places(columns: number, rows: number): [number, number][] {
  const spread = (count: number, cells: number) =>
    Array.from({ length: count }, (_, k) => Math.floor(((k + 0.5) / count) * cells));
  return spread(FIGURES.down, rows).flatMap((row) =>
    spread(FIGURES.across, columns).map((column): [number, number] => [column, row]),
  );
}

function MapTable({ title, values, columns, rows, reference, write }: StopsMapProps) {
  return (
    <details className="text-sm">
      <summary>As a table</summary>
      <table className="rows tight">
        <caption className="sr-only">{title}</caption>
        <tbody>
          {Array.from({ length: FIGURES.down }, (_, line) => (
            <tr key={line}>
              {places(columns, rows)
                .slice(line * FIGURES.across, (line + 1) * FIGURES.across)
                .map(([column, row]) => {
                  const value = values[row * columns + column];
                  return (
                    <td key={column} className="num">
                      {value == null
                        ? '–'
                        : `${write(value)} (${stopsFigure(Math.log2(Math.max(value, 1e-9) / reference))})`}
                    </td>
                  );
                })}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
