import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import type { SaveJournal } from './save-journal.ts';
import type * as schema from './schema.ts';

/** The database, whichever engine it runs on. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;

/** An open database; the embedded one has a journal of saves beside it and is backed up from here. */
export type Opened = { db: Database; close: () => Promise<void>; journal?: SaveJournal; backUp?: () => Promise<void> };
