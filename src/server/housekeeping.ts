import { backUpWhatIsDue } from './backup/rotation';
import { currentMedia } from './media/current';
import { currentProductions } from './productions/current';
import { currentStore, storageOptions } from './storage/current';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;
/** Late enough that a start is not slowed, early enough that a day's work has one however short it is. */
const FIRST_BACKUP_MS = 2 * MINUTE_MS;
const LOOK_EVERY_MS = 10 * MINUTE_MS;

const inTime = (work: () => Promise<unknown>, everyMs: number) =>
  setInterval(() => void work().catch((error) => console.error(error)), everyMs).unref();

/** What came in by half, pictures nobody names any more, and productions that lay in the bin too long. */
async function tidy(): Promise<void> {
  await (await currentProductions()).emptyBin();
  const media = await currentMedia();
  await media.dropUnfinished();
  await media.sweep();
}

/** A data folder is backed up by itself; a database of one's own is backed up by its owner's means. */
async function backUp(): Promise<void> {
  const { databaseUrl, folder } = storageOptions();
  if (databaseUrl || process.env.LANTERN_JAR_BACKUPS === 'off') return;
  await backUpWhatIsDue((await currentStore()).db, folder);
}

/** What a server does beside answering: at start, and as long as it runs, which may be months. */
export async function keepHouse(): Promise<void> {
  await tidy();
  inTime(tidy, DAY_MS);
  setTimeout(() => void backUp().catch((error) => console.error(error)), FIRST_BACKUP_MS).unref();
  inTime(backUp, LOOK_EVERY_MS);
}
