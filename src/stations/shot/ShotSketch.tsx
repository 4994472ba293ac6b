'use client';
import { useRef } from 'react';
import { DEGREE } from '@/core/angle';
import { JUDGED, type Use } from '@/core/location/use';
import type { Shot } from '@/core/location/shot';
import { show, showText, type UnitSystem } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { usePlace } from '@/ui/drawing/usePixel';

/** Round the plan, pixels. */
const MARGIN = 34;
/** Where a camera usually stands: beside the light, this far off the line to it [common practice]. */
const CAMERA_RAD = 28 * DEGREE;
const LEAST_CAMERA_M = 1;
/** Steps a scale bar may have, metres; and feet. */
const BARS = {
  metric: [0.1, 0.2, 0.5, 1, 2, 5, 10],
  imperial: [0.3048, 0.6096, 1.524, 3.048, 6.096],
};

interface Plan {
  /** from metres off the subject (towards the light, and to its left) to the drawing */
  x: (metres: number) => number;
  y: (metres: number) => number;
  scale: number;
}

const frontM = ({ softnessDeg, distanceM }: Shot): number =>
  2 * Math.tan(Math.min(softnessDeg, 160) * DEGREE * 0.5) * distanceM;
const cameraM = ({ distanceM }: Shot): number => Math.max(LEAST_CAMERA_M, distanceM);

/** The largest scale at which light, camera and what is lit all lie on the paper. */
function planOf(shot: Shot, wide: number, high: number): Plan {
  const behind = Math.max(0.35, shot.coverageWidthM * 0.12);
  const along = Math.max(shot.distanceM, cameraM(shot) * Math.cos(CAMERA_RAD)) + 0.15;
  const left = Math.max(frontM(shot) / 2, shot.coverageWidthM / 2, 0.3);
  const right = Math.max(left, cameraM(shot) * Math.sin(CAMERA_RAD) + 0.3);
  const scale = Math.min(
    (wide - 2 * MARGIN) / (along + behind),
    (high - 2 * MARGIN) / (left + right),
  );
  const spare = Math.max(0, wide - 2 * MARGIN - (along + behind) * scale);
  const subjectX = wide - MARGIN - behind * scale - spare / 2;
  const middle = MARGIN + left * scale + (high - 2 * MARGIN - (left + right) * scale) / 2;
  return { scale, x: (m) => subjectX - m * scale, y: (m) => middle + m * scale };
}

/** Light, camera and what is lit from above, to scale. */
export function ShotSketch({ shot }: { shot: Shot }) {
  const { units } = useDevice();
  const svg = useRef<SVGSVGElement>(null);
  const { width: wide, height: high } = usePlace(svg);
  const plan = planOf(shot, wide, high);
  const { x, y, scale } = plan;
  const length = (metres: number) => showText(show(metres, 'length', units));
  const half = Math.max(0.03, frontM(shot) / 2);
  const light = x(shot.distanceM);
  return (
    <figure className="flex min-h-0 flex-col">
      <svg
        ref={svg}
        viewBox={`0 0 ${wide} ${high}`}
        className="h-0 min-h-[170px] w-full flex-1"
        role="img"
        aria-label={`From above: light ${length(shot.distanceM)} from ${JUDGED[shot.use].subject}, filling ${Math.round(shot.softnessDeg)} degrees; ${length(shot.coverageWidthM)} are lit; the camera beside it`}
        fontSize="13"
        fill="var(--ink)"
      >
        <defs>
          <linearGradient
            id="plan-glow"
            x1={light}
            x2={x(0)}
            y1="0"
            y2="0"
            gradientUnits="userSpaceOnUse"
          >
            <stop offset="0" stopColor="var(--glow)" stopOpacity="0.75" />
            <stop offset="1" stopColor="var(--glow)" stopOpacity="0.22" />
          </linearGradient>
        </defs>
        <path
          d={`M${light} ${y(-half)} L${x(0)} ${y(-shot.coverageWidthM / 2)} V${y(shot.coverageWidthM / 2)} L${light} ${y(half)} Z`}
          fill="url(#plan-glow)"
        />
        <path
          d={`M${x(0)} ${y(0)} L${light} ${y(-half)} M${x(0)} ${y(0)} L${light} ${y(half)}`}
          stroke="var(--brass)"
          strokeDasharray="2 4"
        />
        <Subject use={shot.use} widthM={shot.coverageWidthM} plan={plan} />
        <path
          d={`M${light} ${y(-half)} V${y(half)}`}
          stroke="var(--brass)"
          strokeWidth="7"
          strokeLinecap="round"
        />
        <Camera shot={shot} plan={plan} />
        {/* Without a softness to reach any size will do. */}
        {shot.softnessDeg >= 1 && (
          <text x={light + 12} y={y(0) - 6} fill="var(--ink-soft)">
            {Math.round(shot.softnessDeg)}° wide
          </text>
        )}
        <Span x1={light} x2={x(0)} y={high - 12} words={length(shot.distanceM)} />
        <ScaleBar scale={scale} units={units} most={wide / 4} />
      </svg>
      <figcaption className="text-[13px] text-ink-soft">From above, to scale</figcaption>
    </figure>
  );
}

/** A head and shoulders, a wall, a page: what the use says. */
function Subject({ use, widthM, plan: { x, y, scale } }: { use: Use; widthM: number; plan: Plan }) {
  const lit = (
    <path
      d={`M${x(0)} ${y(-widthM / 2)} V${y(widthM / 2)}`}
      stroke={use === 'green' ? 'var(--ok)' : 'var(--ink)'}
      strokeWidth={JUDGED[use].person ? 1.5 : 4}
      strokeDasharray={JUDGED[use].person ? '5 3' : undefined}
    />
  );
  if (!JUDGED[use].person) return lit;
  // A grown head is some 15 cm wide and 19 cm deep, shoulders 45 cm [typ].
  return (
    <g stroke="var(--ink)" strokeWidth="1.5">
      {lit}
      <ellipse cx={x(-0.1)} cy={y(0)} rx={0.11 * scale} ry={0.225 * scale} fill="var(--paper)" />
      <ellipse cx={x(-0.06)} cy={y(0)} rx={0.095 * scale} ry={0.075 * scale} fill="var(--raised)" />
      <path
        d={`M${x(0.03)} ${y(-0.016)} L${x(0.055)} ${y(0)} L${x(0.03)} ${y(0.016)}`}
        fill="var(--raised)"
      />
    </g>
  );
}

/** The camera, turned to what is lit, with its stop and speed. */
function Camera({ shot, plan: { x, y } }: { shot: Shot; plan: Plan }) {
  const away = cameraM(shot);
  const [cx, cy] = [x(away * Math.cos(CAMERA_RAD)), y(away * Math.sin(CAMERA_RAD))];
  const turn = (Math.atan2(y(0) - cy, x(0) - cx) * 180) / Math.PI;
  return (
    <g>
      <path
        d={`M${cx} ${cy} L${x(0)} ${y(0)}`}
        stroke="var(--ink-soft)"
        strokeDasharray="1 5"
        strokeLinecap="round"
      />
      <g transform={`translate(${cx} ${cy}) rotate(${turn})`} stroke="var(--ink)" strokeWidth="1.5">
        <rect x="-20" y="-9" width="22" height="18" rx="2" fill="var(--raised)" />
        <path d="M2 -6 L11 -9 V9 L2 6 Z" fill="var(--paper)" />
        <circle cx="-12" cy="0" r="3" fill="none" />
      </g>
      <text x={cx} y={cy + 24} textAnchor="middle" fill="var(--ink-soft)">
        ISO {shot.isoSpeed}, f/{shot.fNumber}
      </text>
    </g>
  );
}

function Span({ x1, x2, y, words }: { x1: number; x2: number; y: number; words: string }) {
  return (
    <g>
      <path
        d={`M${x1} ${y} H${x2} M${x1 - 4} ${y + 4} l8 -8 M${x2 - 4} ${y + 4} l8 -8`}
        stroke="var(--ink-soft)"
        fill="none"
      />
      <text x={(x1 + x2) / 2} y={y - 5} textAnchor="middle" className="figure">
        {words}
      </text>
    </g>
  );
}

interface ScaleBarProps {
  scale: number;
  units: UnitSystem;
  /** pixels */
  most: number;
}

/** A bar of a round length, about a fifth of the paper. */
function ScaleBar({ scale, units, most }: ScaleBarProps) {
  const bar = BARS[units].findLast((metres) => metres * scale <= most) ?? BARS[units][0]!;
  return (
    <g aria-hidden>
      <path d={`M12 14 v6 h${bar * scale} v-6`} stroke="var(--ink)" fill="none" />
      <text x={18 + bar * scale} y={21}>
        {showText(show(bar, 'length', units))}
      </text>
    </g>
  );
}
