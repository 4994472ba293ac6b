import {
  set,
  site,
  circuit,
  part,
  unit,
  bulb,
  HALOGEN,
  carry,
  bare,
  looked,
  UK,
  AMERICAN,
  METAL_BOARD,
  EARTHED,
  HOT_400,
  type Change,
} from './testing';
import { unanswered } from '../../testing/sample';

test.each(['clerk-ring', 'clerk-pan', 'sky-bank', 'cabin-box', 'corridor-line', 'booth-stack'])(
  '“don’t know” to every question keeps the gate shut: %s',
  (light) => {
    const { open, missing } = looked(light, [], unanswered());
    expect(missing.length).toBeGreaterThan(0);
    expect(open).toBe(false);
  },
);

type Sound = [design: string, light: string, ...changes: Change[]];
const PORTABLE = circuit({ rcd: 'plug' });
const SOUND: Sound[] = [
  ['LED bulbs on a board, two-core cord, wood', 'clerk-ring'],
  ['the same behind a portable RCD', 'clerk-ring', PORTABLE],
  [
    'the same on an extension lead laid out',
    'clerk-ring',
    site({ lead: 'lead', leadCord: 'mm1.5-3', leadLengthM: 10 }),
  ],
  [
    'the same on a drum wound off',
    'clerk-ring',
    site({ lead: 'drum-out', leadCord: 'mm1.5-3', leadLengthM: 25 }),
  ],
  [
    'the same on a wound drum, far below its third',
    'clerk-ring',
    site({ lead: 'drum', leadCord: 'mm1.5-3', leadLengthM: 25 }),
  ],
  ['cool LED with children about', 'clerk-ring', site({ reach: 'anybody' })],
  ['cool LED under cloth 30 cm away', 'clerk-ring', site({ over: 'cloth', overM: 0.3 })],
  ['a metal board, earthed all the way', 'clerk-ring', METAL_BOARD, EARTHED],
  [
    'a metal board, earthed, on a lead with earth',
    'clerk-ring',
    METAL_BOARD,
    EARTHED,
    site({ lead: 'lead', leadCord: 'mm1.5-3', leadLengthM: 10 }),
  ],
  ['metal doors, earthed', 'clerk-ring', EARTHED, carry('barn-doors', { boardPartId: 'alu-1' })],
  [
    'a socket without earth for what is double-insulated',
    'clerk-ring',
    circuit({ earthPin: 'none' }),
  ],
  [
    'a two-pin plug on a double-insulated light',
    'clerk-ring',
    part('plug', { earthContact: 'no', ratedA: 2.5, fuseA: null }, 'plugPartId'),
  ],
  [
    '3 A fuse before 0.75 mm²',
    'clerk-ring',
    UK,
    part('plug', { ratedA: 13, fuseA: 3, earthContact: 'yes' }, 'plugPartId'),
  ],
  ['0.75 mm² behind 16 A', 'clerk-ring', circuit({ ratedA: 16 })],
  [
    '0.5 mm² behind 10 A, 0.3 A in it',
    'clerk-ring',
    part('cord', { cord: 'mm0.5-2' }, 'cordPartId'),
    circuit({ ratedA: 10 }),
  ],
  [
    'dimmable LED on a trailing-edge dimmer',
    'clerk-ring',
    bulb('globe-a60-9-2700'),
    set({ dimmerPartId: 'dimmer-trailing-400' }),
  ],
  [
    'lamps for 100 to 240 V on 230 V',
    'clerk-ring',
    unit('globe-g45-3', { supplyV: 100, supplyToV: 240 }),
  ],
  [
    'filament lamps 20 cm before a plywood board',
    'clerk-ring',
    HALOGEN,
    set({ standoffM: 0.25, boardPartId: 'ply-9', socketPartId: 'socket-e27-porcelain' }),
  ],
  [
    'filament lamps before bare metal, earthed',
    'clerk-ring',
    HALOGEN,
    METAL_BOARD,
    EARTHED,
    set({ standoffM: 0.02, socketPartId: 'socket-e27-porcelain' }),
  ],
  [
    'warm lamps on thick cord, well out',
    'warm-ring',
    set({ cordPartId: 'cord-awg14', standoffM: 0.2, socketCount: 16 }),
  ],
  ['an American ring of LED', 'clerk-ring', AMERICAN],
  ['an American pan of tape', 'clerk-pan', AMERICAN],
  ['tape fed at one end, short', 'clerk-pan'],
  ['tape fed at both ends', 'lens-ring'],
  ['rows fed one by one', 'stamp-panel'],
  ['two supplies, a part of the tape each', 'deck-sky'],
  ['a panel of cardboard with cool tape', 'drinks-glow'],
  ['a tube of tape, three copies', 'corridor-line'],
  ['fluorescent tubes on an earthed ballast', 'sky-bank'],
  ['LED tubes read and fed at one end', 'cabin-bounce'],
  [
    'LED tubes read and fed at both',
    'cabin-bounce',
    unit('tube-15-5500', { fedAt: 'both' }, 'unitId'),
  ],
  ['bought panels on a bracket', 'booth-stack'],
  ['a bought LED work light', 'corridor-work'],
  [
    'a bought LED work light of IP65 in the rain',
    'corridor-work',
    unit('work-led-30', { weather: 'IP65', protection: 'II' }, 'unitId'),
    circuit({ place: 'wet' }),
  ],
  [
    'a halogen with metal doors, earthed, 2 m from a plaster ceiling',
    'corridor-work',
    ...HOT_400,
    set({ aim: 'bounce', bounceFinish: 'white-ceiling', bounceDistanceM: 2 }),
  ],
  [
    'a halogen 1.5 m from a wall of cloth',
    'corridor-work',
    ...HOT_400,
    set({ aim: 'bounce', bounceFinish: 'muslin', bounceDistanceM: 1.5 }),
  ],
  ['a small LED clamp lamp behind parchment', 'counter-lamp'],
  ['a window', 'dusk-window'],
  ['one LED bulb in a foam box', 'cabin-box', bare],
  ['a foam box with metal doors, earthed', 'cabin-box', EARTHED],
  ['hung by six points with bonds', 'deck-sky', set({ hangPoints: 6, pointLimitKg: 50 })],
  [
    'a light ring on a wide aluminium stand',
    'clerk-ring',
    carry('pipe-stand', {
      pipePartId: 'pipe-alu-25',
      uprightM: 1.2,
      footPieceM: 0.6,
      crossPieceM: 0.6,
    }),
  ],
  ['a board with stiffeners and no flags', 'sky-board', set({ flags: 'none' })],
];

describe('sound designs pass', () => {
  test.each(SOUND)('%s', (_, light, ...changes) => {
    const { open, stops, missing } = looked(light, changes);
    expect([...stops, ...missing].map(({ id, title }) => `${id}: ${title}`)).toEqual([]);
    expect(open).toBe(true);
  });
  test('at least forty are tried', () => expect(SOUND.length).toBeGreaterThanOrEqual(40));
});
