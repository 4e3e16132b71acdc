import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import type { PgliteDatabase } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import type * as schema from './schema.ts';

/** The folder of migrations: the server runs from app/ (build) or from the repository (tests, scripts). */
export const MIGRATIONS = ['migrations', 'app/migrations'].find((folder) => existsSync(folder))!;

const LIST = 'meta/_journal.json';
const list = (): { entries: unknown[] } => JSON.parse(readFileSync(join(MIGRATIONS, LIST), 'utf8'));

/** How many migrations there are. */
export const MIGRATIONS_KNOWN = list().entries.length;

type Embedded = PgliteDatabase<typeof schema>;

/** How many of the migrations have been made in an embedded database; 0 in a new one. */
export async function migrationsMade(db: Embedded): Promise<number> {
  const found = await db.execute<{ made: boolean }>(sql`select to_regclass('drizzle.__drizzle_migrations') is not null as made`);
  if (!found.rows[0]!.made) return 0;
  const counted = await db.execute<{ n: number }>(sql`select count(*)::int as n from drizzle.__drizzle_migrations`);
  return counted.rows[0]!.n;
}

/** Makes the first `count` of the migrations in an embedded database. */
export async function migrateTo(db: Embedded, count: number): Promise<void> {
  if (count === MIGRATIONS_KNOWN) return migrate(db, { migrationsFolder: MIGRATIONS });
  // Drizzle makes all the migrations of a folder: here is one with the first of them.
  const some = mkdtempSync(join(tmpdir(), 'even-page-migrations-'));
  try {
    cpSync(MIGRATIONS, some, { recursive: true });
    const all = list();
    writeFileSync(join(some, LIST), JSON.stringify({ ...all, entries: all.entries.slice(0, count) }));
    await migrate(db, { migrationsFolder: some });
  } finally {
    rmSync(some, { recursive: true });
  }
}
