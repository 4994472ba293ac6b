import type { Production } from '@/core/document/production';
import type { Device } from '../share/devices';
import type { NotedEdit, ProductionRepository, TakenEdit } from './repository';
import type { SaveRequest } from './saveRequest';
import type { Stored } from './stored';
import { besideOthers, checkChanged, doEdits, sorted, takeEdits, type RefusedEdit } from './taking';

export type SaveOutcome =
  /** `newer` where others' edits stand beside these */
  | { kind: 'saved'; revision: number; refused: RefusedEdit[]; newer?: Stored }
  | { kind: 'stale'; newer: Stored }
  | { kind: 'missing' };

/** Another server may save between reading and writing; more often than this in a row it is a question. */
const ATTEMPTS = 8;
/** Saves of a crew that are written in one go. */
const MOST_TOGETHER = 40;

/** Where saves go: the store, and how a document is read from it. */
export interface SavePlace {
  repository: ProductionRepository;
  find: (id: string) => Promise<Stored | null>;
}

/** A save that waits for its turn. */
interface Waiting {
  place: SavePlace;
  given: SaveRequest;
  /** the device it comes from; null for the bench itself */
  by: Device | null;
  resolve: (outcome: SaveOutcome) => void;
  reject: (error: unknown) => void;
}

const queues = new Map<string, Waiting[]>();

/**
 * Puts edits on what is stored. Each is taken or refused by itself: what is wrong with one costs the
 * others nothing. Where others have saved meanwhile, what touches nothing of theirs is put beside it.
 * Saves that come while one is written are written together, as if one after another.
 */
export function saveEdits(
  place: SavePlace,
  id: string,
  given: SaveRequest,
  by: Device | null,
): Promise<SaveOutcome> {
  return new Promise((resolve, reject) => {
    const mine = { place, given, by, resolve, reject };
    const queue = queues.get(id);
    if (queue) return void queue.push(mine);
    queues.set(id, [mine]);
    void work(id);
  });
}

/** Where several windows save at once, a save waits this long for others to be written with. */
const GATHER_MS = 12;
const AT_ONCE_MS = 150;
/** The window that saved last to any production, and when. */
let last = { client: '', at: -Infinity };

/** A window that saves alone never waits. */
async function gather(queue: readonly Waiting[]): Promise<void> {
  const alone = queue.length === 1 && queue[0]!.given.client === last.client;
  if (alone || performance.now() - last.at > AT_ONCE_MS) return;
  await new Promise((resume) => setTimeout(resume, GATHER_MS));
}

async function work(id: string): Promise<void> {
  const queue = queues.get(id)!;
  while (queue.length > 0) {
    await gather(queue);
    // Only those of one store are written together.
    const { place } = queue[0]!;
    const other = queue.findIndex((each) => each.place.repository !== place.repository);
    const together = queue.splice(0, Math.min(other < 0 ? queue.length : other, MOST_TOGETHER));
    try {
      const outcomes = await saveTogether(place, id, together);
      last = { client: together.at(-1)!.given.client, at: performance.now() };
      together.forEach(({ resolve }, n) => resolve(outcomes[n]!));
    } catch (error) {
      together.forEach(({ reject }) => reject(error));
    }
  }
  queues.delete(id);
}

async function saveTogether(
  { repository, find }: SavePlace,
  id: string,
  together: readonly Waiting[],
): Promise<SaveOutcome[]> {
  for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
    const stored = await find(id);
    if (!stored) return together.map(() => ({ kind: 'missing' }));
    const oldest = Math.min(...together.map(({ given }) => given.baseRevision));
    const ids = together.flatMap(({ given }) => given.edits.map((edit) => edit.id));
    const log = await repository.taken(id, oldest, ids);
    const folded = fold(stored, log, together, false) ?? fold(stored, log, together, true)!;
    const { document, noted, outcomes } = folded;
    if (noted.length === 0 || (await repository.replace(id, stored.revision, document, noted)))
      return outcomes;
  }
  const newer = await find(id);
  return together.map(() => (newer ? { kind: 'stale', newer } : { kind: 'missing' }));
}

interface Folded {
  document: Production;
  noted: NotedEdit[];
  outcomes: SaveOutcome[];
}

/**
 * Saves one after another, each making a revision of its own. Unchecked, the document is checked once at the
 * end; null where anything is wrong with any of them, and they have to be looked at one by one.
 */
function fold(
  stored: Stored,
  log: { since: readonly TakenEdit[]; known: ReadonlySet<string> },
  together: readonly Waiting[],
  checked: boolean,
): Folded | null {
  let now = stored;
  const noted: NotedEdit[] = [];
  const outcomes: SaveOutcome[] = [];
  for (const { given, by } of together) {
    const { client, baseRevision, edits } = given;
    const since = [...log.since, ...noted].filter((edit) => edit.revision > baseRevision);
    const beside = movedOn(now.revision, baseRevision, since, client);
    const done = new Set([...log.known, ...noted.map((edit) => edit.id)]);
    const { allowed, refused: barred } = sorted(
      edits.filter((edit) => !done.has(edit.id)),
      by,
    );
    const fitted = beside ? besideOthers(now.document, allowed) : allowed;
    if (!fitted) {
      outcomes.push({ kind: 'stale', newer: now });
      continue;
    }
    const took = checked ? takeEdits(now.document, fitted) : doEdits(now.document, fitted);
    if (!took) return null;
    if (took.taken.length > 0) {
      const revision = now.revision + 1;
      now = { revision, document: took.document };
      const who = by?.name ?? '';
      noted.push(
        ...took.taken.map((edit) => ({ id: edit.id, label: edit.label, client, who, revision })),
      );
    }
    const refused: RefusedEdit[] = [...barred, ...took.refused];
    const newer = beside ? { newer: now } : {};
    outcomes.push({ kind: 'saved', revision: now.revision, refused, ...newer });
  }
  const { document } = now;
  if (!checked && !checkChanged(document, stored.document).ok) return null;
  return { document, noted, outcomes };
}

/** Whether other hands than this window's have saved since a revision. */
export function movedOn(
  revision: number,
  baseRevision: number,
  since: readonly TakenEdit[],
  client: string,
): boolean {
  if (revision === baseRevision) return false;
  const own = new Set(since.filter((edit) => edit.client === client).map((edit) => edit.revision));
  // Every revision in between has to be accounted for by edits of this window.
  return revision < baseRevision || own.size !== revision - baseRevision;
}
