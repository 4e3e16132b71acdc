import { eq } from 'drizzle-orm';
import { openFolder } from './embedded.ts';
import type { Database, Opened } from './engine.ts';
import { environment } from './environment.ts';
import { openServer } from './postgres-server.ts';
import type { Person } from './person.ts';
import * as schema from './schema.ts';
import { Writing } from './writing.ts';

let opened: Promise<Opened> | null = null;
let isClosed = false;

function open(): Promise<Opened> {
  if (isClosed) throw new Error('The database is closed: the server goes down.');
  return (opened ??= environment.DATABASE_URL ? openServer(environment.DATABASE_URL) : openFolder(environment.EVEN_PAGE_DATA));
}

/** The open database; the first call opens it and brings its tables up to date. */
export async function database(): Promise<Database> {
  return (await open()).db;
}

/** Runs a person's writes in one transaction: all of them hold, on the disk, when it resolves, or none does. */
export async function write<R>(person: Person, work: (writing: Writing) => Promise<R>): Promise<R> {
  const { db, journal } = await open();
  let done: Writing;
  const result = await db.transaction(async (tx) => {
    const writing = (done = new Writing(tx, person));
    const result = await work(writing);
    if (journal && writing.rows.length) {
      // The journal is written before the tables are: it never lacks what they hold.
      await tx.update(schema.journalMark).set({ entry: journal.next }).where(eq(schema.journalMark.id, 1));
      await journal.append(writing.rows);
    }
    return result;
  });
  done!.holds();
  return result;
}

/** Makes a dated backup, where the database is one that we keep ourselves. */
export async function backUp(): Promise<void> {
  await (await open()).backUp?.();
}

/** Closes the database for good, so that everything is written before the process ends. */
export async function closeDatabase(): Promise<void> {
  isClosed = true;
  await (await opened)?.close();
}
