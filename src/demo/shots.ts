import type { z } from 'zod';
import type { shotSchema } from '@/core/document/shot';

type ShotInput = z.input<typeof shotSchema>;

const camera = {
  isoSpeed: 800,
  fNumber: 2.8,
  frameRateHz: 25,
  shutterAngleDeg: 180,
  offsetStops: 0,
  calibrationLxS: 250,
  cctK: 4000,
  evennessStops: 0.5,
} as const;

/** The seven shots of *Night Ferry*. */
export const SHOTS: ShotInput[] = [
  { ...camera, id: 'clerk', name: 'Ticket clerk', note: 'Behind the window, soft key from just beside the lens.', use: 'face', distanceM: 1.2, coverageWidthM: 0.4, coverageHeightM: 0.5, softnessDeg: 35, budgetMinor: 9000 },
  { ...camera, id: 'sky', name: 'Painted night sky', note: 'The flat behind the jetty, washed from both sides.', use: 'wash', distanceM: 2.6, coverageWidthM: 3.4, coverageHeightM: 2.4, isoSpeed: 1600, softnessDeg: 0, cctK: 5600, budgetMinor: 12000 },
  { ...camera, id: 'stamps', name: 'Timetable and stamps', note: 'Overhead inserts on the counter.', use: 'insert', distanceM: 0.7, coverageWidthM: 0.6, coverageHeightM: 0.42, fNumber: 5.6, softnessDeg: 30, budgetMinor: 6000 },
  { ...camera, id: 'corridor', name: 'Deckhand in the corridor', note: 'Edge light along five metres of wall.', use: 'edge', distanceM: 1.8, coverageWidthM: 5, coverageHeightM: 1.8, isoSpeed: 1600, softnessDeg: 5, evennessStops: 1, cctK: 4000, budgetMinor: 8000 },
  { ...camera, id: 'machine', name: 'Drinks machine', note: 'It glows at the back of the hall.', use: 'dressing', distanceM: 1, coverageWidthM: 0.8, coverageHeightM: 1.6, offsetStops: -1, softnessDeg: 0, evennessStops: 1.5, cctK: 6500, budgetMinor: 4000 },
  { ...camera, id: 'crossing', name: 'The crossing', note: 'Soft moonlight over the deck mock-up, 5 × 2.5 m.', use: 'overhead', distanceM: 3, coverageWidthM: 5, coverageHeightM: 2.5, isoSpeed: 1600, offsetStops: -1, softnessDeg: 40, cctK: 5000, budgetMinor: 30000 },
  { ...camera, id: 'cabin', name: 'Cabin at dusk', note: 'Window light and a table lamp; a warm top light joins them.', use: 'face', distanceM: 1.6, coverageWidthM: 1.2, coverageHeightM: 1, softnessDeg: 30, cctK: 2400, budgetMinor: 10000 },
];
