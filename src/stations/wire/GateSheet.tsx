'use client';
import { useState } from 'react';
import { nanoid } from 'nanoid';
import { addRecord } from '@/core/document/edit';
import { seenOf, signedPoints, signedState } from '@/core/evaluate/signedState';
import { holds, type PowerUp } from '@/core/evaluate/signing';
import { signOffSchema, type Build } from '@/core/document/production';
import { gateOf, LOOK_OVER } from '@/core/power/wire';
import { FieldFrame } from '@/ui/fields/FieldFrame';
import type { AtHand } from '../build/WithBuild';
import { FindingItem } from '../shell/FindingItem';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { useWorkplace } from '../shell/useWorkplace';
import { SignedOff } from './SignedOff';
import { StepsBefore } from './StepsBefore';
import { usePowerUp } from './usePowerUp';

const GATE: Record<PowerUp['state'], { title: string; words: string }> = {
  shut: {
    title: 'The gate is shut',
    words:
      'Do not plug it in. Change the design until no stop is left and what is missing is known:',
  },
  'look over': {
    title: 'Waiting to be looked over',
    words:
      'No stop among the checks made here. That is not the same as harmless: a competent person looks over the built light, point by point, every copy of it.',
  },
  open: {
    title: 'The gate is open',
    words:
      'No stop among the checks made here, and every copy was looked over as it stands. Change anything, and it is to be looked over again.',
  },
};

/** What must be so before the first power-up, and who has looked. */
export default function GateSheet({ build, readouts }: AtHand) {
  const { open, stops, missing, unknown } = gateOf(readouts.findings);
  const { state: gate } = usePowerUp(build, readouts);
  const document = useProduction((state) => state.document);
  const { derivations } = useWorkplace();
  const state = signedState(document, build, derivations);
  return (
    <div className="grid grid-cols-2 gap-5 max-lg:grid-cols-1">
      <section>
        <h2 className="text-lg">{GATE[gate].title}</h2>
        <p className="text-sm">{GATE[gate].words}</p>
        <ul>
          {[...stops, ...missing].map((finding) => (
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
        <SignedOff build={build} now={state} shut={!open} />
        <StepsBefore readouts={readouts} />
      </section>
      <LookOver key={state} build={build} state={state} open={open} />
    </div>
  );
}

/** What still keeps it from being signed off; null when nothing does. */
function missing(open: boolean, ticked: number, name: string): string | null {
  if (!open) return 'Not while the gate is shut.';
  if (ticked < LOOK_OVER.length) return `${LOOK_OVER.length - ticked} points left to look at.`;
  return name.trim() === '' ? 'Type the name of who looked.' : null;
}

interface PointsProps {
  ticked: ReadonlySet<string>;
  onTick: (ticked: ReadonlySet<string>) => void;
}

function Points({ ticked, onTick }: PointsProps) {
  const toggle = (point: string) => {
    const next = new Set(ticked);
    if (!next.delete(point)) next.add(point);
    onTick(next);
  };
  return (
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
  );
}

/** The first copy nobody has looked over as it stands. */
function nextCopy(build: Build, state: string): number {
  const done = new Set(
    build.signOffs.filter((signOff) => holds(signOff, build, state)).map(({ copy }) => copy),
  );
  const left = Array.from({ length: build.copies }, (_, k) => k + 1).find((k) => !done.has(k));
  return left ?? 1;
}

interface CopyChoiceProps {
  copies: number;
  copy: number;
  onChoose: (copy: number) => void;
}

const CopyChoice = ({ copies, copy, onChoose }: CopyChoiceProps) => (
  <FieldFrame label="Which copy">
    {({ id }) => (
      <select
        id={id}
        className="field"
        value={copy}
        onChange={(event) => onChoose(Number(event.target.value))}
      >
        {Array.from({ length: copies }, (_, k) => (
          <option key={k} value={k + 1}>
            {k + 1} of {copies}
          </option>
        ))}
      </select>
    )}
  </FieldFrame>
);

interface LookOverProps {
  build: Build;
  state: string;
  open: boolean;
}

function LookOver({ build, state, open }: LookOverProps) {
  const edits = useEdits();
  const { say } = useSession();
  const document = useProduction((now) => now.document);
  const { derivations } = useWorkplace();
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [name, setName] = useState('');
  const [chosen, setChosen] = useState<number | null>(null);
  const copy = chosen ?? nextCopy(build, state);
  const why = missing(open, ticked.size, name);
  const sign = () => {
    const record = signOffSchema.parse({
      id: nanoid(8),
      name: name.trim(),
      date: new Date().toISOString().slice(0, 10),
      checked: [...LOOK_OVER],
      copy,
      design: state,
      seen: seenOf(signedPoints(document, build, derivations)),
    });
    edits.make(`sign off ${build.name}`, addRecord({ kind: 'signOff', of: build.id }, record));
    say(`Signed off by ${record.name}${build.copies > 1 ? `, copy ${copy}` : ''}.`);
    // Every copy is looked at by itself.
    setTicked(new Set());
    setChosen(null);
  };
  return (
    <section>
      <h2 className="text-lg">Looked over by a competent person</h2>
      {build.copies > 1 && (
        <CopyChoice
          copies={build.copies}
          copy={copy}
          onChoose={(next) => {
            setChosen(next);
            setTicked(new Set());
          }}
        />
      )}
      <Points ticked={ticked} onTick={setTicked} />
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
    </section>
  );
}
