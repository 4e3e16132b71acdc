import { drizzle } from 'drizzle-orm/postgres-js';
import { migrate } from 'drizzle-orm/postgres-js/migrator';
import postgres from 'postgres';
import { Complaint } from '@even-page/core/complaint';
import type { Opened } from './engine.ts';
import { MIGRATIONS } from './migrations.ts';
import * as schema from './schema.ts';
import { sealRows } from './sealing.ts';

/** Opens a PostgreSQL server and brings its tables up to date. It keeps its own journal and is backed up by its own means. */
export async function openServer(url: string): Promise<Opened> {
  const client = postgres(url, { onnotice: () => {} });
  try {
    await client`select 1`;
  } catch (cause) {
    throw new Complaint(
      `The PostgreSQL server of DATABASE_URL does not let us in (${(cause as Error).message}): check that it runs and that the address is right.`,
    );
  }
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: MIGRATIONS });
  await sealRows(db);
  return { db, close: () => client.end() };
}
