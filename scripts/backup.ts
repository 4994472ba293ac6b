import { resolve } from 'node:path';
import { writeArchiveFile, writeBackup } from '@/server/backup/files';
import { openBackup } from '@/server/backup/opened';
import { stampOf } from '@/server/backup/stamp';
import { openDatabase } from '@/server/storage/database';
import { storageOptions } from '@/server/storage/current';
import { portOfHolder } from '@/server/storage/lock';
import { StorageProblem } from '@/server/storage/problem';

/** A server has the folder open: it hands out what lies there. */
async function fromServer(port: number, file: string): Promise<void> {
  const answer = await fetch(`http://127.0.0.1:${port}/api/backup`);
  if (!answer.ok || !answer.body)
    throw new StorageProblem(
      'locked',
      `The server on port ${port} hands out no backup (${answer.status}).`,
    );
  await writeArchiveFile(file, (sink) => answer.body!.pipeTo(sink));
}

async function main() {
  const file = resolve(process.argv[2] ?? `lantern-jar-backup-${stampOf(new Date())}.zip`);
  const options = storageOptions();
  const port = options.databaseUrl ? null : portOfHolder(options.folder);
  if (port !== null) await fromServer(port, file);
  else {
    const { db, close } = await openDatabase(options);
    await writeBackup(db, file, true).finally(close);
  }
  const { list, close } = await openBackup(file);
  await close();
  console.log(
    `${file}: ${list.productions} productions, ${list.media.length} pictures. It was opened again and is whole.`,
  );
}

main().catch((error) => {
  if (!(error instanceof StorageProblem)) throw error;
  console.error(error.message);
  process.exitCode = 3;
});
