'use client';
import { changedSince, signedPoints } from '@/core/evaluate/signedState';
import { holds } from '@/core/evaluate/signing';
import type { Build } from '@/core/document/production';
import { useProduction } from '../store/context';
import { useWorkplace } from '../shell/useWorkplace';

interface SignedOffProps {
  build: Build;
  /** mark of what stands there now */
  now: string;
  shut: boolean;
}

/** Changes told of one sign-off; more would be a change of everything. */
const MOST_TOLD = 6;

/** Every look so far, the newest first; one at another state no longer counts and says what changed since. */
export function SignedOff({ build, now, shut }: SignedOffProps) {
  const document = useProduction((state) => state.document);
  const { derivations } = useWorkplace();
  if (build.signOffs.length === 0) return null;
  const points = signedPoints(document, build, derivations);
  return (
    <>
      <h3 className="mt-3 text-base">Signed off</h3>
      <ul className="text-sm">
        {build.signOffs.toReversed().map((signOff) => {
          const { id, name, date, copy, seen } = signOff;
          const counts = holds(signOff, build, now) && !shut;
          return (
            <li
              key={id}
              data-sign-off={counts ? 'holds' : 'stale'}
              className="border-b border-line py-1"
            >
              {build.copies > 1 && `Copy ${copy}: `}
              {name}, {date}.{' '}
              {counts
                ? 'Holds for what stands there now.'
                : shut
                  ? 'Does not count while the gate is shut.'
                  : 'No longer counts: have it looked over again.'}
              {!counts && <Since lines={changedSince(seen, points)} known={seen} />}
            </li>
          );
        })}
      </ul>
    </>
  );
}

function Since({ lines, known }: { lines: readonly string[]; known: object }) {
  // One from before this was kept cannot say it.
  if (Object.keys(known).length === 0 || lines.length === 0) return null;
  return (
    <ul className="mt-0.5 list-disc pl-5 text-[13px] text-ink-soft" aria-label="Changed since">
      {lines.slice(0, MOST_TOLD).map((line) => (
        <li key={line}>{line}</li>
      ))}
      {lines.length > MOST_TOLD && <li>and {lines.length - MOST_TOLD} more</li>}
    </ul>
  );
}
