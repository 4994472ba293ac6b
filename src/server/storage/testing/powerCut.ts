import {
  closeSync,
  cpSync,
  existsSync,
  ftruncateSync,
  mkdirSync,
  openSync,
  renameSync,
  rmdirSync,
  unlinkSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { join, relative } from 'node:path';
import type { EngineModule, EngineNode } from '../flushedFolder';

/** A file or folder, whatever it is called at the moment. */
type Thing = number;

/** What was asked of the disk, in order. Names are relative to the folder. */
type Order =
  | { do: 'make'; thing: Thing; name: string; folder: boolean }
  | { do: 'rename'; from: string; to: string }
  | { do: 'unlink' | 'rmdir'; name: string }
  | { do: 'write'; thing: Thing; at: number; bytes: Buffer }
  | { do: 'cut'; thing: Thing; size: number }
  | { do: 'flush'; thing: Thing };

/** Data reaches the platter in sectors; one is never half written (common practice). */
const SECTOR = 512;

/** Random numbers from 0 to 1 that a seed repeats (a linear congruence, Numerical Recipes' constants, from memory). */
export function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

/**
 * Notes all that an engine asks of its folder, and makes what a power cut would leave of it, as a journalling
 * file system does: names are as they were at the last flush or some moment after it; bytes that were
 * not flushed are there or not, sector by sector.
 */
export class WatchedDisk {
  readonly orders: Order[] = [];
  /** things by their name now; what stood in the folder before gets its number when it is first met */
  private readonly named = new Map<string, Thing>();
  private readonly before = new Map<Thing, string>();
  private count = 0;
  private readonly baseline: string;

  /** @param folder  as it stands, before the engine opens it; everything in it counts as flushed */
  constructor(
    private readonly folder: string,
    copyAt: string,
  ) {
    this.baseline = copyAt;
    cpSync(folder, copyAt, { recursive: true });
  }

  /** To be handed to the engine. */
  readonly watch = ({ FS }: EngineModule): void => {
    const files = FS.filesystems.NODEFS;
    const { stream_ops: streams, node_ops: nodes } = files;
    const nameOf = (node: EngineNode) => relative(this.folder, files.realPath(node));
    const within = (folder: EngineNode, name: string) => join(nameOf(folder), name);
    const after = <A extends unknown[], R>(work: (...given: A) => R, note: (...given: A) => void) =>
      function (this: unknown, ...given: A): R {
        const done = work.apply(this, given);
        note(...given);
        return done;
      };
    streams.write = after(streams.write, ({ node }, bytes, offset, length, at) =>
      this.note(nameOf(node), (thing) => ({
        do: 'write',
        thing,
        at,
        bytes: Buffer.from(bytes.buffer, bytes.byteOffset + offset, length).subarray(),
      })),
    );
    streams.fsync = after(streams.fsync!, ({ node }) =>
      this.note(nameOf(node), (thing) => ({ do: 'flush', thing })),
    );
    streams.setattr = after(streams.setattr, ({ node }, { size }) =>
      this.sized(nameOf(node), size),
    );
    nodes.setattr = after(nodes.setattr, (node, { size }) => this.sized(nameOf(node), size));
    nodes.mknod = after(nodes.mknod, (parent, name, mode) => {
      const made = within(parent, name);
      const thing = this.count++;
      this.named.set(made, thing);
      this.orders.push({ do: 'make', thing, name: made, folder: (mode & 0o170000) === 0o040000 });
    });
    const rename = nodes.rename;
    nodes.rename = (node, folder, name) => {
      const [from, to] = [nameOf(node), within(folder, name)];
      const thing = this.thingAt(from);
      rename(node, folder, name);
      this.named.delete(from);
      this.named.set(to, thing);
      this.orders.push({ do: 'rename', from, to });
    };
    const gone = (what: 'unlink' | 'rmdir') => (folder: EngineNode, name: string) => {
      const gone = within(folder, name);
      this.named.delete(gone);
      this.orders.push({ do: what, name: gone });
    };
    nodes.unlink = after(nodes.unlink, gone('unlink'));
    nodes.rmdir = after(nodes.rmdir, gone('rmdir'));
  };

  private thingAt(name: string): Thing {
    const known = this.named.get(name);
    if (known !== undefined) return known;
    const thing = this.count++;
    this.named.set(name, thing);
    this.before.set(thing, name);
    return thing;
  }

  private note(name: string, order: (thing: Thing) => Order): void {
    const noted = order(this.thingAt(name));
    // The engine's memory is written over: keep the bytes.
    this.orders.push(noted.do === 'write' ? { ...noted, bytes: Buffer.from(noted.bytes) } : noted);
  }

  private sized(name: string, size: number | undefined): void {
    if (size !== undefined) this.note(name, (thing) => ({ do: 'cut', thing, size }));
  }

  /** What stands in a new folder when the power goes after so many orders. */
  leaveAt(moment: number, at: string, random: () => number): void {
    cpSync(this.baseline, at, { recursive: true });
    const orders = this.orders.slice(0, moment);
    const lastFlush = orders.findLastIndex((order) => order.do === 'flush');
    const namesTo = lastFlush + 1 + Math.floor(random() * (moment - lastFlush));
    const safe = flushedLater(orders);
    const place = new Map<Thing, string>(this.before);
    const byName = new Map([...place].map(([thing, name]) => [name, thing]));
    orders.forEach((order, n) => {
      if (order.do === 'flush') return;
      if (order.do === 'write' || order.do === 'cut') {
        const name = place.get(order.thing);
        if (name !== undefined && existsSync(join(at, name)))
          putOn(join(at, name), order, safe.has(n), random);
      } else if (n < namesTo) rename(order, at, place, byName);
    });
  }
}

/** Places of orders to a thing that is flushed after them. */
function flushedLater(orders: readonly Order[]): Set<number> {
  const safe = new Set<number>();
  const flushed = new Set<Thing>();
  for (let n = orders.length - 1; n >= 0; n--) {
    const order = orders[n]!;
    if (order.do === 'flush') flushed.add(order.thing);
    else if ('thing' in order && flushed.has(order.thing)) safe.add(n);
  }
  return safe;
}

function rename(
  order: Exclude<Order, { do: 'write' | 'cut' | 'flush' }>,
  at: string,
  place: Map<Thing, string>,
  byName: Map<string, Thing>,
): void {
  if (order.do === 'make') {
    if (order.folder) mkdirSync(join(at, order.name));
    else writeFileSync(join(at, order.name), '');
    place.set(order.thing, order.name);
    byName.set(order.name, order.thing);
  } else if (order.do === 'rename') {
    renameSync(join(at, order.from), join(at, order.to));
    const thing = byName.get(order.from);
    byName.delete(order.from);
    if (thing === undefined) return;
    place.set(thing, order.to);
    byName.set(order.to, thing);
  } else {
    (order.do === 'unlink' ? unlinkSync : rmdirSync)(join(at, order.name));
    const thing = byName.get(order.name);
    byName.delete(order.name);
    if (thing !== undefined) place.delete(thing);
  }
}

function putOn(
  file: string,
  order: Extract<Order, { do: 'write' | 'cut' }>,
  safe: boolean,
  random: () => number,
): void {
  const held = openSync(file, 'r+');
  try {
    if (order.do === 'cut') {
      if (safe || random() < 0.5) ftruncateSync(held, order.size);
      return;
    }
    if (safe) writeSync(held, order.bytes, 0, order.bytes.length, order.at);
    else
      for (let from = 0; from < order.bytes.length; from += SECTOR) {
        const length = Math.min(SECTOR, order.bytes.length - from);
        if (random() < 0.5) writeSync(held, order.bytes, from, length, order.at + from);
      }
  } finally {
    closeSync(held);
  }
}
