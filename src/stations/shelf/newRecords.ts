import { nanoid } from 'nanoid';
import { freeName } from '@/core/document/records';
import type { Production } from '@/core/document/production';
import { partSchema, type Part } from '@/core/materials/part';
import { bulbSchema, type Bulb } from '@/core/units/bulb';
import { unitSchema, type Unit } from '@/core/units/unit';

type Shelf = Production['shelf'];

const label = {
  cctK: null,
  criRa: null,
  dimmable: 'unknown',
  flicker: 'unknown',
  priceMinor: 0,
  packCount: 1,
  onHand: 0,
  onHandCounts: false,
  spectrum: null,
  origins: {},
};

/** An empty label of each category: what a unit says before anybody has read its box. */
const UNIT_STARTS: Record<Unit['category'], (supplyV: number) => object> = {
  strip: () => ({
    voltageV: 24,
    wattsPerM: 10,
    lumensPerM: null,
    ledsPerM: 120,
    reelLengthM: 5,
    cutIncrementM: 0.05,
    tapeWidthM: 0.01,
    coated: false,
    colour: 'white',
    massKgPerM: 0.02,
    load: 'string',
    loopOhmPerM: null,
  }),
  tube: (supplyV) => ({
    wattsW: 18,
    luminousFluxLm: null,
    powerFactor: null,
    supplyV,
    massKg: 0.25,
    technology: 'led-tube',
    lengthM: 1.2,
    diameterM: 0.026,
    needsBallast: false,
    linkMost: 1,
    warmUpS: 0,
  }),
  'work-light': (supplyV) => ({
    wattsW: 30,
    luminousFluxLm: null,
    powerFactor: null,
    supplyV,
    massKg: 1,
    lamp: 'led',
    faceWidthM: 0.2,
    faceHeightM: 0.15,
    depthM: 0.05,
    spread: { class: 'lambert' },
  }),
  panel: (supplyV) => ({
    wattsW: 20,
    luminousFluxLm: null,
    powerFactor: null,
    supplyV,
    massKg: 0.8,
    faceWidthM: 0.3,
    faceHeightM: 0.2,
    depthM: 0.03,
    spread: { class: 'lambert' },
  }),
};

export const newUnit = (
  { units }: Shelf,
  category: Unit['category'],
  name: string,
  supplyV: number,
): Unit =>
  unitSchema.parse({
    ...label,
    ...UNIT_STARTS[category](supplyV),
    id: nanoid(10),
    category,
    name: freeName(name, units),
  });

/** A copy under its own id and name. */
export const copiedUnit = ({ units }: Shelf, unit: Unit): Unit =>
  unitSchema.parse({ ...structuredClone(unit), id: nanoid(10), name: freeName(unit.name, units) });
export const copiedPart = ({ parts }: Shelf, part: Part): Part =>
  partSchema.parse({ ...structuredClone(part), id: nanoid(10), name: freeName(part.name, parts) });

const stock = { priceMinor: 0, packSize: 1, onHand: 0, onHandCounts: false };

const PART_STARTS: Record<Part['role'], object> = {
  sheet: {
    measure: 'piece',
    widthM: 1.22,
    heightM: 0.61,
    thicknessM: 0.006,
    densityKgPerM3: 600,
    burns: 'wood',
    grain: false,
    offCuts: [],
  },
  socket: {
    measure: 'piece',
    base: 'E27',
    footprintDiameterM: 0.05,
    heightM: 0.04,
    ratedW: 60,
    ratedV: 250,
    massKg: 0.05,
  },
  cord: { measure: 'm', cord: 'mm0.75-2', massKgPerM: 0.05 },
  plug: { measure: 'piece', ratedA: 16, fuseA: null },
  dimmer: { measure: 'piece', edge: 'trailing', minimumW: 5, maximumW: 400 },
  paint: { measure: 'l', coverageM2PerL: 10 },
  cloth: { measure: 'm', widthM: 1.4, massKgPerM2: 0.15 },
  hardware: { measure: 'piece', kind: 'other' },
  stick: {
    measure: 'piece',
    stockLengthM: 3,
    profile: 'round',
    diameterM: 0.02,
    wallM: 0.0018,
    massKgPerM: 0.15,
    stiffnessGPa: 3,
    offCuts: [],
  },
  diffusion: {
    measure: 'm',
    widthM: 1.5,
    transmittance: 0.5,
    backReflectance: 0.4,
    spreadDeg: 100,
    shiftMired: 0,
    limitC: 120,
    origin: 'typical',
  },
  supply: { measure: 'piece', voltageV: 24, ratedW: 100, powerFactor: 0.9, massKg: 0.4 },
  ballast: { measure: 'piece', kind: 'electronic', tubes: 1, massKg: 0.25 },
  'clamp-lamp': {
    measure: 'piece',
    base: 'E27',
    ratedW: 60,
    reflectorDiameterM: 0.22,
    massKg: 0.45,
  },
  softbox: { measure: 'piece', diameterM: 0.9, depthM: 0.45, reflectance: 0.8, massKg: 0.8 },
};

export const newPart = ({ parts }: Shelf, role: Part['role'], name: string): Part =>
  partSchema.parse({
    ...stock,
    ...PART_STARTS[role],
    id: nanoid(10),
    role,
    name: freeName(name, parts),
  });

/** An empty label: what a new bulb says before anybody has read its box. */
export const plainBulb = (id: string, name: string, supplyV: number): Bulb =>
  bulbSchema.parse({
    id,
    name,
    kind: 'led',
    wattsW: 9,
    luminousFluxLm: null,
    equivalentW: null,
    cctK: null,
    criRa: null,
    base: 'E27',
    supplyV,
    spread: { class: 'forward' },
    dimmable: 'unknown',
    flicker: 'unknown',
    powerFactor: null,
    globeDiameterM: 0.06,
    lengthM: 0.11,
    massKg: 0.06,
    priceMinor: 0,
    packCount: 1,
    ratedLifeH: null,
    warmUpS: 0,
    onHandCount: 0,
    onHandCounts: false,
    spectrum: null,
    origins: {},
  });
