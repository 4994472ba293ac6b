import { currentStore } from '../storage/current';
import { productionRepository } from './repository';
import { productionService, type ProductionService } from './service';

/** The service on this process's store. @throws StorageProblem */
export async function currentProductions(): Promise<ProductionService> {
  const { db } = await currentStore();
  let service = services.get(db);
  if (!service) services.set(db, (service = productionService(productionRepository(db))));
  return service;
}

/** One for a store, since it knows what it has read. */
const services = new WeakMap<object, ProductionService>();
