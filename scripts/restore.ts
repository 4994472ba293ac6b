import { BackupProblem } from '@/server/backup/opened';
import { restore } from '@/server/backup/restore';
import { storageOptions } from '@/server/storage/current';
import { StorageProblem } from '@/server/storage/problem';

async function main() {
  const { databaseUrl, folder } = storageOptions();
  if (databaseUrl)
    throw new BackupProblem('./jar restore fills a data folder; leave DATABASE_URL out.');
  const done = await restore(folder, process.argv[2] ?? null);
  for (const words of done.passedOver) console.log(`Passed over: ${words}`);
  console.log(
    `${folder} is as it was on ${done.madeAt.slice(0, 16).replace('T', ' ')} UTC: ${done.productions} productions, ${done.pictures} pictures, from ${done.file}.`,
  );
  if (done.before) console.log(`What stood there before lies in ${done.before}.`);
}

main().catch((error) => {
  if (!(error instanceof StorageProblem || error instanceof BackupProblem)) throw error;
  console.error(error.message);
  process.exitCode = 3;
});
