'use client';
import { useRef } from 'react';
import { toRadians } from '@/core/angle';
import { threeFigures } from '@/core/quantity';
import { usePixel } from './usePixel';

/** One way round the axis. */
export interface PolarLine {
  name: string;
  ink: string;
  dash?: string;
  /** degrees off the axis, to the left below zero, in order */
  points: readonly { angleDeg: number; value: number }[];
}

interface PolarPlotProps {
  lines: readonly PolarLine[];
  /** of the values, written at every ring */
  unit: string;
  /** what it shows, for those who hear it */
  label: string;
  /** single readings */
  dots?: readonly { angleDeg: number; value: number }[];
  /** where the next one is taken */
  pointerDeg?: number | null;
  /** all round, whatever goes backwards */
  whole?: boolean;
  /** its size on the sheet */
  className?: string;
}

/** Radius of the outermost ring, drawing units. */
const R = 200;
/** Height of all letters, and what the angles beside the rings take, pixels. */
const LETTER_PX = 12;
const WORD_PX = 34;
/** How much smaller the rings are drawn for the words beside them, about. */
const CROWDED = 1.2;
const SPOKE_DEG = 30;
/** What goes backwards counts from this share of the most on: less than a line's width. */
const BEHIND = 0.015;
const RINGS = 4;

/** A plot by angle with the axis straight up: rings of equal value and spokes of equal angle, both labelled. */
export function PolarPlot({
  lines,
  unit,
  label,
  dots = [],
  pointerDeg = null,
  whole = false,
  className = 'max-h-[clamp(240px,calc(100dvh-570px),620px)]',
}: PolarPlotProps) {
  const all = [...lines.flatMap(({ points }) => points), ...dots];
  const most = Math.max(...all.map(({ value }) => value), 1e-9);
  const step = roundStep(most / RINGS);
  const rings = Array.from({ length: Math.ceil(most / step - 1e-9) }, (_, k) => (k + 1) * step);
  const outer = rings.at(-1)!;
  const back =
    whole || all.some(({ angleDeg, value }) => Math.abs(angleDeg) > 90 && value > BEHIND * most);
  const at = (angleDeg: number, r: number) =>
    [r * Math.sin(toRadians(angleDeg)), -r * Math.cos(toRadians(angleDeg))] as const;
  const ends = back ? 180 : 90;
  const spokes: number[] = [];
  for (let angle = SPOKE_DEG - ends; angle <= ends; angle += SPOKE_DEG) spokes.push(angle);
  if (!back) spokes.unshift(-ends);
  const svg = useRef<SVGSVGElement>(null);
  // Letters take their room out of the drawing; its size in pixels follows from both.
  const pixel = usePixel(svg, 2 * R, back ? 2 * R : R) * CROWDED;
  const edge = WORD_PX * pixel;
  const low = back ? R + edge / 2 : edge / 2;
  return (
    <figure>
      <svg
        ref={svg}
        viewBox={`${-R - edge} ${-R - edge / 2} ${2 * R + 2 * edge} ${R + edge / 2 + low}`}
        className={`w-full ${className}`}
        role="img"
        aria-label={label}
        fontSize={LETTER_PX * pixel}
        fill="var(--ink-soft)"
      >
        <g fill="none" stroke="var(--line)">
          {rings.map((ring) => (
            <path key={ring} d={ringPath((R * ring) / outer, back)} />
          ))}
          {spokes.map((angle) => (
            <path key={angle} d={`M0 0 L${at(angle, R).join(' ')}`} />
          ))}
        </g>
        {spokes.map((angle) => {
          const [x, y] = at(angle, R + 4 * pixel);
          return (
            <text
              key={angle}
              x={x}
              y={y + (Math.abs(angle) > 90 ? 10 : Math.abs(angle) === 90 ? 4 : 0) * pixel}
              textAnchor={Math.abs(angle) % 180 === 0 ? 'middle' : angle < 0 ? 'end' : 'start'}
            >
              {Math.abs(angle)}°
            </text>
          );
        })}
        {lines.map(({ name, ink, dash, points }) => (
          <path
            key={name}
            d={`M${points
              .filter(({ angleDeg }) => Math.abs(angleDeg) <= ends)
              .map(({ angleDeg, value }) => at(angleDeg, (R * value) / outer).join(' '))
              .join(' L')}`}
            fill="none"
            stroke={ink}
            strokeWidth="2.2"
            strokeDasharray={dash}
            strokeLinejoin="round"
          />
        ))}
        {dots.map(({ angleDeg, value }, k) => {
          const [cx, cy] = at(angleDeg, (R * value) / outer);
          return <circle key={k} cx={cx} cy={cy} r={3 * pixel} fill="var(--brass)" />;
        })}
        {pointerDeg !== null && (
          <path
            data-pointer={pointerDeg}
            d={`M0 0 L${at(pointerDeg, R).join(' ')}`}
            stroke="var(--brass)"
            strokeWidth={3 * pixel}
            strokeLinecap="round"
          />
        )}
        {rings.map((ring) => {
          // Along a spoke of its own, so that no curve of a narrow light runs through the figures.
          const [x, y] = at(75, (R * ring) / outer);
          return (
            <text
              key={ring}
              x={x}
              y={y + 4 * pixel}
              textAnchor="middle"
              className="figure"
              fill="var(--ink)"
              stroke="var(--sheet)"
              strokeWidth={4 * pixel}
              paintOrder="stroke"
            >
              {threeFigures(ring)}
              {ring === outer && ` ${unit}`}
            </text>
          );
        })}
      </svg>
      <figcaption className="flex justify-center gap-5 text-[13px]">
        {lines.map(({ name, ink, dash }) => (
          <span key={name} className="flex items-center gap-1.5">
            <svg width="26" height="8" aria-hidden>
              <path d="M0 4 H26" stroke={ink} strokeWidth="2.2" strokeDasharray={dash} />
            </svg>
            {name}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}

const ringPath = (r: number, whole: boolean): string =>
  whole
    ? `M${-r} 0 A${r} ${r} 0 1 1 ${r} 0 A${r} ${r} 0 1 1 ${-r} 0`
    : `M${-r} 0 A${r} ${r} 0 0 1 ${r} 0`;

/** The next of 1, 2, 2.5, 5 times a power of ten. */
function roundStep(least: number): number {
  const power = 10 ** Math.floor(Math.log10(least));
  return [1, 2, 2.5, 5, 10].map((each) => each * power).find((each) => each >= least - 1e-12)!;
}
