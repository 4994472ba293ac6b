import * as z from 'zod/mini';
import { BASES } from '../electrics/caps';
import { CORDS, type CordId } from '../electrics/cord';
import { PROTECTION_NAMES } from '../electrics/protection';
import { partIdSchema } from '../ids';
import {
  choice,
  count,
  current,
  defineRecord,
  figuresOf,
  kept,
  later,
  length,
  mass,
  maybe,
  number,
  offCuts,
  onHand,
  only,
  originsSchema,
  power,
  price,
  share,
  voltage,
  yesNo,
} from '../record/define';
import { range, text, wholeRange } from '../schema';
import { FINISHES, type FinishId } from './finish';
import { HARDWARE, type HardwareId } from './hardware';

/** What a pack is counted in. */
export type Measure = 'piece' | 'm' | 'm²' | 'l';

const measured = <const M extends Measure>(measure: M) => ({
  measure: kept(z.literal(measure), measure, 'kind'),
});
const stock = {
  priceMinor: price,
  /** how much a pack holds, in `measure` */
  packSize: number('In a pack', { min: 0.001, max: 10_000, start: 1 }, 'stock'),
  ...onHand('On hand'),
};
const piece = measured('piece');
/** Words of a table whose entries have names. */
const namesOf = <K extends string>(table: Readonly<Record<K, { name: string }>>) =>
  Object.fromEntries(
    Object.entries<{ name: string }>(table).map(([id, { name }]) => [id, name]),
  ) as Record<K, string>;

const sheet = defineRecord({
  widthM: length('Width', { min: 0.05, max: 4, start: 1.22 }),
  heightM: length('Height', { min: 0.05, max: 4, start: 0.61 }),
  thicknessM: length('Thickness', { min: 0.0005, max: 0.06, start: 0.006 }),
  densityKgPerM3: number('Density, kg/m³', { min: 10, max: 9000, start: 600 }),
  burns: choice('In heat it', { wood: 'chars', foam: 'melts', no: 'does neither: metal' }, 'wood'),
  /** grain or flutes: pieces keep their direction */
  grain: yesNo('Grain or flutes', { no: 'none, pieces may turn', yes: 'pieces keep their way' }),
  kerfM: later(
    maybe(
      length('A cut takes', { min: 0, max: 0.02, start: 0.003 }),
      'typical: knife and snips 0, saw 3 mm',
    ),
  ),
  offCuts: offCuts(
    z.union([
      z.object({ widthM: range(0.02, 4), heightM: range(0.02, 4), count: wholeRange(1, 100) }),
      z.object({ diameterM: range(0.02, 4), count: wholeRange(1, 100) }),
    ]),
  ),
  ...piece,
  ...stock,
});
const stick = defineRecord({
  stockLengthM: length('Stock length', { min: 0.1, max: 12, start: 3 }),
  profile: choice('Profile', ['round', 'square'], 'round'),
  /** outer size */
  diameterM: length('Across', { min: 0.003, max: 0.4, start: 0.02 }),
  wallM: length('Wall, 0 for solid', { min: 0, max: 0.05, start: 0.0018 }),
  massKgPerM: number('Mass a metre, kg', { min: 0.01, max: 20, start: 0.15 }),
  /** Young's modulus, for its sag */
  stiffnessGPa: number('Stiffness E, GPa', { min: 0.5, max: 250, start: 3 }),
  kerfM: later(maybe(length('A cut takes', { min: 0, max: 0.02, start: 0.002 }), 'typical: 2 mm')),
  offCuts: offCuts(z.object({ lengthM: range(0.02, 12), count: wholeRange(1, 100) })),
  ...piece,
  ...stock,
});
const diffusion = defineRecord({
  widthM: length('Roll width', { min: 0.1, max: 6, start: 1.5 }),
  transmittance: share('Lets through', { min: 0.02, max: 1, start: 0.5 }),
  backReflectance: share('Sends back', { min: 0, max: 0.9, start: 0.4 }),
  /** half-peak width of a beam after it; 110 and more scatters fully */
  spreadDeg: number('Spread, °', { min: 0, max: 180, start: 100 }),
  shiftMired: number('Colour shift, mired', { min: -100, max: 100, start: 0 }),
  limitC: number('Softens or scorches at, °C', { min: 40, max: 600, start: 120 }),
  ...measured('m'),
  ...stock,
});
const supply = defineRecord({
  voltageV: voltage('Gives', { min: 3, max: 60, start: 24 }),
  ratedW: power('Rated', { min: 1, max: 2000, start: 100 }),
  powerFactor: number('Power factor', { min: 0.3, max: 1, start: 0.9 }),
  protection: choice('Protection', PROTECTION_NAMES, 'unknown'),
  massKg: mass('Mass', { min: 0.02, max: 10, start: 0.4 }),
  ...piece,
  ...stock,
});
const ballast = defineRecord({
  kind: choice('Kind', ['electronic', 'magnetic'], 'electronic'),
  tubes: count('Tubes', { min: 1, max: 4, start: 1 }),
  /** it takes beside its tubes */
  lossW: maybe(power('Its own watts', { min: 0, max: 200, start: 5 }), 'typical of its kind'),
  protection: choice('Protection', PROTECTION_NAMES, 'unknown'),
  massKg: mass('Mass', { min: 0.05, max: 5, start: 0.25 }),
  ...piece,
  ...stock,
});
const clampLamp = defineRecord({
  base: choice('Base', BASES, 'E27'),
  ratedW: power('Rated', { min: 5, max: 1000, start: 60 }),
  reflectorDiameterM: length('Reflector Ø', { min: 0.05, max: 1, start: 0.22 }),
  massKg: mass('Mass', { min: 0.05, max: 5, start: 0.45 }),
  ...piece,
  ...stock,
});
const softbox = defineRecord({
  diameterM: length('Across', { min: 0.2, max: 3, start: 0.9 }),
  depthM: length('Depth', { min: 0.1, max: 2, start: 0.45 }),
  reflectance: share('Inside reflects', { min: 0.2, max: 0.98, start: 0.8 }),
  massKg: mass('Mass', { min: 0.1, max: 10, start: 0.8 }),
  ...piece,
  ...stock,
});
const socket = defineRecord({
  base: choice('Base', BASES, 'E27'),
  footprintDiameterM: length('Footprint Ø', { min: 0.01, max: 0.3, start: 0.05 }),
  /** board face to the rim where the bulb's glass begins */
  heightM: length('Height', { min: 0.005, max: 0.3, start: 0.04 }),
  ratedW: power('Rated', { min: 1, max: 1000, start: 60 }),
  ratedV: voltage('Rated for', { min: 12, max: 500, start: 250 }),
  massKg: mass('Mass', { min: 0.001, max: 2, start: 0.05 }),
  ...piece,
  ...stock,
});
const cord = defineRecord({
  cord: choice<CordId>('Cord', namesOf(CORDS), 'mm0.75-2'),
  massKgPerM: number('Mass a metre, kg', { min: 0.005, max: 2, start: 0.05 }),
  ...measured('m'),
  ...stock,
});
const plug = defineRecord({
  ratedA: current('Rated', { min: 1, max: 32, start: 16 }),
  /** inside the plug */
  fuseA: maybe(current('Fuse', { min: 1, max: 32, start: 13 }), 'none'),
  earthContact: choice(
    'Earth contact',
    { yes: 'has one', no: 'none: two pins', unknown: 'not known' },
    'unknown',
  ),
  ...piece,
  ...stock,
});
const dimmer = defineRecord({
  edge: choice('Edge', ['leading', 'trailing'], 'trailing'),
  minimumW: power('At least', { min: 0, max: 500, start: 5 }),
  /** rating for filament lamps */
  maximumW: power('At most', { min: 10, max: 10_000, start: 400 }),
  ...piece,
  ...stock,
});
const paint = defineRecord({
  coverageM2PerL: number('Covers, m² a litre', { min: 1, max: 40, start: 10 }),
  ...measured('l'),
  ...stock,
});
const cloth = defineRecord({
  widthM: length('Bolt width', { min: 0.2, max: 6, start: 1.4 }),
  massKgPerM2: number('Mass, kg/m²', { min: 0.01, max: 2, start: 0.15 }),
  ...measured('m'),
  ...stock,
});
/** A lid, a bowl, a bucket: something round to draw along. */
const round = defineRecord({
  diameterM: length('Across its rim', { min: 0.01, max: 2, start: 0.2 }),
  ...piece,
  ...stock,
});
const tin = <T extends { edited: object }>(spec: T): T => only('kind', 'other', spec);
const hardware = defineRecord({
  kind: choice<HardwareId>('Kind', namesOf(HARDWARE), 'other'),
  measure: kept(z.enum(['piece', 'm']), 'piece', 'kind'),
  // Of a tin, a pan or a bucket that becomes a light: what a build takes over when it is chosen.
  diameterM: later(
    tin(maybe(length('Ø, of a tin', { min: 0.05, max: 2, start: 0.3 }), 'not known')),
  ),
  depthM: later(tin(maybe(length('Its depth', { min: 0.01, max: 0.6, start: 0.07 }), 'not known'))),
  massKg: later(tin(maybe(mass('Its mass', { min: 0.01, max: 20, start: 0.4 }), 'not known'))),
  inside: later(
    tin(
      choice<FinishId | 'unknown'>(
        'Its inside',
        { unknown: 'not known', ...namesOf(FINISHES) },
        'unknown',
      ),
    ),
  ),
  ...stock,
});

/** Everything bought for a build that gives no light, by role. */
export const PART_RECORDS = {
  sheet,
  socket,
  cord,
  plug,
  dimmer,
  paint,
  cloth,
  hardware,
  stick,
  diffusion,
  supply,
  ballast,
  'clamp-lamp': clampLamp,
  softbox,
  round,
};
export type Role = keyof typeof PART_RECORDS;
export const ROLES = Object.keys(PART_RECORDS) as Role[];

const common = {
  id: partIdSchema,
  name: text(1, 120),
  origins: originsSchema(figuresOf(Object.values(PART_RECORDS))),
};

/** Anything bought for a build that does not give light itself. */
export const partSchema = z.discriminatedUnion('role', [
  z.object({ ...common, role: z.literal('sheet'), ...sheet.shape }),
  z.object({ ...common, role: z.literal('socket'), ...socket.shape }),
  z.object({ ...common, role: z.literal('cord'), ...cord.shape }),
  z.object({ ...common, role: z.literal('plug'), ...plug.shape }),
  z.object({ ...common, role: z.literal('dimmer'), ...dimmer.shape }),
  z.object({ ...common, role: z.literal('paint'), ...paint.shape }),
  z.object({ ...common, role: z.literal('cloth'), ...cloth.shape }),
  z.object({ ...common, role: z.literal('hardware'), ...hardware.shape }),
  z.object({ ...common, role: z.literal('stick'), ...stick.shape }),
  z.object({ ...common, role: z.literal('diffusion'), ...diffusion.shape }),
  z.object({ ...common, role: z.literal('supply'), ...supply.shape }),
  z.object({ ...common, role: z.literal('ballast'), ...ballast.shape }),
  z.object({ ...common, role: z.literal('clamp-lamp'), ...clampLamp.shape }),
  z.object({ ...common, role: z.literal('softbox'), ...softbox.shape }),
  z.object({ ...common, role: z.literal('round'), ...round.shape }),
]);
export type Part = z.infer<typeof partSchema>;
export type PartOf<R extends Role> = Extract<Part, { role: R }>;
