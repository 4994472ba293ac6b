import { readDocument } from '@/core/document/read';
import { DOCUMENT_VERSION, type Production } from '@/core/document/production';
import { bulbRingParameters } from '@/core/forms/bulb-ring/parameters';
import { BOARDS } from './boards';
import { BULBS } from './bulbs';
import { MORE_BUILDS } from './builds';
import { FIXTURES } from './fixtures';
import { makingsOf } from './makings';
import { GOODS } from './goods';
import { PARTS } from './parts';
import { CALIBRATION } from './calibration';
import { SESSIONS } from './sessions';
import { SETUPS } from './setups';
import { SHOTS } from './shots';
import { firstWishes } from '@/core/location/wishes';
import { FASTENERS } from './fasteners';
import { SMALL_THINGS } from './smallThings';
import { SITE } from './sites';
import { UNITS } from './units';

/** Looked at on the recce: test buttons pressed, sockets tested, everything under the hall’s roof. */
const DRY = { rcd: 'circuit', earthPin: 'tested', place: 'dry' } as const;

const CIRCUITS = [
  {
    id: 'hall-a',
    name: 'Hall ring A',
    region: 'eu-230-50',
    voltageV: 230,
    frequencyHz: 50,
    ratedA: 16,
    otherLoadW: 350,
    ...DRY,
  },
  {
    id: 'hall-b',
    name: 'Hall ring B',
    region: 'eu-230-50',
    voltageV: 230,
    frequencyHz: 50,
    ratedA: 16,
    otherLoadW: 0,
    ...DRY,
  },
  {
    id: 'generator',
    name: 'Jetty generator, 120 V',
    region: 'na-120-60',
    voltageV: 120,
    frequencyHz: 60,
    ratedA: 20,
    otherLoadW: 0,
    ...DRY,
  },
];

/** Sixteen small globes on a metre of board: the clerk's key. */
const CLERK_RING = {
  ...bulbRingParameters.defaults(),
  groups: [{ bulbId: 'globe-g45-3', level: 1 }],
  socketPartId: 'socket-e27',
  boardPartId: 'mdf-6',
  paintPartId: 'emulsion',
  cordPartId: 'cord-075',
  plugPartId: 'plug-16',
};

/** Twenty-five filament bulbs dimmed low: beautiful, and too much for its lamp cord. */
const WARM_RING = {
  ...bulbRingParameters.defaults(),
  outerDiameterM: 1.2,
  ringWidthM: 0.16,
  socketCount: 25,
  groups: [{ bulbId: 'incandescent-60-120', level: 0.2 }],
  socketPartId: 'socket-e27-porcelain',
  standoffM: 0.08,
  boardPartId: 'ply-6-big',
  paintPartId: 'emulsion',
  cordPartId: 'cord-awg18',
  plugPartId: 'plug-15-120',
  dimmerPartId: 'dimmer-leading-2000',
};

/** Begun and left lying: board and sockets, no bulb, no cord. */
const STAMP_RING = {
  ...bulbRingParameters.defaults(),
  outerDiameterM: 0.5,
  ringWidthM: 0.1,
  socketCount: 8,
  socketPartId: 'socket-e14',
  boardPartId: 'mdf-6',
};

const NIGHT_FERRY = {
  format: 'lantern-jar-production',
  version: DOCUMENT_VERSION,
  id: 'night-ferry',
  name: 'Night Ferry',
  note: 'A twelve-minute short, four evenings in a disused ferry ticket hall.',
  currency: 'EUR',
  taxIncluded: true,
  circuits: CIRCUITS,
  shots: SHOTS.map((shot) => ({ wishes: firstWishes(shot.use), ...shot })),
  shelf: {
    units: [...BULBS, ...UNITS],
    parts: [...PARTS, ...BOARDS, ...GOODS, ...FASTENERS, ...SMALL_THINGS],
  },
  fixtures: FIXTURES,
  setups: SETUPS,
  makings: [],
  sessions: SESSIONS,
  pictures: [],
  calibration: CALIBRATION,
  builds: [
    {
      id: 'clerk-ring',
      name: 'Clerk ring',
      shotId: 'clerk',
      standing: 'in use',
      circuitId: 'hall-a',
      fixtureId: 'monolight-60-dome',
      form: 'bulb-ring',
      parameters: CLERK_RING,
      accessories: [],
      copies: 1,
      signOffs: [],
      site: SITE,
      note: '',
    },
    {
      id: 'warm-ring',
      name: 'Warm top ring',
      shotId: 'cabin',
      standing: 'in use',
      circuitId: 'generator',
      fixtureId: 'fresnel-300',
      form: 'bulb-ring',
      parameters: WARM_RING,
      accessories: [],
      copies: 1,
      signOffs: [],
      site: SITE,
      note: 'On the generator: the hall has no 120 V.',
    },
    {
      id: 'stamp-ring',
      name: 'Stamp ring',
      shotId: 'stamps',
      standing: 'in use',
      circuitId: 'hall-b',
      fixtureId: null,
      form: 'bulb-ring',
      parameters: STAMP_RING,
      accessories: [],
      copies: 1,
      signOffs: [],
      site: SITE,
      note: 'Bulbs still to choose.',
    },
    ...MORE_BUILDS,
  ],
};

/** Checked like any other document. */
function designs(): Production {
  const read = readDocument(structuredClone(NIGHT_FERRY));
  if (!read.ok)
    throw new Error(`Demo: ${read.problems.map((p) => `${p.path}: ${p.message}`).join('; ')}`);
  return read.value;
}

/** What was made of it takes the engines; it is the same every time. */
let made: Production['makings'] | null = null;

/** The sample production: its designs, and what was made of them so far. */
export function nightFerry(): Production {
  const document = designs();
  made ??= makingsOf(document);
  return { ...document, makings: structuredClone(made) };
}

const withoutStock = (part: Production['shelf']['parts'][number]) => ({
  ...part,
  onHand: 0,
  ...('offCuts' in part ? { offCuts: [] } : {}),
});

/** Shelf and fixtures that a new production starts with, all marked typical, nothing on hand. */
export function typicalStock(): Pick<Production, 'shelf' | 'fixtures'> {
  const { shelf, fixtures } = designs();
  return {
    shelf: {
      units: shelf.units.map((unit) => ({ ...unit, onHand: 0 })),
      parts: shelf.parts.map(withoutStock),
    },
    fixtures,
  };
}
