import { registry } from '../registry';
import type { AccessoryDefinition } from './accessory';
import { barnDoors } from './barnDoors';
import { grid } from './grid';
import { hood } from './hood';
import { mount } from './mount';
import { pipeStand } from './pipeStand';
import { pulleySet } from './pulleySet';
import { skirt } from './skirt';
import { stiffener } from './stiffener';

/** The registry; definitions keep their own parameter type, reached only through their schema. */
const REGISTERED = [
  pipeStand,
  mount,
  stiffener,
  hood,
  grid,
  skirt,
  barnDoors,
  pulleySet,
] as unknown as readonly AccessoryDefinition[];

export const ACCESSORIES: ReadonlyMap<string, AccessoryDefinition> = registry(REGISTERED);
