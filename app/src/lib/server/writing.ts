import { getTableColumns, getTableName, type SQL } from 'drizzle-orm';
import { getTableConfig, type PgColumn, type PgTable } from 'drizzle-orm/pg-core';
import type { Database } from './engine.ts';
import { TABLES } from './tables.ts';
import type { WrittenRow } from './written-row.ts';

type Row = Record<string, unknown>;

/** Writes rows inside one transaction and notes how each stands afterwards, for the journal. */
export class Writing {
  readonly rows: WrittenRow[] = [];

  constructor(readonly tx: Database) {}

  async insert<T extends PgTable>(table: T, values: T['$inferInsert']): Promise<T['$inferSelect']> {
    const [row] = (await this.tx
      .insert(table)
      .values(values as never)
      .returning(othersOf(table, values))) as Row[];
    return this.#note(table, { ...row, ...values });
  }

  /** Inserts a row unless one with its key is there already. Returns whether it did. */
  async insertOnce<T extends PgTable>(table: T, values: T['$inferInsert']): Promise<boolean> {
    const added = (await this.tx
      .insert(table)
      .values(values as never)
      .onConflictDoNothing()
      .returning(othersOf(table, values))) as Row[];
    for (const row of added) this.#note(table, { ...row, ...values });
    return added.length > 0;
  }

  async update<T extends PgTable>(table: T, values: Partial<T['$inferInsert']>, where: SQL | undefined): Promise<void> {
    const changed = (await this.tx
      .update(table)
      .set(values as never)
      .where(where)
      .returning(othersOf(table, values))) as Row[];
    for (const row of changed) this.#note(table, { ...row, ...values });
  }

  #note<T extends PgTable>(table: T, row: Row): T['$inferSelect'] {
    this.rows.push([getTableName(table), row]);
    return row as T['$inferSelect'];
  }
}

/** The columns that are not written themselves: what is known already, a page of a book perhaps, need not come back. */
function othersOf(table: PgTable, values: Row): Record<string, PgColumn> {
  const columns = getTableColumns(table);
  const others = Object.entries(columns).filter(([name]) => values[name] === undefined);
  // A row of which everything is known still has to say that it was written.
  return Object.fromEntries(others.length ? others : Object.entries(columns).slice(0, 1));
}

/** Puts a row that was written before into its table again, whatever stands there under its key. */
export async function rewrite(tx: Database, [name, row]: WrittenRow): Promise<void> {
  const table = TABLES.get(name);
  if (!table) throw new Error(`The journal names a table that is not known: ${name}`);
  const columns = getTableColumns(table);
  const { primaryKeys } = getTableConfig(table);
  const target = primaryKeys[0]?.columns ?? Object.values(columns).filter((column) => column.primary);
  const values = Object.fromEntries(
    Object.entries(columns).map(([key, column]) => {
      const value = row[key];
      return [key, column.dataType === 'date' && value ? new Date(value as string) : value];
    }),
  );
  await tx
    .insert(table)
    .values(values as never)
    .onConflictDoUpdate({ target, set: values as never });
}
