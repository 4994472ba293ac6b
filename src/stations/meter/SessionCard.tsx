'use client';
import { useMemo } from 'react';
import { toRadians } from '@/core/angle';
import { differences } from '@/core/meter/differences';
import { ELECTRIC_NAMES } from '@/core/meter/electric';
import type { ElectricId, Session, SessionKind } from '@/core/meter/session';
import { electricOf, layerResult, pointsOf, sweepResult, warmOf } from '@/core/meter/working';
import { threeFigures } from '@/core/quantity';
import { KIND_NAMES } from './kindNames';

interface SessionCardProps {
  session: Session;
  before: Session | null;
  open: boolean;
  onOpen: () => void;
}

interface Small {
  words: string;
  path: string | null;
}

function sweepSmall(session: Session): Small | null {
  const found = sweepResult(session);
  if (!found.ok) return null;
  const { mean, luminousFluxLm } = found.value.sweep;
  const most = Math.max(...mean.map(({ cd }) => cd), 1e-9);
  const at = (angleDeg: number, cd: number) => {
    const r = (15 * cd) / most;
    const angle = toRadians(angleDeg);
    return `${(16 + r * Math.sin(angle)).toFixed(1)} ${(16 - r * Math.cos(angle)).toFixed(1)}`;
  };
  const right = mean.map(({ angleDeg, cd }) => at(angleDeg, cd));
  const left = mean.map(({ angleDeg, cd }) => at(-angleDeg, cd)).toReversed();
  return {
    words: `${threeFigures(luminousFluxLm)} lm`,
    path: `M${[...left, ...right].join(' L')} Z`,
  };
}

function layerSmall(session: Session): Small | null {
  const found = layerResult(session);
  if (!found.ok) return null;
  const { tau } = found.value;
  return {
    words: `${(100 * tau).toFixed(1)} % through`,
    path: `M6 30 V${(30 - 26 * tau).toFixed(1)} H26 V30 Z`,
  };
}

/** The plane, each place as a dot as large as its light. */
function pointsSmall(session: Session): Small | null {
  const found = pointsOf(session);
  if (!found) return null;
  const { points } = session;
  const wide = Math.max(
    0.1,
    ...points.flatMap(({ xM, yM }) => [2 * Math.abs(xM), 2 * Math.abs(yM)]),
  );
  const most = Math.max(...found.points.map(({ lx }) => lx), 1e-9);
  const dots = found.points.map(({ point, lx }) => {
    const r = 1 + 3.4 * (Math.max(0, lx) / most);
    const [x, y] = [16 + (22 * point.xM) / wide, 16 - (22 * point.yM) / wide];
    return `M${(x - r).toFixed(1)} ${y.toFixed(1)} a${r.toFixed(1)} ${r.toFixed(1)} 0 1 0 ${(2 * r).toFixed(1)} 0 a${r.toFixed(1)} ${r.toFixed(1)} 0 1 0 ${(-2 * r).toFixed(1)} 0 Z`;
  });
  return { words: `${threeFigures(found.meanLx)} lx`, path: dots.join(' ') };
}

function framesSmall({ frames, readings }: Session): Small | null {
  const count = Object.values(frames.shots).filter(({ struck }) => struck === null).length;
  const lux = Object.values(readings).findLast(
    ({ place, struck }) => place.kind === 'card' && struck === null,
  );
  if (count === 0) return null;
  return {
    words: `${count === 1 ? 'one frame' : `${count} frames`}${lux ? `, ${threeFigures(lux.value)} lx` : ''}`,
    path: 'M3 8 H29 V24 H3 Z M3 20 L11 13 L17 19 L22 15 L29 21',
  };
}

function electricSmall(session: Session): Small | null {
  const { read } = electricOf(session, null);
  const [first] = Object.entries(read) as [ElectricId, { value: number }][];
  if (!first) return null;
  return {
    words: `${threeFigures(first[1].value)} ${ELECTRIC_NAMES[first[0]].unit}`,
    path: 'M18 3 L8 18 H15 L13 29 L24 13 H17 Z',
  };
}

function warmSmall(session: Session): Small | null {
  const things = warmOf(session);
  if (things.length === 0) return null;
  const hottest = Math.max(...things.map(({ celsius }) => celsius));
  return { words: `up to ${threeFigures(hottest)} °C`, path: 'M14 4 H18 V19 A6 6 0 1 1 14 19 Z' };
}

const spectrumSmall = ({ spectrum }: Session): Small | null =>
  spectrum && { words: 'read from a file', path: 'M3 28 Q8 4 13 20 Q19 0 29 26' };

const SMALL: Record<SessionKind, (session: Session) => Small | null> = {
  sweep: sweepSmall,
  layer: layerSmall,
  points: pointsSmall,
  frames: framesSmall,
  electric: electricSmall,
  warm: warmSmall,
  spectrum: spectrumSmall,
};

/** What it came to, in a word and as a small picture. */
const resultOf = (session: Session): Small =>
  SMALL[session.kind](session) ?? { words: 'not yet', path: null };

/** A session at the left: its result, small, and what differs from the one before. */
export function SessionCard({ session, before, open, onOpen }: SessionCardProps) {
  const { words, path } = useMemo(() => resultOf(session), [session]);
  const other = before && before.kind === session.kind ? differences(session, before) : [];
  return (
    <li>
      <button
        type="button"
        aria-current={open ? 'true' : undefined}
        className={`w-full border border-line p-2 text-left text-[13.5px] hover:bg-brass-wash ${open ? 'bg-brass-wash' : ''}`}
        onClick={onOpen}
      >
        <span className="flex items-start gap-2">
          <span className="flex-1">
            <span className="block font-semibold">{session.name}</span>
            <span className="figure">{words}</span>
          </span>
          {path && (
            <svg viewBox="0 0 32 32" width="36" height="36" aria-hidden className="shrink-0">
              {session.kind === 'layer' && (
                <path d="M6 4 V30 H26 V4" fill="none" stroke="var(--line-strong)" />
              )}
              <path d={path} fill="var(--glass)" stroke="var(--brass)" strokeWidth="1.2" />
            </svg>
          )}
        </span>
        <span className="block text-ink-soft">
          {KIND_NAMES[session.kind].toLowerCase()}, {session.startedAt.slice(0, 10)}
        </span>
        {other.length > 0 && (
          <span className="block text-ink-soft">
            Unlike the one before: {other.slice(0, 2).join('; ')}.
          </span>
        )}
      </button>
    </li>
  );
}
