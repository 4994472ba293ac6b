import { circuitIdSchema, productionIdSchema, shotIdSchema, type ProductionId } from '../ids';
import { REGIONS, type RegionId } from '../electrics/region';
import { DOCUMENT_FORMAT, DOCUMENT_VERSION, type Build, type Production } from './production';
import { CIRCUIT_RECORD } from '../location/circuit';
import { SHOT_RECORD, type Shot } from '../location/shot';
import { firstWishes } from '../location/wishes';

/** A new production with one circuit and nothing else. Ids are handed in. */
export function blankProduction(
  ids: { production: string; circuit: string },
  name: string,
  regionId: RegionId,
  currency: string,
): Production {
  const region = REGIONS[regionId];
  return {
    format: DOCUMENT_FORMAT,
    version: DOCUMENT_VERSION,
    id: productionIdSchema.parse(ids.production) as ProductionId,
    name,
    note: '',
    currency,
    taxIncluded: true,
    circuits: [
      {
        id: circuitIdSchema.parse(ids.circuit),
        name: 'House circuit',
        region: regionId,
        voltageV: region.voltageV,
        frequencyHz: region.frequencyHz,
        ...CIRCUIT_RECORD.starts,
        ratedA: region.breakersA.at(-1)!,
      },
    ],
    shots: [],
    shelf: { units: [], parts: [] },
    fixtures: [],
    builds: [],
    setups: [],
    makings: [],
    sessions: [],
    pictures: [],
    calibration: null,
  };
}

/** A shot as most begin: a face at conversation distance, 25 fps, ISO 800. */
export function blankShot(id: string, name: string): Shot {
  return {
    id: shotIdSchema.parse(id),
    name,
    note: '',
    use: 'face',
    ...SHOT_RECORD.starts,
    roomLights: [],
    wishes: firstWishes('face'),
  };
}

const NO_SHOT = blankShot('no-shot', 'No shot');

/** The shot a build is for; a common one stands in for a shot that was taken away. */
export const shotOf = (document: Production, build: Pick<Build, 'shotId'>): Shot =>
  document.shots.find(({ id }) => id === build.shotId) ?? NO_SHOT;
