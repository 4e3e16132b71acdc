import { getTableColumns, getTableName, type SQL } from 'drizzle-orm';
import { getTableConfig, type PgColumn, type PgTable } from 'drizzle-orm/pg-core';
import type { Database } from './engine.ts';
import type { WrittenRow } from './journal-entry.ts';
import type { Person } from './person.ts';

type Row = Record<string, unknown>;

/** Writes rows inside one transaction and notes how each stands afterwards, for the journal. */
export class Writing {
  readonly rows: WrittenRow[] = [];
  readonly #afterwards: (() => void)[] = [];

  constructor(
    readonly tx: Database,
    /** Who writes. */
    readonly person: Person,
  ) {}

  /** Says what is to happen once everything holds. */
  afterwards(act: () => void): void {
    this.#afterwards.push(act);
  }

  /** To be called when everything holds. */
  holds(): void {
    for (const act of this.#afterwards) act();
  }

  async insert<T extends PgTable>(table: T, values: T['$inferInsert']): Promise<T['$inferSelect']> {
    const [row] = (await this.tx
      .insert(table)
      .values(values as never)
      .returning(othersOf(table, values))) as Row[];
    return this.#note(table, row, values);
  }

  /** Inserts a row unless one with its key is there already. Returns whether it did. */
  async insertOnce<T extends PgTable>(table: T, values: T['$inferInsert']): Promise<boolean> {
    const added = (await this.tx
      .insert(table)
      .values(values as never)
      .onConflictDoNothing()
      .returning(othersOf(table, values))) as Row[];
    for (const row of added) this.#note(table, row, values);
    return added.length > 0;
  }

  async update<T extends PgTable>(table: T, values: Partial<T['$inferInsert']>, where: SQL | undefined): Promise<void> {
    const changed = (await this.tx
      .update(table)
      .set(values as never)
      .where(where)
      .returning(othersOf(table, values))) as Row[];
    for (const row of changed) this.#note(table, row, values);
  }

  /** Takes rows out. */
  async delete(table: PgTable, where: SQL | undefined): Promise<void> {
    const key = Object.fromEntries(keyOf(table).map((column) => [column.name, column]));
    const gone = (await this.tx.delete(table).where(where).returning(key)) as Row[];
    for (const row of gone) this.rows.push([getTableName(table), row, 'gone']);
  }

  /** Notes a row of which a part was written and the others came back. */
  #note<T extends PgTable>(table: T, others: Row | undefined, written: Row): T['$inferSelect'] {
    const columns = Object.entries(getTableColumns(table));
    const row = Object.fromEntries(columns.map(([name]) => [name, written[name] === undefined ? others?.[name] : written[name]]));
    this.rows.push([getTableName(table), Object.fromEntries(columns.map(([name, column]) => [column.name, row[name]]))]);
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

function keyOf(table: PgTable): PgColumn[] {
  const { primaryKeys } = getTableConfig(table);
  return primaryKeys[0]?.columns ?? Object.values(getTableColumns(table)).filter((column) => column.primary);
}
