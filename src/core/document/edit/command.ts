import * as z from 'zod/mini';
import { json, list, note, text } from '../../schema';
import { commandToVersion6 } from '../version6/command';
import { commandToVersion7 } from '../version7/command';
import { commandToVersion8 } from '../version8/document';
import { commandToVersion9 } from '../version9/document';
import { commandToVersion10 } from '../version10/document';
import { commandToVersion11 } from '../version11/document';
import { commandToVersion12 } from '../version12/document';
import { commandToVersion13 } from '../version13/document';
import { RECORD_KINDS, type FieldRef, type RecordRef } from './address';

/** The smallest changes there are. All name what they change by kind and id, none by position. */
export type Command =
  | (FieldRef & { do: 'set'; value: unknown })
  | (FieldRef & { do: 'unset' })
  /** `after` is the id it stands behind; null for the front, an unknown one for the end */
  | (RecordRef & { do: 'add'; record: Record<string, unknown>; after: string | null })
  | (RecordRef & { do: 'remove' })
  | (RecordRef & { do: 'move'; after: string | null });

/** What was done at once: small commands with what takes them back, last first. */
export interface Batch {
  id: string;
  /** as the undo list words it */
  label: string;
  commands: Command[];
  inverse: Command[];
}

const NO_KEYS = new Set(['__proto__', 'constructor', 'prototype']);
const id = text(1, 64);
const key = note(200).check(
  z.refine((name) => !NO_KEYS.has(name), 'A path must stay inside its record.'),
);
const ref = {
  kind: z.enum(RECORD_KINDS as [RecordRef['kind'], ...RecordRef['kind'][]]),
  id,
  of: z.optional(id),
};
const path = list(key, 1, 12);
const after = z.nullable(id);

const schema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('set'), ...ref, path, value: json }),
  z.object({ do: z.literal('unset'), ...ref, path }),
  z.object({ do: z.literal('add'), ...ref, record: z.record(key, json), after }),
  z.object({ do: z.literal('remove'), ...ref }),
  z.object({ do: z.literal('move'), ...ref, after }),
]);

const LIFTED: readonly ((command: unknown) => unknown)[] = [
  commandToVersion6,
  commandToVersion7,
  commandToVersion8,
  commandToVersion9,
  commandToVersion10,
  commandToVersion11,
  commandToVersion12,
  commandToVersion13,
];

/** Commands as they come through a door, or as an older window left them in its journal. */
export const commandSchema = z.pipe(
  z.transform((command) => LIFTED.reduce((lifted, lift) => lift(lifted), command)),
  schema,
) as unknown as z.ZodMiniType<Command>;

export const batchSchema = z.object({
  id: text(1, 40),
  label: text(0, 200),
  commands: list(commandSchema, 0, 5000),
  inverse: list(commandSchema, 0, 5000),
});
