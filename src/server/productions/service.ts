import { nanoid } from 'nanoid';
import * as z from 'zod';
import { blankProduction } from '@/core/document/blank';
import type { Picture } from '@/core/document/picture';
import type { Production } from '@/core/document/production';
import { readDocument } from '@/core/document/read';
import { productionIdSchema } from '@/core/ids';
import { REGION_IDS } from '@/core/electrics/region';
import { accept, type Result } from '@/core/result';
import { bringing, withOwn } from '@/core/shelf/own';
import { nightFerry, typicalStock } from '@/demo/nightFerry';
import type { Device } from '../share/devices';
import { ownShelfOf } from './ownShelf';
import type { ProductionRepository } from './repository';
import { besideOf, type Beside } from './stored';
import { movedOn, saveEdits, type SaveOutcome } from './save';
import type { SaveRequest } from './saveRequest';

export const createSchema = z.object({
  name: z.string().trim().min(1, 'Give the production a name').max(120),
  region: z.enum(REGION_IDS),
  currency: z.string().regex(/^[A-Z]{3}$/, 'Three capital letters, such as EUR'),
  /** puts what its owner has at home on its shelf */
  own: z.boolean().default(false),
});

export const sinceSchema = z.object({
  client: z.string().min(1).max(40),
  revision: z.number().int().min(0),
  edits: z.array(z.string().min(1).max(40)).max(5000),
});

const DEMO_FILLED = 'demo-filled';

/** A document under its own id, or one of its own when that is taken. */
async function withFreeId(repository: ProductionRepository, document: Production) {
  const wanted = document.id;
  const free = (await repository.isTaken(wanted)) ? `${wanted.slice(0, 50)}-${nanoid(8)}` : wanted;
  return { ...document, id: productionIdSchema.parse(free) };
}

/** Keeps a copy. @returns the id it has here */
async function insertUnderFreeId(repository: ProductionRepository, document: Production) {
  const copy = await withFreeId(repository, document);
  await repository.insert(copy);
  return copy.id;
}

/** Keeps the sample's photographs and names them; a store without pictures has none. */
type KeepPhotographs = () => Promise<Picture[]>;
const noPhotographs: KeepPhotographs = () => Promise.resolve([]);

const demoOf = (repository: ProductionRepository) => ({
  /** Puts *Night Ferry* in once; a user who deleted it is not given it again. */
  fillDemoOnce: async (photographs = noPhotographs) => {
    if (await repository.setting(DEMO_FILLED)) return;
    const document = { ...nightFerry(), pictures: await photographs() };
    await repository.insertOnce(DEMO_FILLED, 'yes', await withFreeId(repository, document));
  },

  /** Puts the sample production back as it was on the first day. */
  resetDemo: async (photographs = noPhotographs) => {
    const fresh = { ...nightFerry(), pictures: await photographs() };
    await repository.putInPlace(fresh);
    await repository.setSetting(DEMO_FILLED, 'yes');
  },
});

/** What the application does with productions; routes parse and answer, nothing more. */
export function productionService(repository: ProductionRepository) {
  const insertCopy = (document: Production) => insertUnderFreeId(repository, document);
  const home = ownShelfOf(repository);

  return {
    ...home,
    ...demoOf(repository),
    list: repository.list,
    find: repository.find,
    bin: repository.bin,
    takeBack: repository.takeBack,
    inBin: repository.inBin,
    emptyBin: repository.emptyBin,
    log: repository.log,

    /** What a window that follows does not know yet; null while there is nothing. */
    newerThan: async (id: string, after: number): Promise<Beside | null | 'missing'> => {
      const revision = await repository.revision(id);
      if (revision !== null && revision <= after) return null;
      const now = revision === null ? null : await repository.standing(id);
      return now ? besideOf(now, after) : 'missing';
    },

    /** A new production begins with a shelf of typical units, so that a build can start at once. */
    create: async (given: z.input<typeof createSchema>) => {
      const ids = { production: nanoid(12), circuit: nanoid(8) };
      const blank = blankProduction(ids, given.name, given.region, given.currency);
      const begun = { ...blank, ...typicalStock() };
      if (!given.own) return insertCopy(begun);
      const own = bringing(begun.shelf, given.currency, await home.ownShelf(), () => nanoid(10));
      return insertCopy({ ...begun, shelf: withOwn(begun.shelf, own) });
    },

    /**
     * Imports a document as a production of its own; nothing that is stored changes.
     * @param reader  reads it; a large one is not read where others are answered
     */
    import: async (
      json: unknown,
      reader: (json: unknown) => Result<Production> | Promise<Result<Production>> = readDocument,
    ): Promise<Result<string>> => {
      const read = await reader(json);
      return read.ok ? accept(await insertCopy(read.value)) : read;
    },

    /** Edits on the revision they were made from, each taken or refused by itself. */
    save: (id: string, given: SaveRequest, by: Device | null = null): Promise<SaveOutcome> =>
      saveEdits(repository, id, given, by),

    /** What a browser with unsent edits must know: the newest state, and which of them are in it. */
    since: async (id: string, given: z.infer<typeof sinceSchema>) => {
      const stored = await repository.find(id);
      if (!stored) return null;
      const { since, known } = await repository.taken(id, given.revision, given.edits);
      const { revision, document } = stored;
      return {
        revision,
        document,
        taken: [...known],
        movedOn: movedOn(revision, given.revision, since, given.client),
      };
    },
  };
}
export type ProductionService = ReturnType<typeof productionService>;
