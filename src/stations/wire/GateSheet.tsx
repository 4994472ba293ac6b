'use client';
import { useState } from 'react';
import { nanoid } from 'nanoid';
import { addRecord } from '@/core/document/edit';
import { signedState } from '@/core/evaluate/signedState';
import { signOffSchema, type Build } from '@/core/document/production';
import type { Finding } from '@/core/findings/finding';
import { gateOf, LOOK_OVER } from '@/core/power/wire';
import { FieldFrame } from '@/ui/fields/FieldFrame';
import { FindingItem } from '../shell/FindingItem';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { useWorkplace } from '../shell/useWorkplace';

/** What must be so before the first power-up, and who has looked. */
export default function GateSheet({
  build,
  findings,
}: {
  build: Build;
  findings: readonly Finding[];
}) {
  const { open, stops, unknown } = gateOf(findings);
  const document = useProduction((state) => state.document);
  const { derivations } = useWorkplace();
  const state = signedState(document, build, derivations);
  return (
    <div className="grid grid-cols-2 gap-5 max-lg:grid-cols-1">
      <section>
        <h2 className="text-lg">{open ? 'The gate is open' : 'The gate is shut'}</h2>
        <p className="text-sm">
          {open
            ? 'No stop among the checks made here. That is not the same as harmless: have a competent person look it over.'
            : 'Do not plug it in. Change the design until no stop is left:'}
        </p>
        <ul>
          {stops.map((finding) => (
            <FindingItem key={finding.id} finding={finding} build={build} />
          ))}
        </ul>
        {unknown.length > 0 && (
          <>
            <h3 className="mt-3 text-base">Not known: look it up or measure</h3>
            <ul>
              {unknown.map((finding) => (
                <FindingItem key={finding.id} finding={finding} build={build} />
              ))}
            </ul>
          </>
        )}
        <Signed build={build} now={state} />
      </section>
      <LookOver key={state} build={build} state={state} open={open} />
    </div>
  );
}

/** Earlier looks; those at another design no longer count. */
function Signed({ build, now }: { build: Build; now: string }) {
  if (build.signOffs.length === 0) return null;
  return (
    <>
      <h3 className="mt-3 text-base">Signed off</h3>
      <ul className="text-sm">
        {build.signOffs.map(({ id, name, date, checked, design }) => (
          <li
            key={id}
            data-sign-off={design === now ? 'holds' : 'stale'}
            className="border-b border-line py-1"
          >
            {name}, {date}, {checked.length} points.{' '}
            {design === now
              ? 'Holds for this design and circuit.'
              : 'The design, its parts or its circuit have changed since: have it looked over again.'}
          </li>
        ))}
      </ul>
    </>
  );
}

function LookOver({ build, state, open }: { build: Build; state: string; open: boolean }) {
  const edits = useEdits();
  const { say } = useSession();
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [name, setName] = useState('');
  const all = ticked.size === LOOK_OVER.length;
  const why = !open
    ? 'Not while a stop is open.'
    : !all
      ? `${LOOK_OVER.length - ticked.size} points left to look at.`
      : name.trim() === ''
        ? 'Type the name of who looked.'
        : null;
  const sign = () => {
    const record = signOffSchema.parse({
      id: nanoid(8),
      name: name.trim(),
      date: new Date().toISOString().slice(0, 10),
      checked: [...LOOK_OVER],
      design: state,
    });
    edits.make(`sign off ${build.name}`, addRecord({ kind: 'signOff', of: build.id }, record));
    say(`Signed off by ${record.name}.`);
  };
  const toggle = (point: string) => {
    const next = new Set(ticked);
    if (!next.delete(point)) next.add(point);
    setTicked(next);
  };
  return (
    <section>
      <h2 className="text-lg">Looked over by a competent person</h2>
      <ol className="my-2 grid gap-1.5 text-sm">
        {LOOK_OVER.map((point) => (
          <li key={point}>
            <label className="flex gap-2">
              <input
                type="checkbox"
                className="mt-1 accent-brass"
                checked={ticked.has(point)}
                onChange={() => toggle(point)}
              />
              {point}
            </label>
          </li>
        ))}
      </ol>
      <FieldFrame label="Name of who looked">
        {({ id }) => (
          <input
            id={id}
            className="field"
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        )}
      </FieldFrame>
      <p className="mt-3 flex flex-wrap items-center gap-3">
        <button type="button" className="press press-main" disabled={why !== null} onClick={sign}>
          Sign off
        </button>
        <span role="status" className="text-[13px] text-ink-soft">
          {why ?? 'Their name and today’s date are kept with the design.'}
        </span>
      </p>
      <p className="mt-3 text-[13px] text-ink-soft">
        First power-up through an RCD (GFCI), hands off, on something that does not burn; then a
        look after ten minutes and after an hour. Nobody works on it while it is plugged in.
      </p>
    </section>
  );
}
