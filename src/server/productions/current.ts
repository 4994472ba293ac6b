import { currentStore } from '../storage/current';
import { productionRepository } from './repository';
import { productionService, type ProductionService } from './service';

/** The service on this process's store. @throws StorageProblem */
export async function currentProductions(): Promise<ProductionService> {
  const { db } = await currentStore();
  return productionService(productionRepository(db));
}
