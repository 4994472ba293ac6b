/** A record looked up while something was worked out, and what was found. */
export interface Lookup<D> {
  look: (document: D) => unknown;
  found: unknown;
}

interface Kept<D> {
  /** the last document it stood for: nothing need be looked up twice in one */
  document: D;
  inputs: readonly unknown[];
  lookups: readonly Lookup<D>[];
  value: unknown;
}

/**
 * Results by owner and name, each kept as long as everything it was made from is the same object: the
 * inputs it was given, and what it looked up in the document on its way.
 */
export class Keep<D> {
  private readonly owners = new Map<string, Map<string, Kept<D>>>();
  /** how often each kind of result was worked out, for tests and measuring */
  readonly worked = new Map<string, number>();

  get<T>(
    owner: string,
    name: string,
    document: D,
    inputs: readonly unknown[],
    work: (note: (lookup: Lookup<D>) => void) => T,
  ): T {
    const own = this.owners.get(owner) ?? new Map<string, Kept<D>>();
    const kept = own.get(name);
    if (kept && standing(kept, document, inputs)) {
      kept.document = document;
      return kept.value as T;
    }
    const lookups: Lookup<D>[] = [];
    const value = work((lookup) => lookups.push(lookup));
    own.set(name, { document, inputs, lookups, value });
    this.owners.set(owner, own);
    this.worked.set(name, (this.worked.get(name) ?? 0) + 1);
    return value;
  }

  /** Forgets owners that are gone. */
  prune(owners: ReadonlySet<string>): void {
    for (const owner of this.owners.keys()) if (!owners.has(owner)) this.owners.delete(owner);
  }
}

const standing = <D>(kept: Kept<D>, document: D, inputs: readonly unknown[]): boolean =>
  kept.inputs.length === inputs.length &&
  kept.inputs.every((each, k) => Object.is(each, inputs[k])) &&
  (kept.document === document || kept.lookups.every(({ look, found }) => look(document) === found));
