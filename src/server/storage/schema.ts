import { sql } from 'drizzle-orm';
import {
  customType,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  serial,
  text,
  timestamp,
  type PgColumn,
} from 'drizzle-orm/pg-core';
import type { Command } from '@/core/document/edit';
import type { Right } from '@/core/document/rights';
import type { Production } from '@/core/document/production';

/**
 * One row a production; the document with what was done since it was written is the truth, the other
 * columns are for lists and checks.
 */
export const productions = pgTable('productions', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** grows by one with every save; a save must name the one it started from */
  revision: integer('revision').notNull(),
  document: jsonb('document').$type<Production>().notNull(),
  /** the revision the document was written at; what made the later ones stands in `since_written` */
  documentRevision: integer('document_revision').notNull(),
  shots: integer('shots').notNull(),
  builds: integer('builds').notNull(),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  /** set while a production lies in the bin, from where it can be taken back */
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
});

/**
 * What was done to documents since they were written whole, a row a revision: a save costs what it
 * changes, however large the production is.
 */
export const sinceWritten = pgTable(
  'since_written',
  {
    productionId: text('production_id').notNull(),
    /** the revision it made */
    revision: integer('revision').notNull(),
    commands: jsonb('commands').$type<Command[]>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.productionId, table.revision] })],
);

/**
 * Edits the store has taken, newest last, a thousand a production: an answer that was lost makes a
 * browser send its edits again, and the second time they must change nothing.
 */
export const takenEdits = pgTable(
  'taken_edits',
  {
    seq: serial('seq').notNull(),
    productionId: text('production_id').notNull(),
    editId: text('edit_id').notNull(),
    /** the window it came from */
    client: text('client').notNull(),
    /** the revision it made */
    revision: integer('revision').notNull(),
    /** as the undo list words it */
    label: text('label').notNull().default(''),
    /** who made it, as the device was named when it was let in; empty for the bench itself */
    who: text('who').notNull().default(''),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.productionId, table.editId] }),
    index('taken_edits_by_revision').on(table.productionId, table.revision),
  ],
);

/** In as base64: the driver writes bytes as hexadecimal text one by one, ten times slower by measure. */
const bytea = customType<{ data: Uint8Array<ArrayBuffer>; driverData: Uint8Array<ArrayBuffer> }>({
  dataType: () => 'bytea',
  toDriver: (bytes) =>
    sql`decode(${Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('base64')}::text, 'base64')`,
});

/** Bytes out as base64, for the same reason: twenty times faster than the driver's own way. */
export const bytesOf = (column: PgColumn) =>
  sql<string>`encode(${column}, 'base64')`.mapWith(
    (text: string) => new Uint8Array(Buffer.from(text, 'base64')),
  );

/** Photographs and frames by the SHA-256 of their bytes; documents hold the hash alone. */
export const media = pgTable('media', {
  hash: text('hash').primaryKey(),
  type: text('type').notNull(),
  sizeBytes: integer('size_bytes').notNull(),
  /** a small copy, made where the picture was put in; null until it comes */
  small: bytea('small'),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  /** since when no document has named it; null while one does */
  unnamedSince: timestamp('unnamed_since', { withTimezone: true }).defaultNow(),
});

/** The bytes in pieces, so that neither way needs a whole file in memory. */
export const mediaChunks = pgTable(
  'media_chunks',
  {
    hash: text('hash').notNull(),
    n: integer('n').notNull(),
    bytes: bytea('bytes').notNull(),
  },
  (table) => [primaryKey({ columns: [table.hash, table.n] })],
);

/** Devices that were let in by a code: what they show is known by its hash alone. */
export const devices = pgTable('devices', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  right: text('right').$type<Right>().notNull(),
  tokenHash: text('token_hash').notNull().unique(),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  seenAt: timestamp('seen_at', { withTimezone: true }).notNull().defaultNow(),
  /** set when it was shown the door; it stays in the list so that the log can be read */
  revokedAt: timestamp('revoked_at', { withTimezone: true }),
});

/** Facts about this store itself, such as whether the sample production was ever put in. */
export const settings = pgTable('settings', {
  key: text('key').primaryKey(),
  value: text('value').notNull(),
});
