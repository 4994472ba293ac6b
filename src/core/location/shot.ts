import * as z from 'zod/mini';
import { EMISSION_NAMES } from '../colour/emission';
import { choice, colourTemperature, defineRecord, maybeMoney, measured } from '../record/define';
import { list, note, text } from '../schema';
import { shotIdSchema } from '../ids';
import { USES } from './use';
import { firstWishes, wishesSchema } from './wishes';

/** Light that is there anyway, and falls on the subject too: a table lamp, a window, the ceiling. */
export const ROOM_LIGHT_RECORD = defineRecord({
  emission: choice('Kind', EMISSION_NAMES, 'filament'),
  cctK: colourTemperature('Colour temperature', { min: 1500, max: 20_000, start: 2800 }),
  /** metered or guessed */
  illuminanceLx: measured(
    'illuminance',
    'lx',
    5,
  )('At the subject', {
    min: 0,
    max: 200_000,
    start: 20,
  }),
});
export const roomLightSchema = z.object({
  id: text(1, 40),
  name: text(1, 80),
  ...ROOM_LIGHT_RECORD.shape,
});
export type RoomLight = z.infer<typeof roomLightSchema>;

const metres = measured('length', 'm', 0.05);
const bare = (step: number, whole = false) => measured('count', '', step, whole);

/** The measured fields of a shot, in the order a shooter thinks of them. */
export const SHOT_RECORD = defineRecord({
  /** from the light's front to the subject */
  distanceM: metres('Light to subject', {
    min: 0.1,
    max: 50,
    start: 1.2,
    help: 'from where light leaves: the front, a hood’s mouth, the tips of doors',
  }),
  coverageWidthM: metres('Lit width', { min: 0.02, max: 30, start: 0.4 }),
  coverageHeightM: metres('Lit height', { min: 0.02, max: 30, start: 0.5 }),
  budgetMinor: maybeMoney('Budget for this light', 100_000_000, 'no limit'),
  isoSpeed: bare(100, true)('ISO', { min: 25, max: 409_600, start: 800 }),
  fNumber: measured('fNumber', '', 0.1)('f-number', { min: 0.7, max: 64, start: 2.8 }),
  frameRateHz: bare(1)('Frames per second', { min: 1, max: 1000, start: 25 }),
  shutterAngleDeg: bare(1)('Shutter angle, °', { min: 1, max: 360, start: 180 }),
  calibrationLxS: bare(10)('Meter constant, lx·s', {
    min: 200,
    max: 600,
    start: 250,
    help: '250 for a flat receptor',
  }),
  /** wanted over (+) or under (−) a metered mid-grey */
  offsetStops: measured(
    'stops',
    'stops',
    0.5,
  )('Brighter or darker', {
    min: -10,
    max: 10,
    start: 0,
    help: 'against a metered mid-grey',
  }),
  /** smallest angle the light should fill, seen from the subject */
  softnessDeg: bare(1)('Softness wanted, °', {
    min: 0,
    max: 180,
    start: 30,
    help: 'angle the light fills; a 90 cm dome at 1.2 m fills 41°',
  }),
  /** over the coverage */
  evennessStops: bare(0.05)('Evenness allowed, ± stops', { min: 0.05, max: 5, start: 0.5 }),
  cctK: colourTemperature('Colour', { min: 1500, max: 15_000, start: 4000 }),
});

/** What is lit, from where, how bright, how soft, what colour. */
export const shotSchema = z.object({
  id: shotIdSchema,
  name: text(1, 80),
  note: note(2000),
  use: z.enum(USES),
  ...SHOT_RECORD.shape,
  roomLights: list(roomLightSchema, 0, 20),
  /** what is asked of a light that is looked for */
  wishes: z._default(wishesSchema, () => firstWishes('face')),
});
export type Shot = z.infer<typeof shotSchema>;
