'use client';
import { nanoid } from 'nanoid';
import { useEffect, useMemo, useState } from 'react';
import { addRecord, changeRecord, together } from '@/core/document/edit';
import type { LogEntry, Making } from '@/core/document/making';
import type { Build } from '@/core/document/production';
import { makingNow, type MakingNow, type StepNow } from '@/core/evaluate/makingState';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { seenOf, designPoints, signedState } from '@/core/evaluate/signedState';
import { powerUpOf } from '@/core/evaluate/signing';
import { stepPrints } from '@/core/evaluate/stepPrints';
import { useDevice } from '@/ui/device';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { useWorkplace } from '../shell/useWorkplace';
import { useHand } from './useHand';

/** How often a clock on the page moves on. */
const BEAT_MS = 1000;
/** A gap longer than so many times the plan, and half an hour, was no work. */
const [LONGEST, GRACE_MIN] = [3, 30];

const stamp = (ms: number): string => `${new Date(ms).toISOString().slice(0, 19)}Z`;

/** The time here; it moves only while something waits, and at once when something begins to. */
function useNow(waiting: string): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (waiting === '') return;
    const beat = () => setNow(Date.now());
    const first = setTimeout(beat);
    const later = setInterval(beat, BEAT_MS);
    return () => {
      clearTimeout(first);
      clearInterval(later);
    };
  }, [waiting]);
  return now;
}

/** One copy, and where each of its steps stands. */
export interface Copy {
  making: Making;
  now: MakingNow;
}

/** Every copy that is being made, by the time here. */
export function useCopies(
  build: Build,
  readouts: WorkedOut,
  makings: readonly Making[],
): readonly Copy[] {
  const { units } = useDevice();
  const document = useProduction((state) => state.document);
  const { derivations } = useWorkplace();
  const waiting = makings.flatMap(({ id, timers }) => Object.keys(timers).map((of) => id + of));
  const nowMs = useNow(waiting.join(' '));
  const whole = useMemo(() => {
    const signed = signedState(document, build, derivations);
    return {
      prints: stepPrints(readouts, signed),
      powerUp: powerUpOf(document, build, readouts.findings, derivations),
    };
  }, [document, build, readouts, derivations]);
  return useMemo(
    () =>
      makings.map((making) => ({
        making,
        now: makingNow({ making, readouts, ...whole, nowMs, system: units }),
      })),
    [makings, readouts, whole, nowMs, units],
  );
}

/** Everything one does at the bench, written into the record of one copy. */
export function useBench(build: Build, readouts: WorkedOut) {
  const edits = useEdits();
  const document = useProduction((state) => state.document);
  const { derivations } = useWorkplace();
  const [hand] = useHand();
  // A device that was let in under a name need not be told it again.
  const named = useProduction((state) => state.device?.name ?? '');
  const by = hand || named;
  const change = (making: Making, label: string, recipe: (draft: Making) => void) =>
    edits.record('making', making.id, label, recipe);
  const now = () => stamp(Date.now());
  const lineOf = (entry: Pick<LogEntry, 'kind' | 'words' | 'stepId'>): LogEntry => ({
    id: nanoid(10),
    at: now(),
    by,
    ...entry,
  });
  return {
    begin: (copy: number) => {
      const making: Making = {
        id: nanoid(10),
        buildId: build.id,
        name: build.copies > 1 ? `${build.name}, copy ${copy}` : build.name,
        copy,
        startedAt: now(),
        begun: seenOf(designPoints(document, build, derivations)),
        ticks: {},
        readings: {},
        timers: {},
        paid: {},
        used: {},
        log: [],
        note: '',
      };
      return edits.add('making', making, `begin making ${making.name}`);
    },
    tick: (making: Making, { step }: StepNow) => {
      const print = stepPrints(readouts, signedState(document, build, derivations)).get(step.id)!;
      const minutes = takenSince(making, step.minutes, Date.now());
      return change(making, `done: ${step.title}`, (draft) => {
        draft.ticks[step.id] = {
          at: now(),
          by,
          minutes,
          plannedMin: step.minutes,
          title: step.title,
          print,
        };
        if (step.waitMinutes > 0 && step.stage !== 'warm')
          draft.timers[step.id] = { startedAt: now(), minutes: step.waitMinutes };
      });
    },
    untick: (making: Making, stepId: string, title: string) =>
      change(making, `not done: ${title}`, (draft) => {
        delete draft.ticks[stepId];
        delete draft.timers[stepId];
      }),
    minutes: (making: Making, stepId: string, minutes: number | null) =>
      change(making, 'time taken', (draft) => {
        const tick = draft.ticks[stepId];
        if (tick) tick.minutes = minutes;
      }),
    startClock: (making: Making, { step }: StepNow) =>
      change(making, `clock of ${step.title}`, (draft) => {
        draft.timers[step.id] = { startedAt: now(), minutes: step.waitMinutes };
      }),
    read: (making: Making, id: string, label: string, value: number | null, words: string) =>
      change(making, `read: ${label}`, (draft) => {
        if (value === null && words === '') delete draft.readings[id];
        else draft.readings[id] = { value, words, at: now(), by };
      }),
    pay: (making: Making, key: string, name: string, minor: number | null) =>
      change(making, `paid for ${name}`, (draft) => {
        if (minor === null) delete draft.paid[key];
        else draft.paid[key] = { minor, shop: draft.paid[key]?.shop ?? '', at: now() };
      }),
    boughtAt: (making: Making, key: string, name: string, shop: string) =>
      change(making, `shop of ${name}`, (draft) => {
        const paid = draft.paid[key];
        if (paid) paid.shop = shop;
      }),
    /** what went in instead; no words, and it is as planned again */
    usedInstead: (making: Making, key: string, name: string, words: string) =>
      change(making, `used instead of ${name}`, (draft) => {
        draft.used ??= {};
        if (words === '') delete draft.used[key];
        else draft.used[key] = { name, words, at: now(), by };
      }),
    takeOut: (making: Making) => edits.remove('making', making, `take out ${making.name}`),
    write: (making: Making, entry: Parameters<typeof lineOf>[0]) =>
      edits.make('a line in the log', addRecord({ kind: 'entry', of: making.id }, lineOf(entry))),
    /** the design as it is now counts as the one that was begun */
    settle: (making: Making, words: string) =>
      edits.make(
        'the plan as it is now',
        together(
          changeRecord({ kind: 'making', id: making.id }, (draft) => {
            draft.begun = seenOf(designPoints(document, build, derivations));
          }),
          addRecord(
            { kind: 'entry', of: making.id },
            lineOf({ kind: 'change', words, stepId: null }),
          ),
        ),
      ),
  };
}
export type Bench = ReturnType<typeof useBench>;

/** Minutes since the last tick, where that can have been work on one step: several ticks at once tell nothing. */
function takenSince(making: Making, plannedMin: number, nowMs: number): number | null {
  const last = Math.max(
    ...[making.startedAt, ...Object.values(making.ticks).map(({ at }) => at)].map((at) =>
      Date.parse(at),
    ),
  );
  const minutes = Math.round((nowMs - last) / 60_000);
  return minutes >= 1 && minutes <= LONGEST * plannedMin + GRACE_MIN ? minutes : null;
}
