import type { z } from 'zod';
import type { partSchema } from '@/core/materials/part';

/** Board, sockets, cord and the rest; typical sizes and prices, euro. */
export const PARTS: z.input<typeof partSchema>[] = [
  { id: 'mdf-6', role: 'sheet', name: 'MDF 6 mm, 1.22 × 1.22 m', measure: 'piece', widthM: 1.22, heightM: 1.22, thicknessM: 0.006, densityKgPerM3: 750, burns: 'wood', priceMinor: 1650, packSize: 1, onHand: 0 },
  { id: 'ply-9', role: 'sheet', name: 'Plywood 9 mm, 2.44 × 1.22 m', measure: 'piece', widthM: 2.44, heightM: 1.22, thicknessM: 0.009, densityKgPerM3: 550, burns: 'wood', priceMinor: 3890, packSize: 1, onHand: 0 },
  { id: 'ply-6-big', role: 'sheet', name: 'Plywood 6.5 mm, 2.5 × 1.5 m', measure: 'piece', widthM: 2.5, heightM: 1.5, thicknessM: 0.0065, densityKgPerM3: 560, burns: 'wood', priceMinor: 4550, packSize: 1, onHand: 0 },
  { id: 'alu-2', role: 'sheet', name: 'Aluminium 2 mm, 1.25 × 1.25 m', measure: 'piece', widthM: 1.25, heightM: 1.25, thicknessM: 0.002, densityKgPerM3: 2700, burns: 'no', priceMinor: 7900, packSize: 1, onHand: 0 },
  { id: 'socket-e27', role: 'socket', name: 'Batten holder E27, plastic, 60 W', measure: 'piece', base: 'E27', footprintDiameterM: 0.055, heightM: 0.038, ratedW: 60, ratedV: 250, massKg: 0.045, priceMinor: 790, packSize: 4, onHand: 0 },
  { id: 'socket-e27-porcelain', role: 'socket', name: 'Batten holder E27, porcelain, 100 W', measure: 'piece', base: 'E27', footprintDiameterM: 0.062, heightM: 0.045, ratedW: 100, ratedV: 250, massKg: 0.11, priceMinor: 320, packSize: 1, onHand: 25 },
  { id: 'socket-e14', role: 'socket', name: 'Batten holder E14, plastic, 40 W', measure: 'piece', base: 'E14', footprintDiameterM: 0.045, heightM: 0.032, ratedW: 40, ratedV: 250, massKg: 0.03, priceMinor: 190, packSize: 1, onHand: 0 },
  { id: 'cord-075', role: 'cord', name: 'Two-core cord 0.75 mm²', measure: 'm', cord: 'mm0.75-2', massKgPerM: 0.045, priceMinor: 790, packSize: 10, onHand: 0 },
  { id: 'cord-15-3', role: 'cord', name: 'Three-core rubber cord 1.5 mm²', measure: 'm', cord: 'mm1.5-3', massKgPerM: 0.12, priceMinor: 2490, packSize: 10, onHand: 0 },
  { id: 'cord-awg18', role: 'cord', name: 'Lamp cord AWG 18, two conductors', measure: 'm', cord: 'awg18-2', massKgPerM: 0.04, priceMinor: 1290, packSize: 15, onHand: 15 },
  { id: 'cord-awg14', role: 'cord', name: 'Cord AWG 14, two conductors', measure: 'm', cord: 'awg14-2', massKgPerM: 0.11, priceMinor: 2990, packSize: 15, onHand: 0 },
  { id: 'plug-16', role: 'plug', name: 'Plug, 16 A', measure: 'piece', ratedA: 16, fuseA: null, priceMinor: 250, packSize: 1, onHand: 1 },
  { id: 'plug-15-120', role: 'plug', name: 'Plug for 120 V, 15 A', measure: 'piece', ratedA: 15, fuseA: null, priceMinor: 390, packSize: 1, onHand: 1 },
  { id: 'dimmer-trailing-400', role: 'dimmer', name: 'Trailing-edge dimmer, 5–400 W', measure: 'piece', edge: 'trailing', minimumW: 5, maximumW: 400, priceMinor: 3290, packSize: 1, onHand: 0 },
  { id: 'dimmer-leading-2000', role: 'dimmer', name: 'Leading-edge dimmer, 40–2000 W', measure: 'piece', edge: 'leading', minimumW: 40, maximumW: 2000, priceMinor: 2790, packSize: 1, onHand: 1 },
  { id: 'emulsion', role: 'paint', name: 'White matt emulsion', measure: 'l', coverageM2PerL: 10, priceMinor: 890, packSize: 1, onHand: 0.5 },
  { id: 'skirt-black', role: 'cloth', name: 'Black cotton, 1.4 m wide', measure: 'm', widthM: 1.4, priceMinor: 590, packSize: 1, onHand: 0 },
];
