import * as z from 'zod/mini';
import { buildIdSchema, circuitIdSchema, fixtureIdSchema, unitIdSchema } from '../../ids';
import {
  choice,
  colourTemperature,
  count,
  defineRecord,
  later,
  measured,
  only,
  share,
  yesNo,
} from '../../record/define';
import { text } from '../../schema';
import { MIX_PARTS, MIX_WORDS, SOLD } from '../../units/channels';
import { SKIN_IDS, SKINS } from '../../mannequin/skin';
import { TINT_NAMES } from '../finish';
import { SHADES } from '../shade';

const metres = measured('length', 'm', 0.05);
const degrees = measured('count', '', 5);
const across = {
  xM: metres('From the left', { min: -60, max: 60, start: 2.5 }),
  yM: metres('From behind the camera', { min: -60, max: 60, start: 2 }),
};
const pan = degrees('Turned, °', {
  min: -180,
  max: 180,
  start: 0,
  help: '0 looks away from the camera’s wall; + to the left',
});
const tilt = degrees('Tilted, °', { min: -90, max: 90, start: 0, help: '+ upwards' });
const roll = degrees('Rolled, °', { min: -180, max: 180, start: 0 });
const size = (label: string, start: number) => metres(label, { min: 0.02, max: 30, start });

export const ROLES = {
  key: 'key',
  fill: 'fill',
  edge: 'edge',
  wash: 'wash',
  practical: 'practical, in the picture',
  room: 'there anyway',
} as const;
export type Role = keyof typeof ROLES;

/** One part of a mixture: asked for where parts like it are mixed. */
const mixPart = (part: (typeof MIX_PARTS)[number]) =>
  later(
    only(
      'mix',
      MIX_WORDS.of[part],
      share(MIX_WORDS.parts[part], { min: 0, max: 1, start: SOLD[part] }),
    ),
  );

/** More of one light nobody puts side by side [common practice]. */
export const MOST_COPIES = 24;

/** What a light does in the set, and how it is turned up. */
export const LIGHT_RECORD = defineRecord({
  role: choice('It is the', ROLES, 'key'),
  ...across,
  zM: metres('Height of its middle', { min: -2, max: 20, start: 1.7 }),
  panDeg: pan,
  tiltDeg: tilt,
  rollDeg: roll,
  level: share('Level', { min: 0, max: 1, start: 1 }),
  shade: later(
    choice(
      'Shade, of a bulb',
      Object.fromEntries(Object.entries(SHADES).map(([id, { name }]) => [id, name])) as Record<
        keyof typeof SHADES,
        string
      >,
      'none',
    ),
  ),
  mix: later(choice(MIX_WORDS.mix, MIX_WORDS.mixes, 'sold')),
  mixWarm: mixPart('mixWarm'),
  mixCool: mixPart('mixCool'),
  mixRed: mixPart('mixRed'),
  mixGreen: mixPart('mixGreen'),
  mixBlue: mixPart('mixBlue'),
  mixWhite: mixPart('mixWhite'),
  gelMired: measured(
    'count',
    '',
    10,
  )('Gel, mired', {
    min: -250,
    max: 250,
    start: 0,
    help: '+ warmer (orange), − cooler (blue); costs light',
  }),
  copies: later(
    count('Of it, side by side', {
      min: 1,
      max: MOST_COPIES,
      start: 1,
      help: 'taken as standing in one place',
    }),
  ),
  on: { ...yesNo('Switched', { no: 'off', yes: 'on' }), start: true },
});

export const HEAD_RECORD = defineRecord({
  ...across,
  panDeg: { ...pan, start: 180, edited: { ...pan.edited, label: 'Faces, °' } },
  posture: choice('They', { standing: 'stand', sitting: 'sit' }, 'sitting'),
  skin: choice(
    'Skin',
    Object.fromEntries(SKIN_IDS.map((id) => [id, SKINS[id].name])) as Record<
      (typeof SKIN_IDS)[number],
      string
    >,
    'olive',
  ),
});

export const TABLE_RECORD = defineRecord({
  ...across,
  panDeg: pan,
  widthM: size('Width', 1.2),
  depthM: size('Depth', 0.6),
  heightM: metres('Height', { min: 0.1, max: 3, start: 0.75 }),
  reflectance: share('Its top sends back', { min: 0, max: 1, start: 0.25 }),
  tint: choice('Colour', TINT_NAMES, 'wood'),
});

/** Furniture and things on it, as plain boxes. */
export const OBJECT_RECORD = defineRecord({
  ...across,
  bottomM: metres('Bottom over the floor', { min: 0, max: 10, start: 0 }),
  panDeg: pan,
  widthM: size('Width', 0.5),
  depthM: size('Depth', 0.5),
  heightM: size('Height', 0.9),
  reflectance: share('It sends back', { min: 0, max: 1, start: 0.3 }),
  tint: choice('Colour', TINT_NAMES, 'wood'),
});

/** Where a cable may be plugged in. */
export const SOCKET_RECORD = defineRecord({
  ...across,
  zM: metres('Height', { min: 0, max: 10, start: 0.3 }),
});

export const BACKDROPS = {
  flat: 'painted flat, sea green',
  night: 'painted night sky, dark blue',
  green: 'green screen',
  paper: 'paper roll, white',
  cloth: 'black cloth',
} as const;
export const BACKDROP_RECORD = defineRecord({
  surface: choice('It is', BACKDROPS, 'flat'),
  ...across,
  bottomM: metres('Bottom over the floor', { min: 0, max: 10, start: 0.05 }),
  panDeg: { ...pan, start: 180 },
  widthM: size('Width', 3),
  heightM: size('Height', 2.4),
});

export const WINDOW_RECORD = defineRecord({
  wall: choice(
    'In the',
    {
      left: 'left wall',
      right: 'right wall',
      back: 'wall before the camera',
      front: 'wall behind the camera',
    },
    'left',
  ),
  alongM: metres('Its middle along the wall', { min: 0, max: 60, start: 2 }),
  sillM: metres('Sill over the floor', { min: 0, max: 19, start: 0.9 }),
  widthM: size('Width', 1.2),
  heightM: size('Height', 1.3),
  outsideLx: measured(
    'illuminance',
    'lx',
    500,
  )('Outside, on the pane', {
    min: 0,
    max: 120_000,
    start: 5000,
    help: 'overcast 3,000 to 10,000 lx, clear sky away from the sun about the same, sun 50,000 and more',
  }),
  passes: share('Pane and curtain let through', { min: 0, max: 1, start: 0.75 }),
  cctK: colourTemperature('Colour', { min: 1500, max: 20_000, start: 6500 }),
  on: { ...yesNo('It is', { no: 'covered', yes: 'open' }), start: true },
});

/** Flat things on stands: what they send back and let through [typ]. */
export const CARDS = {
  sheet: { name: 'white sheet, lets light through', reflectance: 0.55, passes: 0.3 },
  card: { name: 'white card', reflectance: 0.85, passes: 0 },
  silver: { name: 'silver reflector (taken as matt)', reflectance: 0.9, passes: 0 },
  flag: { name: 'flag or paper, grey', reflectance: 0.2, passes: 0 },
  black: { name: 'black cloth, takes light away', reflectance: 0.04, passes: 0 },
} as const;
export const CARD_RECORD = defineRecord({
  card: choice(
    'It is a',
    Object.fromEntries(Object.entries(CARDS).map(([id, { name }]) => [id, name])) as Record<
      keyof typeof CARDS,
      string
    >,
    'card',
  ),
  ...across,
  zM: metres('Height of its middle', { min: -2, max: 20, start: 1.3 }),
  panDeg: pan,
  tiltDeg: tilt,
  rollDeg: roll,
  widthM: size('Width', 1),
  heightM: size('Height', 0.7),
});

export const GLASS_RECORD = defineRecord({
  glass: choice('It is', { framed: 'a glazed frame', mirror: 'a mirror' }, 'framed'),
  ...across,
  zM: metres('Height of its middle', { min: -2, max: 20, start: 1.5 }),
  panDeg: { ...pan, start: 180 },
  tiltDeg: tilt,
  widthM: size('Width', 0.6),
  heightM: size('Height', 0.8),
});

const named = { id: text(1, 64), name: text(1, 80) };

export const lightSchema = z.object({
  ...named,
  kind: z.literal('light'),
  /** one of the three, or none after what it named was deleted */
  buildId: z.nullable(buildIdSchema),
  fixtureId: z.nullable(fixtureIdSchema),
  unitId: z.nullable(unitIdSchema),
  ...LIGHT_RECORD.shape,
});
export type LightThing = z.infer<typeof lightSchema>;
export const headSchema = z.object({ ...named, kind: z.literal('head'), ...HEAD_RECORD.shape });
export type HeadThing = z.infer<typeof headSchema>;
export const tableSchema = z.object({ ...named, kind: z.literal('table'), ...TABLE_RECORD.shape });
export type TableThing = z.infer<typeof tableSchema>;
export const backdropSchema = z.object({
  ...named,
  kind: z.literal('backdrop'),
  ...BACKDROP_RECORD.shape,
});
export type BackdropThing = z.infer<typeof backdropSchema>;
export const objectSchema = z.object({
  ...named,
  kind: z.literal('object'),
  ...OBJECT_RECORD.shape,
});
export type ObjectThing = z.infer<typeof objectSchema>;
export const socketSchema = z.object({
  ...named,
  kind: z.literal('socket'),
  /** null where nobody knows what it hangs on */
  circuitId: z.nullable(circuitIdSchema),
  ...SOCKET_RECORD.shape,
});
export type SocketThing = z.infer<typeof socketSchema>;
export const windowSchema = z.object({
  ...named,
  kind: z.literal('window'),
  ...WINDOW_RECORD.shape,
});
export type WindowThing = z.infer<typeof windowSchema>;
export const cardSchema = z.object({ ...named, kind: z.literal('card'), ...CARD_RECORD.shape });
export type CardThing = z.infer<typeof cardSchema>;
export const glassSchema = z.object({ ...named, kind: z.literal('glass'), ...GLASS_RECORD.shape });
export type GlassThing = z.infer<typeof glassSchema>;
