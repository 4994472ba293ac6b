import { openDatabase, type OpenDatabase } from './database';

/** Next loads server modules more than once in a process; the open store is kept on the global. */
const holder = globalThis as { lanternJarStore?: Promise<OpenDatabase> };

export const storageOptions = () => ({
  databaseUrl: process.env.DATABASE_URL,
  folder: process.env.LANTERN_JAR_DATA ?? 'data',
});

/** Told by the server's front; tools that open the folder serve nothing. */
const portServed = (): number | undefined => Number(process.env.PORT) || undefined;

/** The store of this process, opened at the first call; a failed opening is tried anew. */
export function currentStore(): Promise<OpenDatabase> {
  holder.lanternJarStore ??= openDatabase({ ...storageOptions(), port: portServed() }).catch(
    (error) => {
      holder.lanternJarStore = undefined;
      throw error;
    },
  );
  return holder.lanternJarStore;
}
