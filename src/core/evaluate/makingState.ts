import { STAGES, type Stage, type Step } from '../build/step';
import type { Making, Tick, Timer } from '../document/making';
import { gateOf } from '../power/wire';
import type { UnitSystem } from '../quantity';
import { judged, type Asked, type Judgement } from '../making/asked';
import type { WorkedOut } from './readouts';
import { WHOLE } from './stepPrints';
import type { PowerUp } from './signing';

/** A reading a step asks for, with what was read and what is to be thought of it. */
export interface AskedNow {
  asked: Asked;
  reading: Making['readings'][string] | null;
  judgement: Judgement;
}

/** Where a step stands: done, done for something that has changed since, to be done, or kept shut. */
export interface StepNow {
  step: Step;
  state: 'done' | 'again' | 'open' | 'shut';
  tick: Tick | null;
  /** exactly what is missing before it may be ticked */
  missing: string[];
  asked: AskedNow[];
  /** of its waiting: running until then, or over; null where it has none or has not begun */
  wait: { leftMin: number; setBack: boolean } | null;
}

export interface MakingNow {
  steps: StepNow[];
  /** the first that is not done */
  now: StepNow | null;
  /** ticks of steps that the plan no longer has */
  gone: { stepId: string; tick: Tick }[];
  doneMin: number;
  leftMin: number;
}

/** What stands round a making when it is looked at. */
export interface AtTheBench {
  making: Making;
  readouts: Pick<WorkedOut, 'steps' | 'findings' | 'asked'>;
  prints: ReadonlyMap<string, string>;
  powerUp: PowerUp;
  /** milliseconds since 1970, as a clock here tells */
  nowMs: number;
  /** how forecasts are written */
  system: UnitSystem;
}

const rank = (stage: Stage): number => STAGES.indexOf(stage);
/** Before a wire is laid, everything is drilled, cut, finished and mounted. */
const BEFORE_WIRING: readonly Stage[] = ['mark', 'cut', 'finish', 'mount'];
const list = (steps: readonly StepNow[]): string => steps.map(({ step }) => step.title).join('; ');

/**
 * What is left of a waiting, minutes. A clock that was set back to before its start makes nothing shorter: the
 * whole waiting is left then, and it is said.
 */
export function waitLeft(timer: Timer, nowMs: number): { leftMin: number; setBack: boolean } {
  const gone = (nowMs - Date.parse(timer.startedAt)) / 60_000;
  return gone < 0
    ? { leftMin: timer.minutes, setBack: true }
    : { leftMin: Math.max(0, timer.minutes - gone), setBack: false };
}

/** Every step of a making with what it wants before it may be ticked. */
export function makingNow(bench: AtTheBench): MakingNow {
  const { making, readouts } = bench;
  const steps: StepNow[] = [];
  for (const step of readouts.steps) steps.push(stepNow(step, steps, bench));
  const known = new Set(readouts.steps.map(({ id }) => id));
  const minutes = (done: boolean) =>
    steps
      .filter(({ state }) => (state === 'done') === done)
      .reduce((sum, { step }) => sum + step.minutes, 0);
  return {
    steps,
    now: steps.find(({ state }) => state !== 'done') ?? null,
    gone: Object.entries(making.ticks).flatMap(([stepId, tick]) =>
      known.has(stepId) ? [] : [{ stepId, tick }],
    ),
    doneMin: minutes(true),
    leftMin: minutes(false),
  };
}

function stepNow(step: Step, before: readonly StepNow[], bench: AtTheBench): StepNow {
  const { making, readouts, prints, nowMs, system } = bench;
  const tick = making.ticks[step.id] ?? null;
  const counts = (at: string) => !WHOLE.has(step.stage) || at > lastMended(making);
  const own = making.timers[step.id];
  const timer = own && counts(own.startedAt) ? own : null;
  const asked = readouts.asked
    .filter(({ stepId }) => stepId === step.id)
    .map((each): AskedNow => {
      const read = making.readings[each.id] ?? null;
      const reading = read && counts(read.at) ? read : null;
      return {
        asked: each,
        reading,
        judgement: judged(each, reading?.value ?? null, reading?.words ?? '', system),
      };
    });
  const wait = timer ? waitLeft(timer, nowMs) : null;
  const missing = [
    ...first(step, before),
    ...gates(step, before, bench),
    ...asked.flatMap(({ asked: { label }, judgement }) =>
      judgement.state === 'stop' ? [`${label}: ${lowerFirst(judgement.words)}`] : [],
    ),
    ...ownWait(step, wait),
  ];
  const fits = tick !== null && tick.print === prints.get(step.id);
  return {
    step,
    tick,
    asked,
    wait,
    missing,
    state:
      fits && missing.length === 0 ? 'done' : tick ? 'again' : missing.length ? 'shut' : 'open',
  };
}

/** When it was last opened and mended: what was read and waited for before was another light. */
const lastMended = ({ log }: Making): string =>
  log.reduce((last, { kind, at }) => (kind === 'fault' && at > last ? at : last), '');

/** Steps it names, and waiting that has not run: paint that is wet, glue that has not set. */
function first(step: Step, before: readonly StepNow[]): string[] {
  const named = before.filter((each) => step.needs.includes(each.step.id) && each.state !== 'done');
  const wet = before.filter(
    ({ step: other, wait }) =>
      other.stage !== 'warm' &&
      wait !== null &&
      wait.leftMin > 0 &&
      (step.needs.includes(other.id) || rank(other.stage) < rank(step.stage)),
  );
  return [
    ...(named.length > 0 ? [`First: ${list(named)}.`] : []),
    ...wet.map(
      ({ step: other, wait }) =>
        `“${other.title}” has to wait ${minutesText(wait!.leftMin)} more${wait!.setBack ? ' (the clock here was set back; it counts from now)' : ''}.`,
    ),
  ];
}

/** The gates of making [docs/model/making.md]: each says exactly what it wants. */
function gates(step: Step, before: readonly StepNow[], bench: AtTheBench): string[] {
  const at = rank(step.stage);
  const open = (stages: readonly Stage[]) =>
    before.filter((each) => stages.includes(each.step.stage) && each.state !== 'done');
  const wants = (words: string, left: readonly StepNow[]) =>
    left.length > 0 ? [`${words}: ${list(left)}.`] : [];
  return [
    ...(at > rank('check parts') ? wants('Parts are tested first', open(['check parts'])) : []),
    ...(at >= rank('wire') && at < rank('dress')
      ? wants('Before wiring everything is drilled, finished and mounted', open(BEFORE_WIRING))
      : []),
    ...(at >= rank('look over') && at < rank('dress')
      ? wants('Before the look-over it is wired and closed', open(['wire', 'close']))
      : []),
    ...(step.id === 'look-over' ? lookedOver(bench) : []),
    ...(step.stage === 'power up' ? powered(bench, wants, open(['look over'])) : []),
    ...(at >= rank('warm') && step.stage !== 'power up'
      ? wants('Only after the first power-up', open(['power up']))
      : []),
    ...(step.stage === 'rig'
      ? wants('Nothing is put up before its warm checks', open(['warm']))
      : []),
  ];
}

function lookedOver({ making, powerUp }: AtTheBench): string[] {
  if (powerUp.signed.includes(making.copy)) return [];
  return powerUp.state === 'shut'
    ? ['The gate is shut: Wire’s sheet “Look over” says by what.']
    : [
        'A second person looks it over, point by point, and signs with a name on Wire’s sheet “Look over”.',
      ];
}

function powered(
  bench: AtTheBench,
  wants: (words: string, left: readonly StepNow[]) => string[],
  left: readonly StepNow[],
): string[] {
  const { stops, missing } = gateOf(bench.readouts.findings);
  return [
    ...stops.map(({ title }) => `A stop is open: ${title}.`),
    ...missing.map(({ title }) => `Not known, and it matters: ${title}.`),
    ...wants('Not before it was looked over and measured', left),
  ];
}

/** A warm check is ticked when its hour has run, not when it begins. */
function ownWait(step: Step, wait: StepNow['wait']): string[] {
  if (step.stage !== 'warm' || step.waitMinutes === 0) return [];
  if (!wait) return [`Start its clock: ${minutesText(step.waitMinutes)} with everything on.`];
  return wait.leftMin > 0 ? [`${minutesText(wait.leftMin)} of it are left.`] : [];
}

/** “12 min”, “1 h 30 min”; a begun minute counts. */
export function minutesText(minutes: number): string {
  const whole = Math.ceil(minutes - 1e-9);
  if (whole < 60) return `${whole} min`;
  return whole % 60 === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${whole % 60} min`;
}

const lowerFirst = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** Fewer steps with a time say nothing about a person. */
const LEAST_TIMED = 3;

/** How long this bench takes for what is planned as one, over everything it has made; null before enough is known. */
export function paceOf(makings: readonly Pick<Making, 'ticks'>[]): number | null {
  const timed = makings
    .flatMap(({ ticks }) => Object.values(ticks))
    .filter(({ minutes, plannedMin }) => minutes !== null && plannedMin > 0);
  if (timed.length < LEAST_TIMED) return null;
  const sum = (of: (tick: Tick) => number) => timed.reduce((all, tick) => all + of(tick), 0);
  return sum(({ minutes }) => minutes!) / sum(({ plannedMin }) => plannedMin);
}
