import { integer, jsonb, pgTable, text, timestamp } from 'drizzle-orm/pg-core';
import type { Production } from '@/core/document/production';

/** One row a production; the document is the truth, the other columns are for lists and checks. */
export const productions = pgTable('productions', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** grows by one with every save; a save must name the one it started from */
  revision: integer('revision').notNull(),
  /** ids of the edits the last save brought, so that sending them again changes nothing */
  lastEditIds: jsonb('last_edit_ids').$type<string[]>().notNull().default([]),
  document: jsonb('document').$type<Production>().notNull(),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  /** set while a production lies in the bin, from where it can be taken back */
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
});

/** Facts about this store itself, such as whether the sample production was ever put in. */
export const settings = pgTable('settings', {
  key: text('key').primaryKey(),
  value: text('value').notNull(),
});
