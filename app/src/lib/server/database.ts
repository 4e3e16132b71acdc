import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { drizzle as drizzlePglite } from 'drizzle-orm/pglite';
import { migrate as migratePglite } from 'drizzle-orm/pglite/migrator';
import { drizzle as drizzleServer } from 'drizzle-orm/postgres-js';
import { migrate as migrateServer } from 'drizzle-orm/postgres-js/migrator';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import postgres from 'postgres';
import { environment } from './environment.ts';
import * as schema from './schema.ts';

/** The database, whichever engine it runs on. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;

type Opened = { db: Database; close: () => Promise<void> };

let opened: Promise<Opened> | null = null;

/** The open database; the first call opens it and brings its tables up to date. */
export async function database(): Promise<Database> {
  opened ??= environment.DATABASE_URL ? openServer(environment.DATABASE_URL) : openFolder(environment.EVEN_PAGE_DATA);
  return (await opened).db;
}

/** Closes the database, so that everything is written before the process ends. */
export async function closeDatabase(): Promise<void> {
  const last = opened;
  opened = null;
  await (await last)?.close();
}

async function openFolder(data: string): Promise<Opened> {
  const folder = join(data, 'database');
  mkdirSync(folder, { recursive: true });
  const client = await PGlite.create(folder, { postgresqlconf: ['shared_buffers = 16MB'] });
  const db = drizzlePglite(client, { schema });
  await migratePglite(db, { migrationsFolder: migrations() });
  return { db, close: () => client.close() };
}

async function openServer(url: string): Promise<Opened> {
  const client = postgres(url, { onnotice: () => {} });
  const db = drizzleServer(client, { schema });
  await migrateServer(db, { migrationsFolder: migrations() });
  return { db, close: () => client.end() };
}

// The server runs from app/ (build) or from the repository (tests, scripts).
function migrations(): string {
  return ['migrations', 'app/migrations'].find((folder) => existsSync(folder))!;
}
