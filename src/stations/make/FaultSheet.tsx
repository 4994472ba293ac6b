'use client';
import { useState } from 'react';
import {
  endsOf,
  leftAfter,
  nextTest,
  suspectsOf,
  SYMPTOMS,
  type Suspect,
  type SymptomId,
} from '@/core/making/faults';
import { shopLength } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { QUIET_VIEW, ViewDrawing, WIRING_LETTER } from '@/ui/drawing/ViewDrawing';
import { gateOf } from '@/core/power/wire';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useSession } from '../shell/Workbench';
import type { InMaking } from './MakeStation';

interface Asked {
  question: string;
  answer: boolean;
}

const CHOICES = (Object.keys(SYMPTOMS) as SymptomId[]).map((value) => ({
  value,
  label: SYMPTOMS[value].name,
}));

/** From what is seen to the one thing that is broken: each test parts what is left in halves. */
export default function FaultSheet({ readouts, making, bench }: InMaking) {
  const { say } = useSession();
  const { units } = useDevice();
  const length = (metres: number) => shopLength(metres, units);
  const wires = readouts.drawing.views.find(({ id }) => id === 'wiring');
  const graph = readouts.wire.wiring;
  const ends = endsOf(graph);
  const [symptom, setSymptom] = useState<SymptomId>('dark');
  const [dark, setDark] = useState<ReadonlySet<string>>(new Set());
  const [left, setLeft] = useState<readonly Suspect[] | null>(null);
  const [asked, setAsked] = useState<readonly Asked[]>([]);
  const again = () => {
    setLeft(null);
    setAsked([]);
  };
  if (ends.length === 0)
    return <p className="p-2">Nothing is wired in this light yet: there is nothing to look for.</p>;
  const picks = SYMPTOMS[symptom].dark === 'some';
  const suspects = left ?? suspectsOf(graph, symptom, dark);
  const test = left && nextTest(symptom, suspects);
  const [found] = suspects;
  const waits = test?.plugged === true && !gateOf(readouts.findings).open;
  const tests = Math.ceil(Math.log2(Math.max(2, suspects.length)));
  const write = () => {
    const words = `It ${symptom === 'trips' ? '' : 'was '}${SYMPTOMS[symptom].name}; after ${asked.length} ${asked.length === 1 ? 'test' : 'tests'}: ${found!.name}.`;
    const refused = bench.write(making, { kind: 'fault', words, stepId: null });
    say(refused ?? 'Written in the log.');
    again();
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-6 max-lg:grid-cols-1">
      <section>
        <h2 className="text-lg">What is it?</h2>
        <div className="mt-2 max-w-80">
          <ChoiceField
            label="It is, or it"
            value={symptom}
            options={CHOICES}
            onCommit={(next) => {
              setSymptom(next);
              again();
            }}
          />
        </div>
        {picks && (
          <fieldset className="mt-3">
            <legend className="text-sm text-ink-soft">Where, by the numbers on Wires</legend>
            <div className="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-sm">
              {ends.map(({ id, name }) => (
                <label key={id} className="flex items-center gap-1.5">
                  <input
                    type="checkbox"
                    className="accent-brass"
                    checked={dark.has(id)}
                    onChange={() => {
                      const next = new Set(dark);
                      if (!next.delete(id)) next.add(id);
                      setDark(next);
                      again();
                    }}
                  />
                  {name}
                </label>
              ))}
            </div>
          </fieldset>
        )}
        <p className="mt-3 text-sm" data-suspects={suspects.length}>
          {suspects.length === 1
            ? 'One thing can be at fault.'
            : `${suspects.length} things can be at fault: at most ${tests} ${tests === 1 ? 'test' : 'tests'}.`}
        </p>
        <details className="mt-1 text-sm" open={suspects.length <= 6}>
          <summary>Which</summary>
          <ol className="list-decimal pl-6">
            {suspects.map(({ id, name }) => (
              <li key={id}>{name}</li>
            ))}
          </ol>
        </details>
        {!left && (
          <button
            type="button"
            className="press press-main mt-3"
            disabled={picks && dark.size === 0}
            onClick={() => setLeft(suspects)}
          >
            Look for it
          </button>
        )}
        {picks && dark.size === 0 && (
          <p className="mt-1 text-[13px] text-ink-soft">Mark where it is first.</p>
        )}
      </section>
      <section aria-live="polite">
        {test && (
          <div className="border-l-4 border-brass pl-4" data-test={asked.length + 1}>
            <h2 className="text-lg">Test {asked.length + 1}</h2>
            <p className="mt-1 font-semibold">{test.first}</p>
            <p className="mt-1">{test.how}</p>
            <p className="mt-2 text-[18px]">{test.question}</p>
            {waits ? (
              <p role="alert" className="mt-2 bg-stop-wash p-2 text-sm">
                Its plug goes in for this, and the power-up gate is shut: mend what Wire says first.
              </p>
            ) : (
              <p className="mt-2 flex gap-2">
                {[true, false].map((answer) => (
                  <button
                    key={String(answer)}
                    type="button"
                    className="press !px-6"
                    onClick={() => {
                      setLeft(leftAfter(suspects, test, answer));
                      setAsked([...asked, { question: `${test.how} ${test.question}`, answer }]);
                    }}
                  >
                    {answer ? 'Yes' : 'No'}
                  </button>
                ))}
              </p>
            )}
          </div>
        )}
        {left && !test && found && (
          <div className="border-l-4 border-ok pl-4" data-found={found.id}>
            <h2 className="text-xl">It is here: {found.name}</h2>
            <p className="mt-1">
              Unplugged: open it, look for a loose strand, a cold joint, a burnt contact; make it
              anew. Then the look-over and the earth are done again before the plug goes in.
            </p>
            <p className="mt-3 flex gap-2">
              <button type="button" className="press press-main" onClick={write}>
                Write it in the log
              </button>
              <button type="button" className="press" onClick={again}>
                It is not: begin again
              </button>
            </p>
          </div>
        )}
        {asked.length > 0 && (
          <ol className="mt-4 list-decimal space-y-1 pl-6 text-sm text-ink-soft">
            {asked.map(({ question, answer }, at) => (
              <li key={at}>
                {question} <strong>{answer ? 'Yes' : 'No'}.</strong>
              </li>
            ))}
          </ol>
        )}
        {wires && (
          <div className="mt-4 h-[clamp(220px,calc(100dvh-480px),560px)]">
            <ViewDrawing
              view={wires}
              mostLetter={WIRING_LETTER}
              lengthText={length}
              {...QUIET_VIEW}
            />
          </div>
        )}
        {!left && (
          <p className="text-sm text-ink-soft">
            One thing at a time is tested, always unplugged first; what stays lit while it is tested
            is said. Whoever has not done this before has a competent person beside them.
          </p>
        )}
      </section>
    </div>
  );
}
