import { useState } from 'react';
import { shutterText } from '@/core/frames/exposure';
import { FRAME_ROLES, type Frame } from '@/core/meter/framesRecord';
import type { Session } from '@/core/meter/session';
import { PictureInput } from '../../records/PictureInput';
import { SmallPicture } from '../../records/SmallPicture';
import { useProduction } from '../../store/context';
import { BuildCautions } from '../BuildCautions';
import type { Meter } from '../useMeter';
import { useAddFrames } from './useAddFrames';

const ROLE_NAMES: Record<Frame['role'], string> = {
  scene: 'of the scene',
  bracket: 'of a bracket',
  reference: 'reference, no bands',
};
const REASONS = [
  'the camera moved',
  'somebody was in the way',
  'exposed wrongly',
  'not this scene',
];

interface FrameListProps {
  session: Session;
  meter: Meter;
  pair: readonly [string | undefined, string | undefined];
  onPair: (first: string | null, second: string | null) => void;
}

const settingsText = ({ exposureS, fNumber, isoSpeed }: Frame): string =>
  [
    exposureS === null ? null : shutterText(exposureS),
    fNumber === null ? null : `f/${Number(fNumber.toFixed(1))}`,
    isoSpeed === null ? null : `ISO ${isoSpeed}`,
  ]
    .filter(Boolean)
    .join(', ') || 'it does not say how it was exposed';

/** Every frame with how it was exposed; which two are compared; what is struck out stays. */
export function FrameList({ session, meter, pair, onPair }: FrameListProps) {
  const builds = useProduction(({ document }) => document.builds);
  const pictures = useProduction(({ document }) => document.pictures);
  const { busy, problems, add, simulate } = useAddFrames(session, meter);
  const [buildId, setBuildId] = useState<string>(session.buildId ?? builds[0]?.id ?? '');
  const locked = session.closedAt !== null;
  const rows = Object.entries(session.frames.shots).toSorted(([, a], [, b]) => a.order - b.order);
  const set = (key: string, label: string, values: Partial<Frame>) =>
    void meter.frames(session, label, ({ shots }) => {
      Object.assign(shots[key]!, values);
    });
  return (
    <div className="grid gap-3 text-[13.5px]" data-adding={busy}>
      {!locked && (
        <>
          {session.buildId && <BuildCautions buildId={session.buildId} />}
          <PictureInput label="Put frames in" onAdd={(files) => void add(files)} />
          <p className="text-ink-soft">
            They stay on this machine. PNG, JPEG, WebP or AVIF, 25 MB at most.
          </p>
          {builds.length > 0 && (
            <p className="flex flex-wrap items-end gap-2">
              <label>
                In the light of
                <select
                  className="field"
                  value={buildId}
                  onChange={(event) => setBuildId(event.target.value)}
                >
                  {builds.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              </label>
              <button
                type="button"
                className="press"
                disabled={busy > 0}
                onClick={() => void simulate(buildId)}
              >
                Simulated camera
              </button>
            </p>
          )}
        </>
      )}
      {busy > 0 && <p role="status">Taking {busy === 1 ? 'a frame' : `${busy} frames`} in…</p>}
      {problems.length > 0 && (
        <ul role="alert" className="text-stop">
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      <ul className="grid gap-2">
        {rows.map(([key, frame]) => {
          const picture = pictures.find(({ id }) => id === frame.pictureId);
          const counts = frame.struck === null;
          return (
            <li key={key} className="flex gap-2 border-b border-line pb-2">
              {picture && (
                <SmallPicture
                  picture={picture}
                  alt={frame.name}
                  className="h-14 w-20 shrink-0 object-cover"
                />
              )}
              <div className="min-w-0 flex-1">
                <p className={`truncate ${counts ? 'font-semibold' : 'line-through'}`}>
                  {frame.name}
                </p>
                <p className="text-ink-soft">
                  {settingsText(frame)}
                  {frame.simulated && ', simulated'}
                </p>
                {!counts && <p>{frame.struck}</p>}
                <p className="mt-1 flex flex-wrap gap-1">
                  {counts && frame.role === 'scene' && (
                    <>
                      <button
                        type="button"
                        className="press !px-1.5 !py-0"
                        aria-pressed={pair[0] === key}
                        onClick={() =>
                          onPair(key, pair[1] === key ? (pair[0] ?? null) : (pair[1] ?? null))
                        }
                      >
                        Before
                      </button>
                      <button
                        type="button"
                        className="press !px-1.5 !py-0"
                        aria-pressed={pair[1] === key}
                        onClick={() =>
                          onPair(pair[0] === key ? (pair[1] ?? null) : (pair[0] ?? null), key)
                        }
                      >
                        After
                      </button>
                    </>
                  )}
                  {!locked && counts && (
                    <>
                      <select
                        className="field !w-auto text-[13px]"
                        aria-label={`What ${frame.name} is`}
                        value={frame.role}
                        onChange={(event) =>
                          set(key, 'what a frame is', { role: event.target.value as Frame['role'] })
                        }
                      >
                        {FRAME_ROLES.map((role) => (
                          <option key={role} value={role}>
                            {ROLE_NAMES[role]}
                          </option>
                        ))}
                      </select>
                      <select
                        className="field !w-24 text-[13px]"
                        aria-label={`Strike out ${frame.name}`}
                        value=""
                        onChange={(event) =>
                          set(key, 'a frame struck out', { struck: event.target.value })
                        }
                      >
                        <option value="" disabled>
                          Strike out…
                        </option>
                        {REASONS.map((reason) => (
                          <option key={reason}>{reason}</option>
                        ))}
                      </select>
                    </>
                  )}
                  {!locked && !counts && (
                    <button
                      type="button"
                      className="press !px-1.5 !py-0"
                      onClick={() => set(key, 'a frame counts again', { struck: null })}
                    >
                      Counts
                    </button>
                  )}
                </p>
              </div>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
