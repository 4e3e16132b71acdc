import type { PGlite } from '@electric-sql/pglite';
import { sql, type SQL } from 'drizzle-orm';
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { Complaint } from '@even-page/core/complaint';
import { markIn } from './backups.ts';
import { NEWER, type Entry, type WrittenRow } from './journal-entry.ts';
import { MIGRATIONS_KNOWN, migrateTo, migrationsMade } from './migrations.ts';
import type { SaveJournal } from './save-journal.ts';
import * as schema from './schema.ts';

type Embedded = PgliteDatabase<typeof schema>;

/**
 * Brings a database up to date: with the saves that the journal has and a crash took from the tables, and with every
 * migration. A save is put back into tables as they were when it was made, before later migrations change them.
 * Throws a Complaint when saves in between are missing, or a newer Even Page made some.
 */
export async function bringUpToDate(client: PGlite, journal: SaveJournal): Promise<void> {
  const db = drizzle(client, { schema });
  const mark = await markIn(client);
  journal.continueFrom(mark);
  if (!journal.reachesBackTo(mark)) {
    throw new Complaint(
      'The database is older than the journal of saves reaches back, so saves in between would be missing. Nothing was changed. Choose a newer backup with “npm run restore”, or move the folder journal out of the data folder to go on with the database as it is.',
    );
  }
  // Before anything is put back: what this version cannot read stays as it is.
  for (const { schema: of } of journal.after(mark)) if (of > MIGRATIONS_KNOWN) throw new Complaint(NEWER);
  let made = await migrationsMade(db);
  const keys: Keys = new Map();
  for (const entry of journal.after(mark)) {
    if (entry.schema > made) {
      await migrateTo(db, (made = entry.schema));
      keys.clear();
    }
    await db.transaction((tx) => replay(tx, entry, keys));
  }
  await migrateTo(db, MIGRATIONS_KNOWN);
  await db.insert(schema.journalMark).values({ id: 1, entry: 0 }).onConflictDoNothing();
}

/** The columns of each table's primary key, once they were looked up. */
type Keys = Map<string, string[]>;

async function replay(tx: Embedded, { entry, rows }: Entry, keys: Keys): Promise<void> {
  for (const row of rows) {
    const [table] = row;
    if (!keys.has(table)) keys.set(table, await primaryKey(tx, table));
    await tx.execute((row[2] ? takenOut : putBack)(row, keys.get(table)!));
  }
  const mark = { id: 1, entry };
  await tx.insert(schema.journalMark).values(mark).onConflictDoUpdate({ target: schema.journalMark.id, set: mark });
}

async function primaryKey(tx: Embedded, table: string): Promise<string[]> {
  const { rows } = await tx.execute<{ name: string }>(
    sql`select a.attname as name from pg_index i join pg_attribute a on a.attrelid = i.indrelid and a.attnum = any(i.indkey)
      where i.indrelid = to_regclass(${table}) and i.indisprimary`,
  );
  if (!rows.length) throw new Error(`The journal names a table that is not known: ${table}`);
  return rows.map(({ name }) => name);
}

const names = (columns: readonly string[]): SQL =>
  sql.join(
    columns.map((column) => sql.identifier(column)),
    sql`, `,
  );

/** The values of a row as its table's columns take them. */
const recordOf = ([table, row]: WrittenRow): SQL =>
  sql`jsonb_populate_record(null::${sql.identifier(table)}, ${JSON.stringify(row)}::jsonb)`;

/** Puts a row into its table, whatever stands there under its key. */
function putBack(row: WrittenRow, key: readonly string[]): SQL {
  const columns = Object.keys(row[1]);
  const excluded = columns.map((column) => sql`${sql.identifier(column)} = excluded.${sql.identifier(column)}`);
  return sql`insert into ${sql.identifier(row[0])} (${names(columns)}) select ${names(columns)} from ${recordOf(row)}
    on conflict (${names(key)}) do update set ${sql.join(excluded, sql`, `)}`;
}

function takenOut(row: WrittenRow, key: readonly string[]): SQL {
  return sql`delete from ${sql.identifier(row[0])} where (${names(key)}) = (select ${names(key)} from ${recordOf(row)})`;
}
