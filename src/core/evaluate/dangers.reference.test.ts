import { ACCESSORIES } from '../accessories';
import type { Build, Production } from '../document/production';
import { changed } from '../document/testing';
import { gateOf } from '../power/wire';
import { sample, unanswered } from '../testing/sample';
import { findBuild } from './context';
import { Derivations } from './derive';

/**
 * Designs made up to try the gate, told by the danger and not by the form. What is dangerous in them is common
 * practice of electricians and riggers, and the standards named in `docs/model/power.md`.
 */
type Change = (light: Build, all: Production) => void;

const set =
  (parameters: Record<string, unknown>): Change =>
  (light) =>
    void Object.assign(light.parameters, parameters);
const site =
  (answers: Partial<Build['site']>): Change =>
  (light) =>
    void Object.assign(light.site, answers);
const circuit =
  (over: Partial<Production['circuits'][number]>): Change =>
  (light, all) =>
    void Object.assign(
      all.circuits.find(({ id }) => id === light.circuitId)!,
      over,
    );
/** A part of its own, made after one of its role; put where `field` says. */
const part =
  (role: string, over: object, field?: string): Change =>
  (light, all) => {
    const like = all.shelf.parts.find((each) => each.role === role)!;
    const id = `own-${role}-${all.shelf.parts.length}` as typeof like.id;
    all.shelf.parts.push({ ...like, id, name: id, ...over } as typeof like);
    if (field) light.parameters[field] = id;
  };
const unit =
  (like: string, over: object, field?: string): Change =>
  (light, all) => {
    const model = all.shelf.units.find(({ id }) => id === like)!;
    const id = `own-${like}` as typeof model.id;
    all.shelf.units.push({ ...model, id, name: id, ...over } as typeof model);
    if (field) light.parameters[field] = id;
    else light.parameters.groups = [{ bulbId: id, level: 1 }];
  };
const bulb = (id: string): Change => set({ groups: [{ bulbId: id, level: 1 }] });
const HALOGEN = bulb('halogen-a55-42');
const carry =
  (kind: string, over: Record<string, unknown> = {}): Change =>
  (light) =>
    void light.accessories.push({
      id: `x${light.accessories.length}` as never,
      kind,
      parameters: { ...(ACCESSORIES.get(kind)!.defaults() as object), ...over } as never,
    });
const bare: Change = (light) => void (light.accessories = []);
const copies =
  (count: number): Change =>
  (light) =>
    void (light.copies = count);
const use =
  (name: string): Change =>
  (light, all) => {
    all.shots.find(({ id }) => id === light.shotId)!.use = name as never;
  };
const nearer =
  (distanceM: number): Change =>
  (light, all) =>
    void (all.shots.find(({ id }) => id === light.shotId)!.distanceM = distanceM);

function looked(light: string, changes: readonly Change[], document = sample()) {
  const now = changed(document, (draft) => {
    for (const change of changes) change(findBuild(draft, light)!, draft);
  });
  const derive = new Derivations();
  return gateOf(derive.findings(now, findBuild(now, light)!, { gridCells: 2 }));
}

const UK: Change = (_, all) => all.circuits.forEach((each) => (each.region = 'uk-230-50'));
/** An American light: cord, plug and lamps of that mains. */
const AMERICAN: Change = (light, all) => {
  for (const each of all.circuits)
    Object.assign(each, { region: 'na-120-60', voltageV: 120, frequencyHz: 60, ratedA: 20 });
  for (const each of all.shelf.units) if ('supplyV' in each) each.supplyV = 120;
  Object.assign(light.parameters, { cordPartId: 'cord-awg14', plugPartId: 'plug-15-120' });
};
const METAL_BOARD = part(
  'sheet',
  { burns: 'no', thicknessM: 0.002, widthM: 3, heightM: 3 },
  'boardPartId',
);
const EARTHED = set({ cordPartId: 'cord-15-3' });
const HOT_BEAM = [unit('work-halogen-400', {}, 'unitId'), EARTHED];
const HOT_400 = [...HOT_BEAM, set({ boardPartId: 'alu-1' })];
/** Stands that hold, for what is not about standing. */
const SHORT = { pipePartId: 'pipe-alu-25' };

type Danger = [danger: string, finding: RegExp, light: string, ...changes: Change[]];

const FIRE: Danger[] = [
  [
    'a halogen’s beam on cloth 20 cm away',
    /^heat\.(clearance|burns)/,
    'corridor-work',
    ...HOT_400,
    set({ aim: 'bounce', bounceFinish: 'muslin', bounceDistanceM: 0.2 }),
  ],
  [
    'a halogen’s beam on foam core 40 cm away',
    /^heat\./,
    'corridor-work',
    ...HOT_400,
    set({ aim: 'bounce', bounceFinish: 'foam-core', bounceDistanceM: 0.4 }),
  ],
  ['a halogen 30 cm from a face', /^heat\./, 'corridor-work', ...HOT_400, use('key'), nearer(0.3)],
  [
    'doors of foam core on a halogen',
    /^heat\./,
    'corridor-work',
    ...HOT_BEAM,
    set({ boardPartId: 'foam-core-5' }),
  ],
  [
    'doors of plywood on a halogen',
    /^heat\./,
    'corridor-work',
    ...HOT_BEAM,
    set({ boardPartId: 'ply-9' }),
  ],
  [
    'doors of corrugated plastic, carried as an accessory',
    /^heat\./,
    'clerk-ring',
    HALOGEN,
    set({ standoffM: 0.1 }),
    carry('barn-doors', { boardPartId: 'corrugated-4' }),
  ],
  [
    'doors shut over a burning halogen',
    /^heat\.(covered|clearance)/,
    'corridor-work',
    ...HOT_400,
    set({ openedRad: -1.5 }),
  ],
  [
    'filament lamps 4 cm from a board',
    /^heat\.clearance/,
    'clerk-ring',
    HALOGEN,
    set({ standoffM: 0 }),
  ],
  [
    'a filament lamp against parchment',
    /^heat\.clearance/,
    'counter-lamp',
    HALOGEN,
    set({ layer1PartId: 'parchment', standoffM: 0 }),
  ],
  ['a filament lamp in a closed foam box', /^heat\./, 'cabin-box', bare, HALOGEN],
  [
    'a filament lamp behind plastic film that softens at 65 °C',
    /^heat\./,
    'counter-lamp',
    HALOGEN,
    set({ layer1PartId: 'curtain', standoffM: 0.1 }),
  ],
  [
    'a skirt of cloth round hot lamps, touching',
    /^heat\./,
    'clerk-ring',
    HALOGEN,
    set({ standoffM: 0.1, skirtDepthM: 0.15, skirtPartId: 'skirt-black' }),
  ],
  [
    'a hood of foam core before hot lamps',
    /^heat\./,
    'counter-lamp',
    bare,
    HALOGEN,
    set({ layer1PartId: null }),
    carry('hood', { boardPartId: 'foam-core-5' }),
  ],
  [
    'a grid of corrugated plastic before hot lamps',
    /^heat\./,
    'counter-lamp',
    bare,
    HALOGEN,
    set({ layer1PartId: null }),
    carry('grid', { boardPartId: 'corrugated-4' }),
  ],
  [
    'cloth hung over a hot lamp',
    /^heat\./,
    'corridor-work',
    ...HOT_400,
    site({ over: 'cloth', overM: 0 }),
  ],
  [
    'nobody knows what hangs over a hot lamp',
    /^heat\.over/,
    'corridor-work',
    ...HOT_400,
    site({ over: 'unknown' }),
  ],
  [
    '100 W of LED shut into 10 mm of foam',
    /^heat\.enclosure/,
    'cabin-box',
    bare,
    unit('globe-a60-9-2700', { wattsW: 100 }),
    part('socket', { ratedW: 150, ratedV: 250 }, 'socketPartId'),
    set({ boardPartId: 'foam-core-big' }),
    set({
      frontWidthM: 0.35,
      frontHeightM: 0.35,
      backWidthM: 0.35,
      backHeightM: 0.35,
      depthM: 0.25,
    }),
  ],
  [
    'a mixed ring: the one hot lamp is the short one',
    /^heat\.clearance/,
    'clerk-ring',
    set({
      standoffM: 0.02,
      groups: [
        { bulbId: 'globe-a60-9-4000', level: 1 },
        { bulbId: 'halogen-a55-42', level: 1 },
      ],
    }),
  ],
  [
    'end flags of a board 5 cm from its last hot lamp',
    /^heat\.clearance/,
    'sky-board',
    HALOGEN,
    set({ flags: 'all', flagPartId: 'ply-9', insetM: 0.07, boardWidthM: 0.6 }),
  ],
  [
    'hot and within reach of children',
    /^heat\.reach/,
    'corridor-work',
    ...HOT_400,
    site({ reach: 'anybody' }),
  ],
  [
    'hot, and nobody knows who can touch it',
    /^heat\.reach/,
    'corridor-work',
    ...HOT_400,
    site({ reach: 'unknown' }),
  ],
  ['left alone while it is on', /^heat\.unattended/, 'clerk-ring', site({ attended: 'alone' })],
  [
    'nobody knows whether somebody stays',
    /^heat\.unattended/,
    'clerk-ring',
    site({ attended: 'unknown' }),
  ],
];

const SHOCK: Danger[] = [
  ['a metal board on a two-core cord', /^earth\./, 'clerk-ring', METAL_BOARD],
  ['a metal box on a two-core cord', /^earth\./, 'cabin-box', bare, METAL_BOARD],
  [
    'metal doors on mains holders, two-core cord',
    /^earth\./,
    'clerk-ring',
    carry('barn-doors', { boardPartId: 'alu-1' }),
  ],
  [
    'a metal hood on mains holders, two-core cord',
    /^earth\./,
    'clerk-ring',
    carry('hood', { boardPartId: 'alu-1' }),
  ],
  [
    'a class I halogen on a two-core cord',
    /^earth\./,
    'corridor-work',
    ...HOT_400,
    set({ cordPartId: 'cord-075' }),
  ],
  [
    'a class I supply on a two-core cord',
    /^earth\./,
    'clerk-pan',
    part('supply', { protection: 'I', ratedW: 100, voltageV: 24 }, 'supplyPartId'),
  ],
  ['a class I ballast on a two-core cord', /^earth\./, 'sky-bank', set({ cordPartId: 'cord-075' })],
  [
    'a supply of a class nobody has read',
    /^earth\./,
    'clerk-pan',
    part('supply', { protection: 'unknown', ratedW: 100, voltageV: 24 }, 'supplyPartId'),
  ],
  [
    'earth that ends at a two-pin plug',
    /^earth\./,
    'clerk-ring',
    METAL_BOARD,
    EARTHED,
    part('plug', { earthContact: 'no', ratedA: 16 }, 'plugPartId'),
  ],
  [
    'earth that ends in a two-wire extension lead',
    /^earth\./,
    'clerk-ring',
    METAL_BOARD,
    EARTHED,
    site({ lead: 'lead', leadCord: 'mm1.5-2' }),
  ],
  [
    'earth that ends at a socket without',
    /^earth\./,
    'clerk-ring',
    METAL_BOARD,
    EARTHED,
    circuit({ earthPin: 'none' }),
  ],
  [
    'earth nobody has tested',
    /^earth\./,
    'clerk-ring',
    METAL_BOARD,
    EARTHED,
    circuit({ earthPin: 'unknown' }),
  ],
  ['no RCD before what is made at home', /^power\.rcd/, 'clerk-ring', circuit({ rcd: 'none' })],
  ['an RCD nobody has looked for', /^power\.rcd/, 'clerk-ring', circuit({ rcd: 'unknown' })],
  ['outdoors in the wet', /^power\.weather/, 'clerk-ring', circuit({ place: 'wet' })],
  ['in the damp', /^power\.weather/, 'clerk-pan', circuit({ place: 'damp' })],
  [
    'a bought light without an IP code in the rain',
    /^power\.weather/,
    'corridor-work',
    circuit({ place: 'wet' }),
  ],
  ['a place nobody has named', /^power\.weather/, 'clerk-ring', circuit({ place: 'unknown' })],
  ['lamps for 120 V on 230 V', /^power\.voltage/, 'clerk-ring', bulb('incandescent-60-120')],
  [
    'LED tubes whose fed ends nobody has read',
    /^power\.tube-ends/,
    'cabin-bounce',
    unit('tube-15-5500', { fedAt: 'unknown' }, 'unitId'),
  ],
  [
    'a ballast left before LED tubes',
    /ballast/,
    'sky-bank',
    unit('led-tube-18', { fedAt: 'one' }, 'unitId'),
  ],
  [
    'a supply of too many volts',
    /^tape\.supply-volts/,
    'clerk-pan',
    part('supply', { protection: 'II', ratedW: 100, voltageV: 48 }, 'supplyPartId'),
  ],
  [
    'holders rated for fewer volts',
    /volts|socket/,
    'clerk-ring',
    part('socket', { ratedV: 125, ratedW: 60 }, 'socketPartId'),
  ],
];

const OVERLOAD: Danger[] = [
  ['25 lamps of 60 W on lamp cord', /^power\.cord/, 'warm-ring', set({ standoffM: 0.15 })],
  [
    'a cord of 0.5 mm² for 4 A',
    /^power\.cord/,
    'sky-board',
    part('cord', { cord: 'mm0.5-2' }, 'cordPartId'),
    unit('daylight-a60-10', { wattsW: 115 }),
    part('socket', { ratedW: 150, ratedV: 250 }, 'socketPartId'),
  ],
  [
    '13 A fuse before 0.5 mm²',
    /^power\.protection/,
    'clerk-ring',
    UK,
    part('cord', { cord: 'mm0.5-2' }, 'cordPartId'),
    part('plug', { ratedA: 13, fuseA: 13 }, 'plugPartId'),
  ],
  [
    '13 A fuse before 0.75 mm²',
    /^power\.protection/,
    'clerk-ring',
    UK,
    part('plug', { ratedA: 13, fuseA: 13 }, 'plugPartId'),
  ],
  [
    '0.5 mm² behind 63 A and no fuse',
    /^power\.protection/,
    'clerk-ring',
    part('cord', { cord: 'mm0.5-2' }, 'cordPartId'),
    circuit({ ratedA: 63 }),
  ],
  [
    'a thin extension lead behind 63 A',
    /^power\.lead/,
    'clerk-ring',
    site({ lead: 'lead', leadCord: 'mm0.5-2' }),
    circuit({ ratedA: 63 }),
    set({ cordPartId: 'cord-15-3' }),
  ],
  [
    'a 15 A plug with 15 A for hours',
    /^power\.(plug|circuit)/,
    'warm-ring',
    set({ cordPartId: 'cord-awg14', standoffM: 0.15, socketCount: 30 }),
  ],
  [
    'a plug for 2.5 A with 4 A',
    /^power\.plug/,
    'sky-board',
    part('plug', { ratedA: 2.5, fuseA: null, earthContact: 'yes' }, 'plugPartId'),
    unit('daylight-a60-10', { wattsW: 115 }),
    part('socket', { ratedW: 150, ratedV: 250 }, 'socketPartId'),
    set({ cordPartId: 'cord-15-3' }),
  ],
  ['a circuit with a heater on it', /^power\.circuit/, 'clerk-ring', circuit({ otherLoadW: 3700 })],
  ['sixty copies on one circuit', /^power\.circuit/, 'corridor-work', copies(100)],
  [
    'a drum that lies wound',
    /^power\.lead/,
    'sky-board',
    unit('daylight-a60-10', { wattsW: 115 }),
    part('socket', { ratedW: 150, ratedV: 250 }, 'socketPartId'),
    EARTHED,
    site({ lead: 'drum', leadCord: 'mm0.75-3' }),
  ],
  [
    'a lead nobody has read',
    /^power\.lead|^earth/,
    'corridor-work',
    ...HOT_400,
    site({ lead: 'lead', leadCord: 'unknown' }),
  ],
  [
    'a way to the outlet nobody has told',
    /^power\.lead/,
    'corridor-work',
    ...HOT_400,
    site({ lead: 'unknown' }),
  ],
  [
    'holders for 60 W with lamps of 100 W',
    /socket|watts/,
    'clerk-ring',
    unit('globe-g45-3', { wattsW: 100 }),
  ],
  [
    'three lamps of 42 W in a clamp lamp for 60 W',
    /watts/,
    'counter-lamp',
    set({
      layer1PartId: null,
      groups: [
        { bulbId: 'halogen-a55-42', level: 1 },
        { bulbId: 'halogen-a55-42', level: 1 },
      ],
    }),
  ],
  ['no supply chosen', /supply/, 'clerk-pan', set({ supplyPartId: null })],
  ['outputs of supplies joined together', /^tape\.joined/, 'deck-sky', set({ outputs: 'joined' })],
  [
    '12 A through a barrel plug',
    /^tape\.connector/,
    'clerk-pan',
    part('supply', { protection: 'II', ratedW: 500, voltageV: 24 }, 'supplyPartId'),
    set({ connector: 'barrel' }),
    unit('tape-24-120-4000', { wattsPerM: 40, loopOhmPerM: 0.01 }, 'stripId'),
  ],
  [
    '12 A through 0.5 mm² of lead',
    /^tape\.lead/,
    'clerk-pan',
    part('supply', { protection: 'II', ratedW: 500, voltageV: 24 }, 'supplyPartId'),
    set({ leadMm2: 0.5 }),
    unit('tape-24-120-4000', { wattsPerM: 40, loopOhmPerM: 0.01 }, 'stripId'),
  ],
  [
    'tape starved of its volts',
    /^tape\.brightness/,
    'clerk-pan',
    unit('tape-24-120-4000', { loopOhmPerM: 2.5 }, 'stripId'),
  ],
  [
    'LED that must not be dimmed on a dimmer',
    /^dimmer\.kind/,
    'clerk-ring',
    set({ dimmerPartId: 'dimmer-leading-2000' }),
  ],
  [
    '520 W of LED on a dimmer for 400 W',
    /^dimmer\./,
    'clerk-ring',
    unit('globe-a60-9-2700', { wattsW: 32.5 }),
    set({ dimmerPartId: 'dimmer-trailing-400' }),
  ],
  [
    'a trailing-edge dimmer before a tape supply',
    /^dimmer\./,
    'clerk-pan',
    set({ dimmerPartId: 'dimmer-trailing-400' }),
  ],
  [
    'a dimmer before fluorescent tubes',
    /^dimmer|dimmer$/,
    'sky-bank',
    set({ dimmerPartId: 'dimmer-trailing-400' }),
  ],
  [
    'a dimmer before a shop panel',
    /^dimmer\./,
    'booth-stack',
    set({ dimmerPartId: 'dimmer-trailing-400' }),
  ],
  ['no cord chosen', /cord/, 'clerk-ring', set({ cordPartId: null })],
  ['no plug chosen', /plug/, 'clerk-ring', set({ plugPartId: null })],
  ['no holder chosen', /socket/, 'clerk-ring', set({ socketPartId: null })],
  ['no board chosen', /board/, 'clerk-ring', HALOGEN, set({ boardPartId: null, standoffM: 0.2 })],
];

const FALL: Danger[] = [
  ['hung over people without bonds', /bond/, 'deck-sky', set({ bonds: 'no' })],
  ['hung by two points', /points/, 'deck-sky', set({ hangPoints: 2 })],
  ['points that bear 2 kg', /load/, 'deck-sky', set({ pointLimitKg: 2 })],
  [
    '5 m of plastic pipe between points',
    /sag/,
    'deck-sky',
    set({ pipePartId: 'pipe-20', hangPoints: 4 }),
  ],
  [
    'a heavy hood added after its mount',
    /^mount\..*load/,
    'booth-stack',
    bare,
    carry('mount', { points: 1, kind: 'shoe', overhead: 'yes' }),
    carry('hood', { boardPartId: 'ply-9', lengthM: 0.6 }),
  ],
  [
    'the same, hood first',
    /^mount\..*load/,
    'booth-stack',
    bare,
    carry('hood', { boardPartId: 'ply-9', lengthM: 0.6 }),
    carry('mount', { points: 1, kind: 'shoe', overhead: 'yes' }),
  ],
  [
    'a stand with a foot too short',
    /^stand\./,
    'sky-board',
    set({ flags: 'none' }),
    bare,
    carry('pipe-stand', { ...SHORT, uprightM: 1.8, footPieceM: 0.15 }),
  ],
  [
    'a plastic upright that buckles',
    /^stand\./,
    'booth-stack',
    bare,
    carry('pipe-stand', { pipePartId: 'pipe-20', uprightM: 2.4 }),
  ],
  [
    'a hood that leans a stand over',
    /^stand\./,
    'clerk-pan',
    (light) => {
      for (const each of light.accessories)
        if (each.kind === 'hood')
          Object.assign(each.parameters, { boardPartId: 'ply-9', lengthM: 0.8 });
    },
  ],
  ['a board hoisted by one rope', /^hoist\./, 'clerk-ring', carry('pulley-set', { points: 1 })],
  [
    'points rated for less than they carry',
    /^hoist\..*load/,
    'clerk-ring',
    carry('pulley-set', { limitKg: 1 }),
  ],
  [
    'a stand of nothing chosen',
    /^stand\./,
    'clerk-ring',
    carry('pipe-stand', { pipePartId: null }),
  ],
];

/** Everything nobody has said. */
const UNSAID: Danger[] = [];
for (const light of [
  'clerk-ring',
  'clerk-pan',
  'sky-bank',
  'cabin-box',
  'corridor-line',
  'booth-stack',
])
  UNSAID.push([`“don't know” to every question: ${light}`, /./, light]);

describe.each([
  ['fire and burns', FIRE],
  ['shock', SHOCK],
  ['too much current', OVERLOAD],
  ['falling and tipping', FALL],
] as const)('stopped for %s', (_, dangers) => {
  test.each(dangers)('%s', (_danger, finding, light, ...changes) => {
    const { open, stops, missing } = looked(light, changes);
    expect([...stops, ...missing].map(({ id }) => id).filter((id) => finding.test(id))).not.toEqual(
      [],
    );
    expect(open).toBe(false);
  });
});

test.each(UNSAID)('%s', (_, _finding, light) => {
  const { open, missing } = looked(light, [], unanswered());
  expect(missing.length).toBeGreaterThan(0);
  expect(open).toBe(false);
});

test('at least sixty dangers are tried', () =>
  expect(FIRE.length + SHOCK.length + OVERLOAD.length + FALL.length).toBeGreaterThanOrEqual(60));

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
