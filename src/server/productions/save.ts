import type { Production } from '@/core/document/production';
import type { Device } from '../share/devices';
import { stillSound } from '@/core/document/touched';
import type { NotedEdit } from './documents';
import type { ProductionRepository, TakenEdit } from './repository';
import type { SaveRequest } from './saveRequest';
import { besideOf, type Beside, type Standing, type Step, type Stored } from './stored';
import { besideOthers, doEdits, sorted, takeEdits, type RefusedEdit } from './taking';

export type SaveOutcome =
  /** `beside`: what all have made together, where others' edits stand beside these */
  | { kind: 'saved'; revision: number; refused: RefusedEdit[]; beside?: Beside }
  | { kind: 'stale'; newer: Stored }
  | { kind: 'missing' };

/** Another server may save between reading and writing; more often than this in a row it is a question. */
const ATTEMPTS = 8;
/** Saves of a crew that are written in one go. */
const MOST_TOGETHER = 40;

/** A save that waits for its turn. */
interface Waiting {
  repository: ProductionRepository;
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
  repository: ProductionRepository,
  id: string,
  given: SaveRequest,
  by: Device | null,
): Promise<SaveOutcome> {
  return new Promise((resolve, reject) => {
    const mine = { repository, given, by, resolve, reject };
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
    const { repository } = queue[0]!;
    const other = queue.findIndex((each) => each.repository !== repository);
    const together = queue.splice(0, Math.min(other < 0 ? queue.length : other, MOST_TOGETHER));
    try {
      const outcomes = await saveTogether(repository, id, together);
      last = { client: together.at(-1)!.given.client, at: performance.now() };
      together.forEach(({ resolve }, n) => resolve(outcomes[n]!));
      await repository.writeWhole(id).catch((error) => console.error(error));
    } catch (error) {
      together.forEach(({ reject }) => reject(error));
    }
  }
  queues.delete(id);
}

async function saveTogether(
  repository: ProductionRepository,
  id: string,
  together: readonly Waiting[],
): Promise<SaveOutcome[]> {
  for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
    const stored = await repository.standing(id);
    if (!stored) return together.map(() => ({ kind: 'missing' }));
    const oldest = Math.min(...together.map(({ given }) => given.baseRevision));
    const ids = together.flatMap(({ given }) => given.edits.map((edit) => edit.id));
    const log = await repository.taken(id, oldest, ids);
    const folded = fold(stored, log, together, false) ?? fold(stored, log, together, true)!;
    const { document, steps, noted: edits, outcomes } = folded;
    if (edits.length === 0) return outcomes;
    if (await repository.replace(id, { from: stored, document, steps, edits })) return outcomes;
  }
  const newer = await repository.find(id);
  return together.map(() => (newer ? { kind: 'stale', newer } : { kind: 'missing' }));
}

const plain = ({ revision, document }: Standing): Stored => ({ revision, document });

interface Folded {
  document: Production;
  /** what made it; null where the document is not what commands alone make of the one before */
  steps: Step[] | null;
  noted: NotedEdit[];
  outcomes: SaveOutcome[];
}

/**
 * Saves one after another, each making a revision of its own. Unchecked, what they touched is checked once
 * at the end; null where anything is wrong with any of them, and they have to be looked at one by one.
 */
function fold(
  stored: Standing,
  log: { since: readonly TakenEdit[]; known: ReadonlySet<string> },
  together: readonly Waiting[],
  checked: boolean,
): Folded | null {
  let now = stored;
  const steps: Step[] = [];
  const noted: NotedEdit[] = [];
  const outcomes: SaveOutcome[] = [];
  for (const { given, by } of together) {
    const { client, baseRevision, edits } = given;
    const since = [...log.since, ...noted].filter((edit) => edit.revision > baseRevision);
    const moved = movedOn(now.revision, baseRevision, since, client);
    const done = new Set([...log.known, ...noted.map((edit) => edit.id)]);
    const { allowed, refused: barred } = sorted(
      edits.filter((edit) => !done.has(edit.id)),
      by,
    );
    const fitted = moved ? besideOthers(now.document, allowed) : allowed;
    if (!fitted) {
      outcomes.push({ kind: 'stale', newer: plain(now) });
      continue;
    }
    const took = checked ? takeEdits(now.document, fitted) : doEdits(now.document, fitted);
    if (!took) return null;
    if (took.taken.length > 0) {
      const revision = now.revision + 1;
      const commands = took.taken.flatMap((edit) => edit.commands);
      steps.push({ revision, commands });
      now = { revision, document: took.document, steps: [...now.steps, { revision, commands }] };
      const who = by?.name ?? '';
      noted.push(
        ...took.taken.map((edit) => ({ id: edit.id, label: edit.label, client, who, revision })),
      );
    }
    const refused: RefusedEdit[] = [...barred, ...took.refused];
    const all = moved ? { beside: besideOf(now, baseRevision) } : {};
    outcomes.push({ kind: 'saved', revision: now.revision, refused, ...all });
  }
  const { document } = now;
  if (checked) return { document, steps: null, noted, outcomes };
  const commands = steps.flatMap((step) => step.commands);
  return stillSound(document, commands) ? { document, steps, noted, outcomes } : null;
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
