import type { BuildParameters, Production } from '../../document/production';
import { choosing } from '../../forms/brings';
import type { Field, FormDefinition } from '../../forms/form';
import type { Axis } from '../../forms/search';
import { byOwnedThenPrice, fitting, isOwned } from '../../materials/takes';
import type { Part } from '../../materials/part';
import type { Unit } from '../../units/unit';
import type { Question } from './question';

/** Parameters that go together, by the place they have on an axis. */
type Change = Readonly<Record<string, unknown>>;

/** On hand, left over from a cut, or free. */
const isThere = (part: Part): boolean =>
  isOwned(part) || part.priceMinor === 0 || ('offCuts' in part && part.offCuts.length > 0);

/** Things of the shelf that may go into a place, what is owned first, then the cheapest; only what is owned where that is asked. */
export function partsFor(
  field: Extract<Field, { kind: 'part' }>,
  { document, shot }: Pick<Question, 'document' | 'shot'>,
): Part[] {
  const only = shot.wishes.owned === 'all';
  return fitting(document.shelf.parts, field)
    .filter((part) => !only || isThere(part))
    .toSorted(
      (a, b) =>
        Number(isThere(b)) - Number(isThere(a)) || byOwnedThenPrice(a, b) || (a.id < b.id ? -1 : 1),
    );
}

/** Sizes of one axis, the shelf looked through. */
export function changesOf(axis: Axis, form: FormDefinition, question: Question): Change[] {
  if ('sets' in axis) return [...axis.sets];
  const field = form.fields.find(({ parameter }) => parameter === axis.shelf);
  if (field?.kind !== 'part') return [{}];
  const { shelf } = question.document;
  const found = partsFor(field, question)
    .filter((part) => axis.only?.(part) ?? true)
    .map(({ id }) => choosing(field, id, shelf));
  return axis.none || found.length === 0 ? [{ [axis.shelf]: null }, ...found] : found;
}

/** Steps through a space of so many cells so that few of them lie well spread: near the golden section, prime to the size. */
function strideOf(size: number): number {
  const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b));
  let stride = Math.max(1, Math.round(size * 0.618));
  while (common(stride, size) !== 1) stride++;
  return stride;
}

/** Places on every axis. */
export type Cell = readonly number[];

/** Every combination, or so many of them spread over the whole; the same for the same question. */
export function cellsOf(lengths: readonly number[], most: number): Cell[] {
  const size = lengths.reduce((product, length) => product * length, 1);
  const stride = strideOf(size);
  return Array.from({ length: Math.min(size, most) }, (_, k) => {
    let at = (k * stride) % size;
    return lengths.map((length) => {
      const here = at % length;
      at = Math.floor(at / length);
      return here;
    });
  });
}

/** A place between two of an axis: 1.5 lies half way from the second to the third. */
function changeAt(changes: readonly Change[], place: number, form: FormDefinition): Change {
  const [low, high] = [changes[Math.floor(place)]!, changes[Math.ceil(place)]!];
  const t = place - Math.floor(place);
  if (t === 0) return low;
  return Object.fromEntries(
    Object.entries(low).map(([parameter, from]) => {
      const to = high[parameter];
      const field = form.fields.find((each) => each.parameter === parameter);
      if (typeof from !== 'number' || typeof to !== 'number' || field?.kind !== 'quantity')
        return [parameter, from];
      const step = field.dimension === 'count' ? 1 : field.step;
      return [parameter, Number((Math.round((from + (to - from) * t) / step) * step).toFixed(6))];
    }),
  );
}

/** Parameters of a form at places of its axes. */
export const parametersAt = (
  base: BuildParameters,
  axes: readonly (readonly Change[])[],
  cell: Cell,
  form: FormDefinition,
): BuildParameters =>
  Object.assign(
    {},
    base,
    ...cell.map((place, k) => changeAt(axes[k]!, place, form)),
  ) as BuildParameters;

/** Cells beside one: every other place of each axis, and half way to its neighbours where that is a size. */
export function besides(cell: Cell, axes: readonly (readonly Change[])[]): Cell[] {
  const size = (change: Change) =>
    Object.values(change).every((value) => typeof value === 'number');
  return axes.flatMap((changes, k) => {
    const here = cell[k]!;
    const whole = changes.map((_, place) => place);
    const half = changes.every(size)
      ? [here - 0.5, here + 0.5].filter((place) => place >= 0 && place <= changes.length - 1)
      : [];
    return [...whole, ...half]
      .filter((place) => place !== here)
      .map((place) => cell.with(k, place));
  });
}

/** A lamp in a form's place for it. */
export interface LampPlace {
  field: Extract<Field, { kind: 'unit' | 'groups' }>;
  unit: Unit;
}

const valueFor = ({ field, unit }: LampPlace): unknown =>
  field.kind === 'groups' ? [{ bulbId: unit.id, level: 1 }] : unit.id;

/** The lamp put in, nothing else chosen yet. */
export const bareWith = (
  form: FormDefinition,
  lamp: LampPlace,
  { shelf }: Production,
): BuildParameters =>
  ({
    ...(form.defaults() as object),
    ...(form.fill ? { fillMode: 'count' } : {}),
    ...choosing(lamp.field, valueFor(lamp), shelf),
  }) as BuildParameters;

/** Places of a form’s fields for lamps, each with every lamp of the shelf that goes there. */
export const lampPlaces = (form: FormDefinition, { shelf }: Production): LampPlace[] =>
  form.fields.flatMap((field) =>
    field.kind === 'unit' || field.kind === 'groups'
      ? shelf.units
          .filter(({ category }) => category === field.category)
          .map((unit) => ({ field, unit }))
      : [],
  );
