import { FORMS } from '../../forms';
import { missesOf, type Judged } from './judged';
import { judgeBeside, judgeLamp, lampFalls } from './judge';
import { emptyFound, type Found } from './sieve';
import { lampPlaces, type Cell, type LampPlace } from './shells';
import { judgeThings } from './things';
import type { Question } from './question';

/** A piece of a search that one worker does at a time. Plain data. */
export type Task =
  | { kind: 'things' }
  /** one lamp in one form, so many of its shells */
  | { kind: 'lamp'; form: string; place: number; shells: number }
  /** what lies beside a design that was found good */
  | { kind: 'beside'; form: string; unit: string; cell: Cell };

/** Shells a whole search resolves, and the most and fewest of one lamp in one form. */
const SHELLS = { all: 1900, most: 70, least: 4 };
/** Of a lamp whose label misses a hard wish only the nearest miss is wanted. */
const FEW = 6;

const searched = () => [...FORMS.values()].filter(({ search }) => search !== undefined);

/** Its label tells that no design with it will do. */
function misses(lamp: LampPlace, { shot }: Question): boolean {
  const { hard, leastRa } = shot.wishes;
  const { criRa } = lamp.unit;
  return hard.includes('cri') && criRa !== null && criRa < leastRa;
}

/**
 * The pieces of a search in the order they are done: what is there first, then the forms in turn, each with its likeliest
 * lamps first.
 */
export function tasksOf(question: Question): Task[] {
  const lanes = searched().map((form) =>
    lampPlaces(form, question.document)
      .map((lamp, place) => ({ lamp, place, form: form.id }))
      .toSorted(
        (a, b) => likelihood(b.lamp, question) - likelihood(a.lamp, question) || a.place - b.place,
      ),
  );
  const all = lanes.flat();
  const good = all.filter(({ lamp }) => !lampFalls(lamp, question) && !misses(lamp, question));
  const each = Math.min(
    SHELLS.most,
    Math.max(SHELLS.least, Math.floor(SHELLS.all / Math.max(1, good.length))),
  );
  const turns = Math.max(0, ...lanes.map(({ length }) => length));
  const inTurn = Array.from({ length: turns }, (_, turn) =>
    lanes.flatMap((lane) => lane[turn] ?? []),
  ).flat();
  return [
    { kind: 'things' },
    ...inTurn.map(({ lamp, place, form }): Task => ({
      kind: 'lamp',
      form,
      place,
      shells: misses(lamp, question) ? FEW : each,
    })),
  ];
}

/** What is on hand, renders well and is of the shot’s colour comes first. */
const likelihood = (lamp: LampPlace, question: Question): number => {
  const { unit } = lamp;
  const { shot } = question;
  const off = unit.cctK === null ? 100 : Math.abs(1e6 / unit.cctK - 1e6 / shot.cctK);
  return (
    (misses(lamp, question) ? -1000 : 0) + (unit.onHand > 0 ? 100 : 0) + (unit.criRa ?? 80) - off
  );
};

/** @returns nothing found for a task that names what is not there */
export function doTask(task: Task, question: Question): Found {
  if (task.kind === 'things') return judgeThings(question);
  const form = FORMS.get(task.form);
  const places = form ? lampPlaces(form, question.document) : [];
  const lamp =
    task.kind === 'lamp' ? places[task.place] : places.find(({ unit }) => unit.id === task.unit);
  if (!form || !lamp) return emptyFound();
  return task.kind === 'lamp'
    ? judgeLamp(form, lamp, question, task.shells)
    : judgeBeside(form, lamp, question, task.cell);
}

/** Good designs that are looked beside. */
const BESIDE = 14;

/** What to look at once the front is known roughly: beside its cheapest, softest, easiest and best weighed. */
export function tasksBeside(front: readonly Judged[], question: Question): Task[] {
  const drawn = front.filter(({ cell, lamp }) => cell && lamp);
  const by = (rank: (found: Judged) => number) =>
    drawn.toSorted((a, b) => rank(a) - rank(b) || (a.id < b.id ? -1 : 1)).slice(0, BESIDE / 2);
  const missed = (found: Judged) =>
    missesOf(found, question).reduce((sum, { share }) => sum + share, 0);
  const chosen = [
    ...by(missed),
    ...by(({ nowMinor }) => nowMinor),
    ...by(({ angleDeg, separate }) => (separate ? 0 : -angleDeg)),
    ...by(({ hours }) => hours),
  ];
  const places = new Map(
    chosen.map(({ of, lamp, cell }) => [
      `${of} ${lamp} ${cell!.join('/')}`,
      { kind: 'beside' as const, form: of, unit: lamp!, cell: cell! },
    ]),
  );
  return [...places.values()].slice(0, BESIDE);
}
