import * as z from 'zod/mini';
import type { RecordField } from '../../record/field';
import {
  BACKDROP_RECORD,
  backdropSchema,
  CARD_RECORD,
  cardSchema,
  GLASS_RECORD,
  glassSchema,
  HEAD_RECORD,
  headSchema,
  LIGHT_RECORD,
  lightSchema,
  OBJECT_RECORD,
  objectSchema,
  SOCKET_RECORD,
  socketSchema,
  TABLE_RECORD,
  tableSchema,
  WINDOW_RECORD,
  windowSchema,
  type LightThing,
} from './kinds';

export * from './kinds';

/** Anything that stands in a setup beside the room itself and the camera. */
export const thingSchema = z.discriminatedUnion('kind', [
  lightSchema,
  headSchema,
  tableSchema,
  backdropSchema,
  windowSchema,
  cardSchema,
  glassSchema,
  objectSchema,
  socketSchema,
]);
export type Thing = z.infer<typeof thingSchema>;
export type ThingKind = Thing['kind'];

interface ThingDefinition {
  /** as one says it: “a head” */
  name: string;
  fields: readonly RecordField[];
  starts: Readonly<Record<string, unknown>>;
}

/** What the station asks of each kind; the order in which they are offered. */
export const THINGS: Readonly<Record<ThingKind, ThingDefinition>> = {
  light: { name: 'Light', ...LIGHT_RECORD },
  head: { name: 'Subject', ...HEAD_RECORD },
  backdrop: { name: 'Backdrop', ...BACKDROP_RECORD },
  card: { name: 'Card, sheet or flag', ...CARD_RECORD },
  window: { name: 'Window', ...WINDOW_RECORD },
  glass: { name: 'Glass', ...GLASS_RECORD },
  table: { name: 'Table', ...TABLE_RECORD },
  object: { name: 'Furniture or object', ...OBJECT_RECORD },
  socket: { name: 'Socket', ...SOCKET_RECORD },
};

/** What a thing names of the production, before it names anything. */
const NAMES_NOTHING: Partial<Record<ThingKind, object>> = {
  light: { buildId: null, fixtureId: null, unitId: null },
  socket: { circuitId: null },
};

/** A thing as it is brought in. */
export const newThing = <K extends ThingKind>(
  kind: K,
  id: string,
  name: string,
  more: Partial<Extract<Thing, { kind: K }>> = {},
): Extract<Thing, { kind: K }> =>
  ({
    id,
    name,
    kind,
    ...NAMES_NOTHING[kind],
    ...THINGS[kind].starts,
    ...more,
  }) as Extract<Thing, { kind: K }>;

/** What a light's light comes from. */
export const SOURCES = ['buildId', 'fixtureId', 'unitId'] as const satisfies (keyof LightThing)[];
