import type { Shot } from '../location/shot';
import { fieldsFor } from '../shelf/shelf';

/** What stock and money are worth to a design: nothing. */
const NEUTRAL = fieldsFor('stock', 'price');
/** The same for cutting, which asks what lies in the shed but not what it cost. */
const UNPRICED = fieldsFor('price');
/** Fields of a shot that words and money stand in. */
const NEUTRAL_SHOT: Readonly<Record<string, unknown>> = {
  name: 'shot',
  note: '',
  budgetMinor: null,
};

const sameFields = (a: object, b: object): boolean => {
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(left);
  return (
    keys.length === Object.keys(right).length &&
    keys.every((key) => Object.is(left[key], right[key]))
  );
};

/**
 * Records as a design sees them: without money, stock and words. A record that changed in those alone
 * keeps the view it had, so that what was worked out from it still stands.
 */
export class DesignViews {
  private readonly made = new Map<string, WeakMap<object, object>>();
  private readonly last = new Map<string, object>();
  private readonly lists = new Map<string, readonly object[]>();

  record<R extends { id: string }>(kind: string, record: R): R {
    return this.view('design', `${kind}:${record.id}`, record, NEUTRAL);
  }

  /** A record as the saw sees it: with stock, without its price. */
  stock<R extends { id: string }>(kind: string, record: R): R {
    return this.view('stock', `${kind}:${record.id}`, record, UNPRICED);
  }

  shot(shot: Shot): Shot {
    return this.view('shot', shot.id, shot, NEUTRAL_SHOT);
  }

  /** A whole list; the same list as long as all its views are. */
  list<R extends { id: string }>(kind: string, records: readonly R[]): readonly R[] {
    const made = this.madeAs('list');
    const known = made.get(records);
    if (known) return known as readonly R[];
    const views = records.map((record) => this.record(kind, record));
    const last = this.lists.get(kind);
    const same = last?.length === views.length && views.every((view, k) => view === last[k]);
    const kept = same ? (last as readonly R[]) : views;
    this.lists.set(kind, kept);
    made.set(records, kept);
    return kept;
  }

  private madeAs(way: string): WeakMap<object, object> {
    const known = this.made.get(way) ?? new WeakMap<object, object>();
    this.made.set(way, known);
    return known;
  }

  private view<R extends object>(way: string, id: string, record: R, neutral: typeof NEUTRAL): R {
    const made = this.madeAs(way);
    const known = made.get(record);
    if (known) return known as R;
    const view = { ...record } as Record<string, unknown>;
    for (const [field, value] of Object.entries(neutral)) if (field in view) view[field] = value;
    const key = `${way} ${id}`;
    const last = this.last.get(key);
    const kept = last && sameFields(last, view) ? last : view;
    this.last.set(key, kept);
    made.set(record, kept);
    return kept as R;
  }
}
