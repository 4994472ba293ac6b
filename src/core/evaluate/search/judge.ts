import type { BuildParameters } from '../../document/production';
import { ACCESSORIES } from '../../accessories';
import { attachAll } from '../../accessories/attach';
import { accessorySchema, type Accessory } from '../../accessories/carried';
import { readParameters } from '../../forms';
import { choosing } from '../../forms/brings';
import { REGIONS } from '../../electrics/region';
import type { FormDefinition } from '../../forms/form';
import { madeForMains } from '../quickFindings';
import type { Judged } from './judged';
import { emptyFound, Sieve, type Fall, type Found } from './sieve';
import {
  measure,
  mixedBetween,
  moneyBetween,
  moneyOf,
  estimateOf,
  type Measured,
  type Money,
} from './measure';
import {
  besides,
  cellsOf,
  changesOf,
  parametersAt,
  partsFor,
  type Cell,
  type LampPlace,
} from './shells';
import { partsWith } from './parts';
import type { Question } from './question';
import type { PartId } from '../../ids';

/** Numbers of lamps looked at between the fewest and the most of a design, and how few are all looked at. */
const COUNTS = 12;
const FEW = 40;

/** Why lamps are not looked at, by their label alone; null for those that are. */
export function lampFalls({ unit }: LampPlace, { shot, circuit }: Question): Fall | null {
  const { wishes } = shot;
  if (wishes.owned !== 'any' && !(unit.onHand > 0)) return 'owned';
  if ('supplyV' in unit && !madeForMains(unit, circuit.voltageV)) return 'mains';
  return null;
}

/** Resolved and measured, or what it fell by. */
function resolvedWith(
  form: FormDefinition,
  parameters: BuildParameters,
  question: Question,
  accessories: readonly Accessory[],
): Measured | 'unmakeable' {
  const { context } = question;
  const read = readParameters(form, parameters);
  if (!read.ok || form.problems(read.value, context).length > 0) return 'unmakeable';
  const bare = form.resolve(read.value, context);
  const whole = accessories.length > 0 ? attachAll(bare, accessories, context).resolved : bare;
  return measure(whole, question) ?? 'unmakeable';
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
  accessories: readonly Accessory[],
): Series | Fall {
  const { fill } = form;
  if (!fill) {
    const only = resolvedWith(form, parameters, question, accessories);
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
    resolvedWith(
      form,
      { ...parameters, [fill.parameter]: count } as BuildParameters,
      question,
      accessories,
    );
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
  // As the power plan has it: so much of a breaker may be drawn for hours.
  const ampsLeft = circuit.ratedA * REGIONS[circuit.region].continuousShare - othersA;
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
): Omit<Judged, 'cell' | 'what' | 'accessories' | 'worn'> {
  return {
    id,
    way: 'build',
    of: form.id,
    name: form.name,
    parameters,
    lamp: lamp.unit.id,
    ...estimateOf(measured, question),
    layers: layersOf(form, parameters, question),
    ...money,
    skill: form.gallery.skill,
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
    return judgeCells({ form, lamp, question, axes }, cells);
  }
  const size = axes.reduce((product, { length }) => product * length, 1);
  return { ...emptyFound(), judged: size, fell: { [fall]: size } };
}

/** The same beside a design that was found good, and the design itself with what it may carry. */
export function judgeBeside(
  form: FormDefinition,
  lamp: LampPlace,
  question: Question,
  cell: Cell,
): Found {
  const axes = axesOf(form, question);
  const base = partsWith(form, lamp, question);
  const sieve = new Sieve(question);
  if (!base) return sieve.found;
  for (const beside of besides(cell, axes))
    judgeShell(sieve, { form, lamp, question, base, axes }, beside, []);
  for (const worn of wornOf(question))
    judgeShell(sieve, { form, lamp, question, base, axes }, cell, [worn]);
  return sieve.found;
}

function judgeCells(
  { form, lamp, question, axes }: Omit<Drawn, 'base'>,
  cells: readonly Cell[],
): Found {
  const base = partsWith(form, lamp, question);
  const sieve = new Sieve(question);
  if (!base) {
    const by = question.shot.wishes.owned === 'all' ? 'owned' : 'unmakeable';
    sieve.fell(by, cells.length);
    return sieve.found;
  }
  for (const cell of cells) judgeShell(sieve, { form, lamp, question, base, axes }, cell, []);
  return sieve.found;
}

interface Drawn {
  form: FormDefinition;
  lamp: LampPlace;
  question: Question;
  base: BuildParameters;
  axes: ReturnType<typeof axesOf>;
}

/** One shell of a design at every number of its lamps. */
function judgeShell(
  sieve: Sieve,
  { form, lamp, question, base, axes }: Drawn,
  cell: Cell,
  accessories: readonly Accessory[],
): void {
  const parameters = parametersAt(base, axes, cell, form);
  const series = seriesOf(form, parameters, question, accessories);
  if (typeof series === 'string') return sieve.fell(series);
  const worn = accessories.map(({ id }) => id).join('+');
  for (const count of series.counts) {
    const id = [form.id, lamp.unit.id, cell.join('/'), count ?? '', worn].join(' ').trim();
    const counted = count === null ? parameters : { ...parameters, [form.fill!.parameter]: count };
    const judged = judgedOf(
      series.at(count),
      series.money(count),
      form,
      lamp,
      counted,
      id,
      question,
    );
    const names = accessories.flatMap(({ kind }) => ACCESSORIES.get(kind)?.name ?? []);
    sieve.take({ ...judged, cell, accessories, worn: names, what: whatWords(lamp, count) });
  }
}

/** What accessories declare for the use, each set with parts of the shelf: what is there first, then the cheapest. */
const wornOf = (question: Question): Accessory[] =>
  [...ACCESSORIES.values()].flatMap(({ id, fields, defaults, search }) => {
    if (!search?.uses.includes(question.shot.use)) return [];
    const places = fields.flatMap((field) =>
      field.kind === 'part' && !field.optional
        ? [{ field, part: partsFor(field, question)[0] }]
        : [],
    );
    if (places.some(({ part }) => !part)) return [];
    const chosen = places.map(({ field, part }) =>
      choosing(field, part!.id, question.document.shelf),
    );
    return search.sets.map((set, k) =>
      accessorySchema.parse({
        id: `${id}-${k + 1}`,
        kind: id,
        parameters: Object.assign({}, defaults(), ...chosen, set) as object,
      }),
    );
  });

/** “6 × Globe G45”, “2.6 m of Tape 24 V”, or the lamp alone. */
const whatWords = ({ unit }: LampPlace, count: number | null): string => {
  if (count === null) return unit.name;
  return unit.category === 'strip'
    ? `${Number(count.toFixed(2))} m of ${unit.name}`
    : count === 1
      ? unit.name
      : `${count} × ${unit.name}`;
};
