import { currentProductions } from './productions/current';
import { StorageProblem } from './storage/problem';

/** Opens the store, fills in the demo if asked to, and ends the process if it cannot. */
export async function startStore(): Promise<void> {
  try {
    const productions = await currentProductions();
    if (process.env.LANTERN_JAR_DEMO === '1') await productions.fillDemoOnce();
  } catch (error) {
    if (!(error instanceof StorageProblem)) throw error;
    console.error(error.message);
    process.exit(3);
  }
}
