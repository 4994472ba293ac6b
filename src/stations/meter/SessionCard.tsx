'use client';
import { useMemo } from 'react';
import { toRadians } from '@/core/angle';
import { differences } from '@/core/meter/differences';
import type { Session } from '@/core/meter/session';
import { layerResult, sweepResult } from '@/core/meter/working';
import { threeFigures } from '@/core/quantity';
import { KIND_NAMES } from './kindNames';

interface SessionCardProps {
  session: Session;
  before: Session | null;
  open: boolean;
  onOpen: () => void;
}

/** What it came to, in a word and as a small picture: the light round its axis, or how much comes through. */
function resultOf(session: Session): { words: string; path: string | null } {
  if (session.kind === 'sweep') {
    const found = sweepResult(session);
    if (!found.ok) return { words: 'not yet', path: null };
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
  const found = layerResult(session);
  if (!found.ok) return { words: 'not yet', path: null };
  const { tau } = found.value;
  return {
    words: `${(100 * tau).toFixed(1)} % through`,
    path: `M6 30 V${(30 - 26 * tau).toFixed(1)} H26 V30 Z`,
  };
}

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
