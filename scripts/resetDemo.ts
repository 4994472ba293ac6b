import { openDatabase } from '@/server/storage/database';
import { storageOptions } from '@/server/storage/current';
import { keepDemoPhotographs } from '@/server/media/demo';
import { mediaStore } from '@/server/media/store';
import { StorageProblem } from '@/server/storage/problem';
import { productionRepository } from '@/server/productions/repository';
import { productionService } from '@/server/productions/service';

async function main() {
  const { db, close } = await openDatabase(storageOptions());
  await productionService(productionRepository(db)).resetDemo(() =>
    keepDemoPhotographs(mediaStore(db)),
  );
  await close();
  console.log('Night Ferry is as it was on the first day.');
}

main().catch((error) => {
  if (!(error instanceof StorageProblem)) throw error;
  console.error(error.message);
  process.exitCode = 3;
});
