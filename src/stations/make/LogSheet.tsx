'use client';
import { useState } from 'react';
import { minutesText, paceOf } from '@/core/evaluate/makingState';
import { changedSince, designPoints } from '@/core/evaluate/signedState';
import { show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { useProduction } from '../store/context';
import { useWorkplace } from '../shell/useWorkplace';
import { useSession } from '../shell/Workbench';
import { HandField } from './HandField';
import { LogPhotographs } from './LogPhotographs';
import type { InMaking } from './MakeStation';
import { Paid, Used } from './WentIn';

/** What was done, read, found and paid, and what is other than it was begun. */
export default function LogSheet(at: InMaking) {
  return (
    <div className="grid grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)] gap-6 max-lg:grid-cols-1">
      <div>
        <Lines at={at} />
        <LogPhotographs at={at} />
      </div>
      <div className="space-y-5">
        <AsBuilt at={at} />
        <Paid at={at} />
        <Used at={at} />
        <TakeOut at={at} />
      </div>
    </div>
  );
}

interface Line {
  key: string;
  at: string;
  by: string;
  what: string;
  words: string;
}

/** Ticks, readings, what was used instead and remarks in the order of their times. */
function linesOf({ making, readouts }: InMaking, units: 'metric' | 'imperial'): Line[] {
  const asked = new Map(readouts.asked.map((each) => [each.id, each]));
  const ticks = Object.entries(making.ticks).map(([id, tick]) => ({
    key: `tick ${id}`,
    at: tick.at,
    by: tick.by,
    what: 'Done',
    words: `${tick.title}${tick.minutes === null ? '' : `, ${minutesText(tick.minutes)} (planned ${minutesText(tick.plannedMin)})`}`,
  }));
  const readings = Object.entries(making.readings).map(([id, { at, by, value, words }]) => {
    const of = asked.get(id);
    const figure =
      value === null
        ? words
        : of?.kind === 'yes'
          ? 'yes'
          : of?.dimension && of.dimension !== 'resistance'
            ? showText(show(value, of.dimension, units))
            : `${value} Ω`;
    return { key: `read ${id}`, at, by, what: 'Read', words: `${of?.label ?? id}: ${figure}` };
  });
  const written = making.log.map(({ id, at, by, kind, words }) => ({
    key: id,
    at,
    by,
    what: { remark: 'Remark', fault: 'Fault', change: 'Plan' }[kind],
    words,
  }));
  const used = Object.entries(making.used ?? {}).map(([id, { at, by, name, words }]) => ({
    key: `used ${id}`,
    at,
    by,
    what: 'Used',
    words: `${words}, instead of ${name}`,
  }));
  return [...ticks, ...readings, ...used, ...written].sort((a, b) => (a.at < b.at ? 1 : -1));
}

function Lines({ at }: { at: InMaking }) {
  const { making, bench } = at;
  const { units } = useDevice();
  const [words, setWords] = useState('');
  const makings = useProduction((state) => state.document.makings);
  const pace = paceOf(makings);
  const lines = linesOf(at, units);
  const write = () => {
    if (words.trim() === '') return;
    if (!bench.write(making, { kind: 'remark', words: words.trim(), stepId: null })) setWords('');
  };
  return (
    <section>
      <h2 className="text-lg">Log of {making.name}</h2>
      <p className="text-sm text-ink-soft">
        Begun {making.startedAt.slice(0, 10)}.
        {pace !== null && ` Your pace: ${pace.toFixed(1)} × what is planned.`}
      </p>
      <form
        className="no-print mt-2 grid grid-cols-[minmax(0,1fr)_150px_auto] items-end gap-3 max-md:grid-cols-1"
        onSubmit={(event) => {
          event.preventDefault();
          write();
        }}
      >
        <label className="text-sm text-ink-soft">
          Remark
          <input
            className="field text-ink"
            value={words}
            maxLength={2000}
            onChange={(event) => setWords(event.target.value)}
          />
        </label>
        <HandField />
        <button type="submit" className="press" disabled={words.trim() === ''}>
          Write it down
        </button>
      </form>
      {lines.length === 0 ? (
        <p className="mt-4 text-sm">Nothing yet: what is ticked and read writes itself here.</p>
      ) : (
        <table className="rows tight mt-3 w-full text-[13.5px]" data-log={lines.length}>
          <tbody>
            {lines.map(({ key, at: moment, by, what, words: said }) => (
              <tr key={key}>
                <td className="figure whitespace-nowrap text-ink-soft">
                  {new Date(moment).toLocaleString('en-GB', {
                    dateStyle: 'short',
                    timeStyle: 'short',
                  })}
                </td>
                <th scope="row" className="text-left">
                  {what}
                </th>
                <td>{said}</td>
                <td className="text-ink-soft">{by}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** What is other than when it was begun; the tray below changes the plan. */
function AsBuilt({ at: { build, making, bench } }: { at: InMaking }) {
  const document = useProduction((state) => state.document);
  const { derivations } = useWorkplace();
  const changed = changedSince(making.begun, designPoints(document, build, derivations));
  return (
    <section>
      <h2 className="text-lg">As built</h2>
      {changed.length === 0 ? (
        <p className="text-sm">
          As it was begun. What you do differently, set in the tray below: drawing, light and checks
          follow, and it is listed here beside what it was.
        </p>
      ) : (
        <>
          <ul className="list-disc pl-5 text-sm" data-changed={changed.length}>
            {changed.slice(0, MOST_TOLD).map((line) => (
              <li key={line}>{line}</li>
            ))}
            {changed.length > MOST_TOLD && <li>and {changed.length - MOST_TOLD} more</li>}
          </ul>
          <button
            type="button"
            className="press no-print mt-2"
            onClick={() =>
              void bench.settle(making, changed.slice(0, MOST_TOLD).join('; ').slice(0, 2000))
            }
          >
            That is the plan now
          </button>
        </>
      )}
    </section>
  );
}
const MOST_TOLD = 12;

/** For one that was begun by mistake. */
function TakeOut({ at: { making, bench } }: { at: InMaking }) {
  const { say } = useSession();
  return (
    <p className="no-print border-t border-line pt-3">
      <button
        type="button"
        className="press"
        onClick={() =>
          say(
            bench.takeOut(making) ??
              'Ticks, readings and log are taken out. Undo brings them back.',
          )
        }
      >
        Take this making out
      </button>
    </p>
  );
}
