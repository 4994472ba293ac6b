import type { z } from 'zod';
import type { bulbSchema } from '@/core/units/bulb';

type BulbInput = z.input<typeof bulbSchema>;

/** What every demo bulb shares; its figures are typical of the class, so they are marked typical. */
const typical = {
  equivalentW: null,
  base: 'E27',
  supplyV: 230,
  dimmable: 'no',
  flicker: 'unknown',
  powerFactor: null,
  warmUpS: 0,
  onHandCount: 0,
  origins: { wattsW: 'typical', luminousFluxLm: 'typical', cctK: 'typical', criRa: 'typical' },
} as const satisfies Partial<BulbInput>;

const bulb = (given: Omit<BulbInput, keyof typeof typical> & Partial<BulbInput>): BulbInput => ({
  ...typical,
  ...given,
});

/** Household bulbs of *Night Ferry*: plain descriptions, typical figures, euro. */
export const BULBS: BulbInput[] = [
  bulb({ id: 'globe-g45-3', name: 'G45 mini globe 3 W 250 lm 4000 K', kind: 'led', wattsW: 3, luminousFluxLm: 250, cctK: 4000, criRa: 80, spread: { class: 'forward' }, globeDiameterM: 0.045, lengthM: 0.08, massKg: 0.03, priceMinor: 1190, packCount: 6, ratedLifeH: 15000, onHandCount: 4 }),
  bulb({ id: 'globe-a60-9-4000', name: 'A60 globe 9 W 806 lm 4000 K', kind: 'led', wattsW: 9, luminousFluxLm: 806, equivalentW: 60, cctK: 4000, criRa: 80, spread: { class: 'forward' }, globeDiameterM: 0.06, lengthM: 0.11, massKg: 0.06, priceMinor: 899, packCount: 3, ratedLifeH: 15000 }),
  bulb({ id: 'globe-a60-9-2700', name: 'A60 globe 9 W 806 lm 2700 K', kind: 'led', wattsW: 9, luminousFluxLm: 806, equivalentW: 60, cctK: 2700, criRa: 80, spread: { class: 'forward' }, dimmable: 'yes', globeDiameterM: 0.06, lengthM: 0.11, massKg: 0.06, priceMinor: 1099, packCount: 3, ratedLifeH: 15000 }),
  bulb({ id: 'globe-a60-8-hicri', name: 'A60 high-CRI globe 8 W 700 lm 4000 K', kind: 'led', wattsW: 8, luminousFluxLm: 700, cctK: 4000, criRa: 95, spread: { class: 'omni' }, dimmable: 'yes', flicker: 'steady', globeDiameterM: 0.06, lengthM: 0.115, massKg: 0.07, priceMinor: 790, packCount: 1, ratedLifeH: 25000 }),
  bulb({ id: 'filament-a60-7', name: 'A60 filament LED 7 W 806 lm 2700 K', kind: 'led-filament', wattsW: 7, luminousFluxLm: 806, equivalentW: 60, cctK: 2700, criRa: 80, spread: { class: 'omni' }, dimmable: 'yes', globeDiameterM: 0.06, lengthM: 0.104, massKg: 0.035, priceMinor: 999, packCount: 3, ratedLifeH: 15000 }),
  bulb({ id: 'globe-g95-13', name: 'G95 large globe 13 W 1521 lm 4000 K', kind: 'led', wattsW: 13, luminousFluxLm: 1521, equivalentW: 100, cctK: 4000, criRa: 80, spread: { class: 'forward' }, globeDiameterM: 0.095, lengthM: 0.135, massKg: 0.11, priceMinor: 549, packCount: 1, ratedLifeH: 15000 }),
  bulb({ id: 'candle-e14-5', name: 'Candle 5 W 470 lm 2700 K E14', kind: 'led', wattsW: 4.9, luminousFluxLm: 470, equivalentW: 40, cctK: 2700, criRa: 80, base: 'E14', spread: { class: 'forward' }, globeDiameterM: 0.037, lengthM: 0.1, massKg: 0.03, priceMinor: 699, packCount: 3, ratedLifeH: 15000 }),
  bulb({ id: 'corn-15', name: 'Corn lamp 15 W 1500 lm 6000 K', kind: 'corn', wattsW: 15, luminousFluxLm: 1500, cctK: 6000, criRa: null, spread: { class: 'side' }, globeDiameterM: 0.04, lengthM: 0.135, massKg: 0.09, priceMinor: 890, packCount: 1, ratedLifeH: 20000 }),
  bulb({ id: 'daylight-a60-10', name: 'A60 daylight globe 10 W 1055 lm 6500 K', kind: 'led', wattsW: 10, luminousFluxLm: 1055, equivalentW: 75, cctK: 6500, criRa: 80, spread: { class: 'forward' }, globeDiameterM: 0.06, lengthM: 0.115, massKg: 0.06, priceMinor: 450, packCount: 1, ratedLifeH: 15000 }),
  bulb({ id: 'market-9', name: 'Market-stall globe 9 W “100 W equivalent”', kind: 'led', wattsW: 9, luminousFluxLm: 600, equivalentW: 100, cctK: null, criRa: null, spread: { class: 'forward' }, globeDiameterM: 0.06, lengthM: 0.11, massKg: 0.05, priceMinor: 199, packCount: 1, ratedLifeH: null }),
  bulb({ id: 'spiral-cfl-20', name: 'Spiral compact fluorescent 20 W 1150 lm 2700 K', kind: 'cfl', wattsW: 20, luminousFluxLm: 1150, equivalentW: 75, cctK: 2700, criRa: 82, spread: { class: 'side' }, flicker: 'steady', globeDiameterM: 0.055, lengthM: 0.12, massKg: 0.09, priceMinor: 350, packCount: 1, ratedLifeH: 8000, warmUpS: 90, onHandCount: 5 }),
  bulb({ id: 'reflector-r63-7', name: 'R63 reflector 7 W 600 lm 3000 K 100°', kind: 'led', wattsW: 7, luminousFluxLm: 600, cctK: 3000, criRa: 80, spread: { class: 'reflector', beamAngleDeg: 100 }, globeDiameterM: 0.063, lengthM: 0.102, massKg: 0.07, priceMinor: 499, packCount: 1, ratedLifeH: 15000 }),
  bulb({ id: 'halogen-a55-42', name: 'A55 halogen 42 W 630 lm 2800 K', kind: 'halogen', wattsW: 42, luminousFluxLm: 630, cctK: 2800, criRa: 99, spread: { class: 'omni' }, dimmable: 'yes', flicker: 'mains', globeDiameterM: 0.055, lengthM: 0.096, massKg: 0.03, priceMinor: 299, packCount: 1, ratedLifeH: 2000 }),
  bulb({ id: 'incandescent-60-120', name: 'A19 incandescent 60 W 800 lm 2800 K, 120 V', kind: 'incandescent', wattsW: 60, luminousFluxLm: 800, cctK: 2800, criRa: 99, base: 'E27', supplyV: 120, spread: { class: 'omni' }, dimmable: 'yes', flicker: 'mains', globeDiameterM: 0.06, lengthM: 0.112, massKg: 0.03, priceMinor: 640, packCount: 4, ratedLifeH: 1000, onHandCount: 25 }),
];
