import type { Production } from '../production';
import type { RecordKind } from './address';

type Item<L extends readonly unknown[]> = L[number];
type Build = Item<Production['builds']>;
type Shot = Item<Production['shots']>;

/** What a record of each kind holds. */
export interface RecordOf extends Record<RecordKind, object> {
  production: Production;
  circuit: Item<Production['circuits']>;
  shot: Shot;
  unit: Item<Production['shelf']['units']>;
  part: Item<Production['shelf']['parts']>;
  fixture: Item<Production['fixtures']>;
  build: Build;
  setup: Item<Production['setups']>;
  making: Item<Production['makings']>;
  session: Item<Production['sessions']>;
  picture: Item<Production['pictures']>;
  accessory: Item<Build['accessories']>;
  signOff: Item<Build['signOffs']>;
  roomLight: Item<Shot['roomLights']>;
  entry: Item<Item<Production['makings']>['log']>;
  thing: Item<Item<Production['setups']>['things']>;
}
