import type { BuildParameters } from '../../document/production';
import { readParameters } from '../../forms';
import { choosing } from '../../forms/brings';
import type { FormDefinition } from '../../forms/form';
import { stopsBetween } from '../../light/exposure';
import { mired } from '../../colour/mired';
import { planPower } from '../../power/plan';
import { quickFindings } from '../quickFindings';
import { Front } from './front';
import { ERROR_STOPS, missesOf, type Judged, type Miss } from './judged';
import {
  measure,
  mixedBetween,
  moneyBetween,
  moneyOf,
  throwsApart,
  type Measured,
  type Money,
} from './measure';
import {
  bareWith,
  besides,
  cellsOf,
  changesOf,
  parametersAt,
  partsFor,
  type Cell,
  type LampPlace,
} from './shells';
import type { Question } from './question';
import type { PartId } from '../../ids';
import type { WishId } from '../../location/wishes';

/** Why designs fell before or while they were judged. */
export type Fall = 'mains' | 'owned' | 'unmakeable' | 'stop' | 'wish';
export type Tally = Partial<Record<Fall, number>>;

/** What one piece of a search found. */
export interface Found {
  front: Judged[];
  /** best of those that miss one hard wish alone, by that wish */
  near: Partial<Record<WishId, Judged>>;
  /** the nearest of all that miss some; null where none was looked at */
  nearest: Judged | null;
  judged: number;
  fell: Tally;
}

/** Numbers of lamps looked at between the fewest and the most of a design, and how few are all looked at. */
const COUNTS = 12;
const FEW = 40;
/** Whole resolutions it may cost to find parts for one lamp. */
const MOST_TRIES = 30;

export const emptyFound = (): Found => ({
  front: [],
  near: {},
  nearest: null,
  judged: 0,
  fell: {},
});

/** How far the lamps fall short of being usable at all, by their label alone; null for those that are looked at. */
export function lampFalls({ unit }: LampPlace, { shot, circuit }: Question): Fall | null {
  const { wishes } = shot;
  if (wishes.owned !== 'any' && !(unit.onHand > 0)) return 'owned';
  if (
    'supplyV' in unit &&
    !(
      (circuit.voltageV >= unit.supplyV * 0.9 && circuit.voltageV <= unit.supplyV * 1.1) ||
      (unit.supplyToV !== null &&
        circuit.voltageV >= unit.supplyV * 0.9 &&
        circuit.voltageV <= unit.supplyToV * 1.1)
    )
  )
    return 'mains';
  return null;
}

/** Resolved and measured; null with what it fell by. */
function resolvedWith(
  form: FormDefinition,
  parameters: BuildParameters,
  question: Question,
): Measured | 'unmakeable' {
  const { context } = question;
  const read = readParameters(form, parameters);
  if (!read.ok || form.problems(read.value, context).length > 0) return 'unmakeable';
  return measure(form.resolve(read.value, context), question) ?? 'unmakeable';
}

/** Stops of the quick engines while parts are chosen; what cannot be made has them all. */
function stopsIn(form: FormDefinition, parameters: BuildParameters, question: Question): number {
  const { context, circuit, othersA, document } = question;
  const read = readParameters(form, parameters);
  if (!read.ok || form.problems(read.value, context).length > 0) return Infinity;
  const resolved = form.resolve(read.value, context);
  const plan = planPower(resolved, circuit, othersA, context.part);
  const found = quickFindings(resolved, plan, document.shelf.parts);
  return found.filter(({ severity }) => severity === 'stop').length;
}

/** Places of a form that a part must be chosen for; layers are a choice of the search. */
const needed = (form: FormDefinition) =>
  form.fields.flatMap((field) =>
    field.kind === 'part' && (!field.optional || field.begins) ? [field] : [],
  );

/**
 * Parts that go with a lamp: for every place that needs one what is owned, or cheapest; where that is refused, the first
 * that is refused less.
 * @returns null where the shelf has nothing for a place
 */
export function partsWith(
  form: FormDefinition,
  lamp: LampPlace,
  question: Question,
): BuildParameters | null {
  const { shelf } = question.document;
  const places = needed(form).map((field) => ({ field, options: partsFor(field, question) }));
  if (places.some(({ field, options }) => !field.optional && options.length === 0)) return null;
  const chosen = places.flatMap(({ field, options: [first] }) =>
    first ? [choosing(field, first.id, shelf)] : [],
  );
  let best = Object.assign(bareWith(form, lamp, question.document), ...chosen) as BuildParameters;
  let least = stopsIn(form, best, question);
  let tries = MOST_TRIES;
  for (const { field, options } of places)
    for (const { id } of options.slice(1)) {
      if (least === 0 || tries-- === 0) return best;
      const tried = { ...best, ...choosing(field, id, shelf) } as BuildParameters;
      const its = stopsIn(form, tried, question);
      if (its < least) [best, least] = [tried, its];
    }
  return best;
}

/**
 * Numbers of lamps to look at: every one while they are few, else evenly by ratio; the one that just reaches the light,
 * and what is on hand.
 */
function countsBetween(
  from: number,
  to: number,
  step: number,
  wanted: readonly number[],
): number[] {
  const few = (to - from) / step <= FEW;
  const length = few ? Math.round((to - from) / step) + 1 : COUNTS;
  const even = Array.from({ length }, (_, k) =>
    few ? from + k * step : from * (to / from) ** (k / (COUNTS - 1)),
  );
  const whole = [...even, ...wanted]
    .map((count) => Number((Math.ceil(count / step - 1e-6) * step).toFixed(6)))
    .filter((count) => count >= from - 1e-9 && count <= to + 1e-9);
  return [...new Set(whole)].toSorted((a, b) => a - b);
}

/** What a shell of a design comes to at its numbers of lamps. */
interface Series {
  counts: readonly (number | null)[];
  at: (count: number | null) => Measured;
  money: (count: number | null) => Money;
}

/** Two numbers of lamps are resolved; between them everything but packs changes evenly. */
function seriesOf(
  form: FormDefinition,
  parameters: BuildParameters,
  question: Question,
): Series | Fall {
  const { fill } = form;
  if (!fill) {
    const only = resolvedWith(form, parameters, question);
    if (typeof only === 'string') return only;
    if (only.stopped) return 'stop';
    return { counts: [null], at: () => only, money: () => moneyOf(only, question) };
  }
  const { context, circuit, othersA, targetLx } = question;
  const read = readParameters(form, parameters);
  if (!read.ok) return 'unmakeable';
  const step = fill.step(read.value, context);
  const most = Math.floor(fill.most(read.value, context) / step + 1e-9) * step;
  if (!(most >= step)) return 'unmakeable';
  const withCount = (count: number) =>
    resolvedWith(form, { ...parameters, [fill.parameter]: count } as BuildParameters, question);
  // A single lamp, or a twentieth of all the tape that fits.
  const from = Math.max(step, step < 1 ? Math.ceil(most / 20 / step - 1e-9) * step : 1);
  const one = withCount(from);
  if (typeof one === 'string') return one;
  if (one.stopped) return 'stop';
  const [to, other] = lastFine(withCount, from, most, step) ?? [from, one];
  const share = (count: number | null) =>
    to > from && count !== null ? (count - from) / (to - from) : 0;
  const at = (count: number | null): Measured => {
    const mixed = mixedBetween(one, other, share(count));
    // A single lamp has no neighbour: from two on they stand closer the more there are.
    const alone = one.perM === 0 && count !== null && count > from;
    return alone ? { ...mixed, perM: (other.perM * count) / to } : mixed;
  };
  const priced = moneyBetween(one, other, question);
  const perLamp = to > from ? (other.lux - one.lux) / (to - from) : one.lux / from;
  const enough = from + (targetLx - one.lux) / perLamp;
  const ampsLeft = circuit.ratedA - othersA;
  const counts = countsBetween(from, to, step, [enough, fill.onHand(read.value, context)]);
  const amps = (count: number) => one.amps + (other.amps - one.amps) * share(count);
  return {
    counts: counts.filter((count) => amps(count) <= ampsLeft),
    at,
    money: (count) => priced(share(count)),
  };
}

/** The most lamps that no engine refuses: all that fit, or half way there. */
function lastFine(
  withCount: (count: number) => Measured | 'unmakeable',
  from: number,
  most: number,
  step: number,
): [number, Measured] | null {
  let to = most;
  for (let tries = 0; tries < 2 && to > from + step / 2; tries++) {
    const found = withCount(to);
    if (typeof found !== 'string' && !found.stopped) return [to, found];
    to = Math.floor((from + to) / 2 / step + 1e-9) * step;
  }
  return null;
}

const layersOf = (
  form: FormDefinition,
  parameters: BuildParameters,
  { context }: Question,
): string[] =>
  form.fields.flatMap((field) => {
    if (field.kind !== 'part' || field.role !== 'diffusion') return [];
    return context.part(parameters[field.parameter] as PartId | null)?.name ?? [];
  });

/** A design at a number of its lamps, told as every other answer is. */
function judgedOf(
  measured: Measured,
  money: Money,
  form: FormDefinition,
  lamp: LampPlace,
  parameters: BuildParameters,
  id: string,
  question: Question,
): Omit<Judged, 'cell' | 'what'> {
  const { shot, targetLx } = question;
  const { cctK } = measured;
  return {
    id,
    way: 'build',
    of: form.id,
    name: form.name,
    parameters,
    lamp: lamp.unit.id,
    front: measured.front,
    layers: layersOf(form, parameters, question),
    lux: measured.lux,
    stops: stopsBetween(measured.lux, targetLx),
    errorStops: ERROR_STOPS.estimate,
    angleDeg: measured.angleDeg,
    separate: throwsApart(measured, question),
    evennessStops: measured.evennessStops,
    ra: measured.ra,
    cctK,
    miredOff: cctK === null ? 0 : Math.abs(mired(cctK) - mired(shot.cctK)),
    flickers: measured.flickers,
    ...money,
    hours: measured.hours,
    watts: measured.watts,
    massKg: measured.massKg,
    foldedM: measured.foldedM,
    skill: form.gallery.skill,
    sure: false,
  };
}

/** Its axes with the shelf looked through. */
const axesOf = (form: FormDefinition, question: Question) =>
  (form.search ?? []).map((axis) => changesOf(axis, form, question));

/** Designs of one form with one lamp: at most so many shells, each at every number of lamps. */
export function judgeLamp(
  form: FormDefinition,
  lamp: LampPlace,
  question: Question,
  mostShells: number,
): Found {
  const axes = axesOf(form, question);
  const fall = lampFalls(lamp, question);
  if (!fall) {
    const cells = cellsOf(
      axes.map(({ length }) => length),
      mostShells,
    );
    return judgeCells(form, lamp, question, cells);
  }
  const size = axes.reduce((product, { length }) => product * length, 1);
  return { ...emptyFound(), judged: size, fell: { [fall]: size } };
}

/** The same beside a design that was found good. */
export const judgeBeside = (
  form: FormDefinition,
  lamp: LampPlace,
  question: Question,
  cell: Cell,
): Found => judgeCells(form, lamp, question, besides(cell, axesOf(form, question)));

function judgeCells(
  form: FormDefinition,
  lamp: LampPlace,
  question: Question,
  cells: readonly Cell[],
): Found {
  const axes = axesOf(form, question);
  const base = partsWith(form, lamp, question);
  const sieve = new Sieve(question);
  if (!base) {
    const by = question.shot.wishes.owned === 'all' ? 'owned' : 'unmakeable';
    sieve.fell(by, cells.length);
    return sieve.found;
  }
  for (const cell of cells) {
    const parameters = parametersAt(base, axes, cell, form);
    const series = seriesOf(form, parameters, question);
    if (typeof series === 'string') {
      sieve.fell(series);
      continue;
    }
    for (const count of series.counts) {
      const id = [form.id, lamp.unit.id, cell.join('/'), count ?? ''].join(' ').trim();
      const counted =
        count === null ? parameters : { ...parameters, [form.fill!.parameter]: count };
      const judged = judgedOf(
        series.at(count),
        series.money(count),
        form,
        lamp,
        counted,
        id,
        question,
      );
      sieve.take({
        ...judged,
        cell,
        what: whatWords(lamp, count),
      });
    }
  }
  return sieve.found;
}

/** “6 × Globe G45”, “2.6 m of Tape 24 V”, or the lamp alone. */
const whatWords = ({ unit }: LampPlace, count: number | null): string => {
  if (count === null) return unit.name;
  return unit.category === 'strip'
    ? `${Number(count.toFixed(2))} m of ${unit.name}`
    : count === 1
      ? unit.name
      : `${count} × ${unit.name}`;
};

/** What misses a hard wish, with what tells which of two is nearer: how many, how far in sum, money. */
interface Near {
  judged: Judged;
  rank: readonly [count: number, sum: number, minor: number];
}

const nearOf = (judged: Judged, hard: readonly Miss[]): Near => ({
  judged,
  rank: [hard.length, hard.reduce((sum, { share }) => sum + share, 0), judged.nowMinor],
});

function nearer(one: Near | null | undefined, other: Near): Near {
  if (!one) return other;
  const k = one.rank.findIndex((value, at) => value !== other.rank[at]);
  if (k < 0) return one.judged.id < other.judged.id ? one : other;
  return one.rank[k]! < other.rank[k]! ? one : other;
}

/** Lets through what misses no hard wish, and remembers the nearest of the others, in whatever order they come. */
export class Sieve {
  private readonly front: Front;
  private readonly fallen: Tally = {};
  private readonly near: Partial<Record<WishId, Near>> = {};
  private nearest: Near | null = null;
  private judged = 0;

  constructor(private readonly question: Question) {
    this.front = new Front(question);
  }

  fell(by: Fall, count = 1): void {
    this.judged += count;
    this.fallen[by] = (this.fallen[by] ?? 0) + count;
  }

  take(judged: Judged): void {
    const { question } = this;
    if (question.shot.wishes.owned === 'all' && !judged.owned) return this.fell('owned');
    const misses = missesOf(judged, question);
    if (!misses.some(({ hard }) => hard)) {
      this.judged++;
      return this.front.add(judged, misses);
    }
    this.fell('wish');
    this.remember(judged, misses);
  }

  private remember(judged: Judged, misses: readonly Miss[]): void {
    const hard = misses.filter((miss) => miss.hard);
    const next = nearOf(judged, hard);
    this.nearest = nearer(this.nearest, next);
    const [{ wish }] = hard as [Miss];
    if (hard.length === 1) this.near[wish] = nearer(this.near[wish], next);
  }

  /** What another sieve of the same question found. */
  add(found: Found): void {
    for (const each of found.front) this.front.add(each);
    for (const each of [...Object.values(found.near), ...(found.nearest ? [found.nearest] : [])])
      this.remember(each, missesOf(each, this.question));
    for (const [fall, count] of Object.entries(found.fell) as [Fall, number][])
      this.fallen[fall] = (this.fallen[fall] ?? 0) + count;
    this.judged += found.judged;
  }

  get found(): Found {
    const near = Object.fromEntries(
      Object.entries(this.near).map(([wish, { judged }]) => [wish, judged]),
    );
    const nearest = this.nearest?.judged ?? null;
    return { front: this.front.all, near, nearest, judged: this.judged, fell: { ...this.fallen } };
  }
}
