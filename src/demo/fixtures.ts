import type { z } from 'zod';
import type { fixtureSchema } from '@/core/verdict/fixture';

/** Classes of shop-bought lights with figures typical of the class, euro. */
export const FIXTURES: z.input<typeof fixtureSchema>[] = [
  { id: 'monolight-60-dome', name: '60 W daylight monolight with 90 cm dome', illuminanceLx: 1150, atDistanceM: 1, frontWidthM: 0.9, frontHeightM: 0.9, wattsW: 60, cctK: 5600, criRa: 96, massKg: 3.1, priceMinor: 26900, hirePerDayMinor: 1800, features: ['dimmer', 'quick-rigging', 'warranty'], origin: 'typical' },
  { id: 'monolight-200-dome', name: '200 W daylight monolight with 90 cm dome', illuminanceLx: 4200, atDistanceM: 1, frontWidthM: 0.9, frontHeightM: 0.9, wattsW: 220, cctK: 5600, criRa: 96, massKg: 5.4, priceMinor: 56900, hirePerDayMinor: 3500, features: ['dimmer', 'quick-rigging', 'warranty'], origin: 'typical' },
  { id: 'panel-bicolour-30x30', name: 'Bi-colour soft panel 30 × 30 cm, 45 W', illuminanceLx: 1400, atDistanceM: 1, frontWidthM: 0.3, frontHeightM: 0.3, wattsW: 45, cctK: 4000, criRa: 95, massKg: 1.6, priceMinor: 18900, hirePerDayMinor: 1500, features: ['battery', 'dimmer', 'quick-rigging', 'warranty', 'silent'], origin: 'typical' },
  { id: 'ring-18in', name: 'Shop ring light 45 cm, 55 W', illuminanceLx: 1100, atDistanceM: 1, frontWidthM: 0.45, frontHeightM: 0.45, wattsW: 55, cctK: 4400, criRa: 90, massKg: 1.9, priceMinor: 8900, hirePerDayMinor: null, features: ['dimmer', 'quick-rigging', 'warranty', 'silent'], origin: 'typical' },
  { id: 'fresnel-300', name: '300 W tungsten fresnel', illuminanceLx: 1700, atDistanceM: 2, frontWidthM: 0.08, frontHeightM: 0.08, wattsW: 300, cctK: 3200, criRa: 99, massKg: 2.4, priceMinor: 21900, hirePerDayMinor: 1000, features: ['quick-rigging', 'silent'], origin: 'typical' },
  { id: 'softbox-cfl', name: 'Four-bulb softbox 60 × 60 cm, 80 W', illuminanceLx: 620, atDistanceM: 1, frontWidthM: 0.6, frontHeightM: 0.6, wattsW: 80, cctK: 5500, criRa: 82, massKg: 2.2, priceMinor: 5900, hirePerDayMinor: null, features: ['silent'], origin: 'typical' },
];
