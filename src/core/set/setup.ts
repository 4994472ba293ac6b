import * as z from 'zod/mini';
import { shotIdSchema } from '../ids';
import { choice, colourTemperature, defineRecord, measured, share } from '../record/define';
import { list, note, text } from '../schema';
import { WALLS, type Wall } from './faces';
import { TINT_NAMES } from './finish';
import { thingSchema } from './things';

const metres = measured('length', 'm', 0.05);
const degrees = measured('count', '', 5);

/** A plain white room: 5 × 4 × 2.6 m, a wooden floor. */
const FINISHES: Record<Wall, { reflectance: number; tint: keyof typeof TINT_NAMES }> = {
  floor: { reflectance: 0.3, tint: 'wood' },
  ceiling: { reflectance: 0.8, tint: 'none' },
  front: { reflectance: 0.7, tint: 'none' },
  back: { reflectance: 0.7, tint: 'none' },
  left: { reflectance: 0.7, tint: 'none' },
  right: { reflectance: 0.7, tint: 'none' },
};
const NAMES: Record<Wall, string> = {
  floor: 'Floor',
  ceiling: 'Ceiling',
  front: 'Behind camera',
  back: 'Before camera',
  left: 'Left wall',
  right: 'Right wall',
};

const finish = <W extends Wall>(wall: W) =>
  defineRecord({
    reflectance: share(`${NAMES[wall]} sends back`, {
      min: 0,
      max: 1,
      start: FINISHES[wall].reflectance,
    }),
    tint: choice(`${NAMES[wall]}, colour`, TINT_NAMES, FINISHES[wall].tint),
  });
/** What each side of a room is painted with. */
export const FINISH_RECORDS = Object.fromEntries(
  WALLS.map((wall) => [wall, finish(wall)]),
) as Record<Wall, ReturnType<typeof finish>>;

export const ROOM_RECORD = defineRecord({
  open: choice(
    'Closed in by',
    {
      none: 'walls and a ceiling',
      front: 'no wall behind the camera',
      back: 'no wall before the camera',
      left: 'no left wall',
      right: 'no right wall',
      ceiling: 'walls alone: no ceiling',
      outdoors: 'nothing: outdoors, a floor',
    },
    'none',
  ),
  widthM: metres('Room width', { min: 1, max: 60, start: 5 }),
  depthM: metres('Room depth', { min: 1, max: 60, start: 4 }),
  heightM: metres('Room height', { min: 1, max: 20, start: 2.6 }),
});

export const CAMERA_RECORD = defineRecord({
  xM: metres('Camera from the left', { min: -60, max: 60, start: 2.5 }),
  yM: metres('Camera from behind', { min: -60, max: 60, start: 0.5 }),
  zM: metres('Lens height', { min: 0, max: 20, start: 1.4 }),
  panDeg: degrees('Camera turned, °', { min: -180, max: 180, start: 0, help: '+ to the left' }),
  tiltDeg: degrees('Camera tilted, °', { min: -85, max: 85, start: 0, help: '+ upwards' }),
  focalMm: measured('count', '', 5)('Focal length, mm', { min: 4, max: 1000, start: 35 }),
  sensorMm: measured('count', '', 1)('Sensor width, mm', { min: 3, max: 70, start: 24 }),
  balanceK: colourTemperature('Balanced to', { min: 1500, max: 15_000, start: 4000 }),
});

const roomSchema = z.object({
  ...ROOM_RECORD.shape,
  finishes: z.object(
    Object.fromEntries(WALLS.map((wall) => [wall, z.object(FINISH_RECORDS[wall].shape)])) as Record<
      Wall,
      z.ZodMiniObject<ReturnType<typeof finish>['shape']>
    >,
  ),
});
const cameraSchema = z.object(CAMERA_RECORD.shape);

/** One shot's lights in one room, to scale. x to the right from above, y away from the camera's wall, z up; metres and degrees. */
export const setupSchema = z.object({
  id: text(1, 64),
  name: text(1, 80),
  shotId: z.nullable(shotIdSchema),
  room: roomSchema,
  camera: cameraSchema,
  things: list(thingSchema, 0, 120),
  note: note(4000),
});
export type Setup = z.infer<typeof setupSchema>;
export type SetRoom = Setup['room'];
export type SetCamera = Setup['camera'];

export const blankRoom = (): SetRoom => ({
  ...ROOM_RECORD.starts,
  finishes: Object.fromEntries(
    WALLS.map((wall) => [wall, { ...FINISH_RECORDS[wall].starts }]),
  ) as SetRoom['finishes'],
});

/** A room with nothing in it and a camera at its front. */
export const blankSetup = (
  id: string,
  name: string,
  shotId: Setup['shotId'],
  camera: Partial<SetCamera> = {},
): Setup => ({
  id,
  name,
  shotId,
  room: blankRoom(),
  camera: { ...CAMERA_RECORD.starts, ...camera },
  things: [],
  note: '',
});
