import { getTableName } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import * as schema from './schema.ts';

/** Every table whose rows are kept, by name, in an order in which each refers only to those before it. */
export const TABLES: ReadonlyMap<string, PgTable> = new Map(
  [
    schema.pieces,
    schema.versions,
    schema.sources,
    schema.pieceSources,
    schema.pictures,
    schema.outlets,
    schema.postings,
    schema.sendings,
    schema.sentPictures,
    schema.houseStyle,
  ].map((table: PgTable) => [getTableName(table), table]),
);

/** How the embedded database is opened: with a cache as small as our tables. */
export const PGLITE = { postgresqlconf: ['shared_buffers = 16MB'] };
