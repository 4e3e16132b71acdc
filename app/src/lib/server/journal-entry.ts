import { Complaint } from '@even-page/core/complaint';

/**
 * A row as it stands after a write, or the key of one that is gone, with the name of its table. Columns have the names they
 * have in the database.
 */
export type WrittenRow = [table: string, row: Record<string, unknown>] | [table: string, key: Record<string, unknown>, 'gone'];

/** One acknowledged write: its number, when it was made, how many migrations the tables had, and its rows in order. */
export type Entry = { format: typeof FORMAT; entry: number; at: string; schema: number; rows: WrittenRow[] };

/** The format entries are written in. */
export const FORMAT = 2;

/** From each older format to the next, the oldest first. */
const UPCASTERS: ((old: never) => object)[] = [withSchema];

/** An entry as it was read, whatever its format. Throws a Complaint when a newer Even Page wrote it. */
export function upcast(read: { format?: number }): Entry {
  const format = read.format ?? 1;
  if (format > FORMAT) throw new Complaint(NEWER);
  return UPCASTERS.slice(format - 1).reduce<object>((entry, step) => step(entry as never), read) as Entry;
}

export const NEWER =
  'A newer Even Page has been at work on this data folder, and this one cannot read what it wrote. Nothing was changed. Start the newer one.';

type Entry1 = { entry: number; at: string; rows: [table: string, row: Record<string, unknown>][] };

// Entries of format 1 do not say of which tables they are: they were put back once all seven migrations of then were made.
const SCHEMA_OF_1 = 7;

/** Format 1 had the names of the code for columns, and rows that are gone were not in it. */
function withSchema({ entry, at, rows }: Entry1): Entry {
  const named = rows.map(([table, row]): WrittenRow => [
    table,
    Object.fromEntries(Object.entries(row).map(([name, value]) => [columnOf(name), value])),
  ]);
  return { format: 2, entry, at, schema: SCHEMA_OF_1, rows: named };
}

const columnOf = (property: string) => property.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
