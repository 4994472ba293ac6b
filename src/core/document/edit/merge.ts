import type { Production } from '../production';
import {
  fieldKey,
  findRecord,
  recordKey,
  refOf,
  valueAt,
  type AnyRecord,
  type FieldRef,
} from './address';
import { applyCommands } from './apply';
import type { Batch, Command } from './command';
import { sameJson } from './diff';

/** A place that was changed here and elsewhere; somebody has to choose. */
export interface Clash {
  key: string;
  ref: FieldRef;
  kind:
    | 'field'
    /** changed here, taken away there */
    | 'gone'
    /** taken away here, changed there */
    | 'removed'
    /** both made a record of this id */
    | 'double';
  /** as the undo list words the change made here */
  label: string;
  /** undefined where there is none */
  mine: unknown;
  theirs: unknown;
}

export type Choice = 'mine' | 'theirs';

interface Merged {
  document: Production;
  /** the batches as they fit now, those that came to nothing left out */
  batches: Batch[];
  /** what touches and has not been chosen; it stands as it is there */
  clashes: Clash[];
}

/**
 * Puts batches made on an older state on top of a newer one. What nobody else touched goes in; what
 * both touched is listed, field by field, unless `choices` (by clash key) says whose it shall be. A
 * field counts as touched when it no longer holds what the batch found there.
 * @param local the document the batches led to, to bring a record back that was taken away there
 */
export function mergeBatches(
  batches: readonly Batch[],
  newer: Production,
  choices: Readonly<Record<string, Choice>> = {},
  local: Production | null = null,
): Merged {
  const merge = new Merge(newer, choices, local);
  const merged = batches.flatMap((batch) => merge.take(batch) ?? []);
  return { document: merge.document, batches: merged, clashes: [...merge.clashes.values()] };
}

/** State of one merge: what is ours already, what is given up. */
class Merge {
  readonly clashes = new Map<string, Clash>();
  /** fields and records that hold ours already, so that later commands of ours meet only us */
  private readonly ours = new Set<string>();
  /** fields and records that stay theirs */
  private readonly theirs = new Set<string>();

  constructor(
    public document: Production,
    private readonly choices: Readonly<Record<string, Choice>>,
    private readonly local: Production | null,
  ) {}

  take(batch: Batch): Batch | null {
    const before = this.document;
    const commands: Command[] = [];
    const inverse: Command[] = [];
    // A change of form and the parameters that come with it are one choice.
    const bound = boundBuilds(batch.commands);
    const lost = bound.filter((key) => this.formClashes(key, batch));
    for (const command of batch.commands) {
      if (lost.includes(recordKey(command))) continue;
      for (const fitted of this.fit(command, batch, bound.includes(recordKey(command)))) {
        const done = applyCommands(this.document, [fitted]);
        if (!done.ok) continue;
        this.document = done.value.document;
        commands.push(fitted);
        inverse.unshift(...done.value.inverse);
      }
    }
    return this.document === before ? null : { ...batch, commands, inverse };
  }

  /** The commands that do here what `command` meant; none when it clashes or is done already. */
  private fit(command: Command, batch: Batch, bound: boolean): Command[] {
    if (this.theirs.has(recordKey(command))) return [];
    switch (command.do) {
      case 'set':
      case 'unset':
        return this.fitField(command, batch, bound);
      case 'add':
        return this.fitAdd(command, batch);
      case 'remove':
        return this.fitRemove(command, batch);
      case 'move':
        return findRecord(this.document, command) ? [command] : [];
    }
  }

  private fitField(
    command: Extract<Command, { path: readonly string[] }>,
    batch: Batch,
    bound: boolean,
  ): Command[] {
    const record = findRecord(this.document, command);
    if (!record) return this.bringBack(command, batch);
    const key = fieldKey(command);
    const mine = command.do === 'set' ? command.value : undefined;
    const theirs = valueAt(record, command.path);
    if (sameJson(mine, theirs)) {
      this.ours.add(key);
      return [];
    }
    if (bound || this.ours.has(key) || this.ours.has(recordKey(command))) return [command];
    if (sameJson(theirs, foundBy(batch, command))) {
      this.ours.add(key);
      return [command];
    }
    return this.ask({ key, ref: command, kind: 'field', label: batch.label, mine, theirs })
      ? [command]
      : [];
  }

  /** A record we changed and they took away: it comes back whole, or stays away. */
  private bringBack(command: FieldRef, batch: Batch): Command[] {
    const key = recordKey(command);
    const record = this.local && findRecord(this.local, command);
    const ref = { ...refOf(command), path: [] };
    const mine = record ?? undefined;
    if (!this.ask({ key, ref, kind: 'gone', label: batch.label, mine, theirs: undefined }))
      return [];
    return record ? [{ do: 'add', ...refOf(command), record, after: '' }] : this.give(key);
  }

  private fitAdd(command: Extract<Command, { do: 'add' }>, batch: Batch): Command[] {
    const key = recordKey(command);
    const there = findRecord(this.document, command);
    this.ours.add(key);
    if (!there) return [command];
    if (sameJson(there, command.record)) return [];
    const clash: Clash = {
      key,
      ref: { ...refOf(command), path: [] },
      kind: 'double',
      label: batch.label,
      mine: command.record,
      theirs: there,
    };
    return this.ask(clash) ? [{ do: 'remove', ...refOf(command) }, command] : [];
  }

  private fitRemove(command: Extract<Command, { do: 'remove' }>, batch: Batch): Command[] {
    const there = findRecord(this.document, command);
    if (!there) return [];
    const key = recordKey(command);
    const found = batch.inverse.find(
      (each): each is Extract<Command, { do: 'add' }> =>
        each.do === 'add' && recordKey(each) === key,
    )?.record as AnyRecord | undefined;
    if (this.ours.has(key) || sameJson(there, found)) return [command];
    const ref = { ...refOf(command), path: [] };
    return this.ask({
      key,
      ref,
      kind: 'removed',
      label: batch.label,
      mine: undefined,
      theirs: there,
    })
      ? [command]
      : [];
  }

  /** Would changing a build's form meet something of theirs? Then all of it is one question. */
  private formClashes(key: string, batch: Batch): boolean {
    if (this.ours.has(key) || this.theirs.has(key)) return this.theirs.has(key);
    const own = batch.commands.filter(
      (each): each is Extract<Command, { path: readonly string[] }> =>
        (each.do === 'set' || each.do === 'unset') && recordKey(each) === key,
    );
    const record = findRecord(this.document, own[0]!);
    if (!record) return false;
    const touched = own.some((each) => {
      const theirs = valueAt(record, each.path);
      return !this.ours.has(fieldKey(each)) && !sameJson(theirs, foundBy(batch, each));
    });
    if (!touched) return false;
    const form = own.find(({ path }) => path[0] === 'form')!;
    return !this.ask({
      key,
      ref: form,
      kind: 'field',
      label: batch.label,
      mine: form.do === 'set' ? form.value : undefined,
      theirs: valueAt(record, ['form']),
    });
  }

  /** Whether ours goes in. An open question leaves what is there. */
  private ask(clash: Clash): boolean {
    const choice = this.choices[clash.key];
    if (choice === 'mine') {
      this.ours.add(clash.key);
      return true;
    }
    if (choice === undefined) {
      const known = this.clashes.get(clash.key);
      this.clashes.set(clash.key, known ? { ...known, mine: clash.mine } : clash);
    }
    if (clash.ref.path.length === 0 || clash.key === recordKey(clash.ref)) this.give(clash.key);
    return false;
  }

  private give(key: string): [] {
    this.theirs.add(key);
    this.ours.delete(key);
    return [];
  }
}

/** What a field held when the batch changed it first. */
function foundBy(batch: Batch, ref: FieldRef): unknown {
  const key = fieldKey(ref);
  // The inverse runs backwards: what the first change found stands last.
  const back = batch.inverse.findLast(
    (each) => (each.do === 'set' || each.do === 'unset') && fieldKey(each) === key,
  );
  return back?.do === 'set' ? back.value : undefined;
}

/** Builds whose form a batch changes, by record key. */
const boundBuilds = (commands: readonly Command[]): string[] =>
  commands.flatMap((each) =>
    each.do === 'set' && each.kind === 'build' && each.path[0] === 'form' ? [recordKey(each)] : [],
  );
