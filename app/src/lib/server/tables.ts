import { getTableName, is } from 'drizzle-orm';
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core';
import * as schema from './schema.ts';

/** Every table whose rows are kept, by name, in an order in which each refers only to those before it: all of the schema but the journal's own mark. */
export const TABLES: ReadonlyMap<string, PgTable> = inOrder(
  Object.values(schema).filter((value) => is(value, PgTable) && value !== schema.journalMark) as PgTable[],
);

function inOrder(tables: readonly PgTable[]): Map<string, PgTable> {
  const ordered = new Map<string, PgTable>();
  const add = (table: PgTable) => {
    if (ordered.has(getTableName(table))) return;
    for (const key of getTableConfig(table).foreignKeys) {
      const { foreignTable } = key.reference();
      if (foreignTable !== table) add(foreignTable as PgTable);
    }
    ordered.set(getTableName(table), table);
  };
  tables.forEach(add);
  return ordered;
}

/** How the embedded database is opened: with a cache as small as our tables. */
export const PGLITE = { postgresqlconf: ['shared_buffers = 16MB'] };
