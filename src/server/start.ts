import { keepHouse } from './housekeeping';
import { currentMedia } from './media/current';
import { keepDemoPhotographs } from './media/demo';
import { currentProductions } from './productions/current';
import { StorageProblem } from './storage/problem';

const LONGEST_LINE = 300;
/** What went wrong, without what was to be written: that may be a whole document. */
const firstLine = (error: unknown): string => {
  const { message, cause } = error as Error;
  return ((cause as Error | undefined)?.message ?? message).split('\n')[0]!.slice(0, LONGEST_LINE);
};

/** Opens the store, fills in the demo if asked to, and ends the process if it cannot. */
export async function startStore(): Promise<void> {
  try {
    const productions = await currentProductions();
    await keepHouse();
    if (process.env.LANTERN_JAR_DEMO === '1')
      await productions.fillDemoOnce(async () => keepDemoPhotographs(await currentMedia()));
  } catch (error) {
    // Better no server than one that answers every page with an error.
    console.error(
      error instanceof StorageProblem
        ? error.message
        : `Lantern Jar cannot start: ${firstLine(error)}`,
    );
    process.exit(3);
  }
}
