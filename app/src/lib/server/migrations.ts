import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import type { Database } from './engine.ts';

/** The folder of migrations: the server runs from app/ (build) or from the repository (tests, scripts). */
export const MIGRATIONS = ['migrations', 'app/migrations'].find((folder) => existsSync(folder))!;

/** How many of the migrations have been made in this database; 0 in a new one. */
export async function migrationsMade(db: Database): Promise<number> {
  const found = (await db.execute(sql`select to_regclass('drizzle.__drizzle_migrations') is not null as made`)) as unknown as {
    rows: { made: boolean }[];
  };
  if (!found.rows[0]!.made) return 0;
  const counted = (await db.execute(sql`select count(*)::int as n from drizzle.__drizzle_migrations`)) as unknown as {
    rows: { n: number }[];
  };
  return counted.rows[0]!.n;
}

/** How many migrations there are. */
export function migrationsKnown(): number {
  const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as { entries: unknown[] };
  return journal.entries.length;
}
