import { mkdtempSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { eq } from 'drizzle-orm';
import { listBackups, unpackBackup } from './backups.ts';
import type { Database } from './engine.ts';
import { MIGRATIONS } from './migrations.ts';
import type { Entry, WrittenRow } from './journal-entry.ts';
import * as schema from './schema.ts';
import { isSealed, seal } from './secrets.ts';
import { replaceFile } from './sync-folder.ts';
import { PGLITE, TABLES } from './tables.ts';

// Once tokens were kept in clear. What has them is written anew at the first start: backups, then the journal, then the
// database itself, so that an end in between is made good by the next start.

const { journalMark, outlets } = schema;

/** Whether a token stands in clear in a database. */
export async function hasClearSecrets(db: Database): Promise<boolean> {
  const rows = await db.select({ token: outlets.token }).from(outlets);
  return rows.some(({ token }) => !isSealed(token));
}

/** Seals the tokens of a database's rows. */
export async function sealRows(db: Database): Promise<void> {
  for (const { id, token } of await db.select({ id: outlets.id, token: outlets.token }).from(outlets))
    if (!isSealed(token))
      await db
        .update(outlets)
        .set({ token: seal(token) })
        .where(eq(outlets.id, id));
}

/** An entry of the journal with the tokens in it sealed; the same when there are none in clear. */
export function sealEntry(entry: Entry): Entry {
  const isClear = ([table, row]: WrittenRow) => table === 'outlets' && typeof row.token === 'string' && !isSealed(row.token);
  if (!entry.rows.some(isClear)) return entry;
  return {
    ...entry,
    rows: entry.rows.map((written) =>
      isClear(written) ? [written[0], { ...written[1], token: seal(written[1].token as string) }] : written,
    ),
  };
}

/**
 * Puts a new database without a token in clear in place of one in a folder. Rows changed in place would leave the old ones
 * in the files and in the database's own journal.
 */
export async function sealDatabase(client: PGlite, folder: string): Promise<PGlite> {
  console.error('The access tokens of the outlets are sealed now; this happens once.');
  const fresh = `${folder}-sealed`;
  rmSync(fresh, { recursive: true, force: true });
  await (await sealedCopy(client, fresh)).close();
  await client.close();
  const old = `${folder}-in-clear`;
  rmSync(old, { recursive: true, force: true });
  renameSync(folder, old);
  renameSync(fresh, folder);
  rmSync(old, { recursive: true });
  return PGlite.create(folder, PGLITE);
}

/** Writes each backup that holds a token in clear anew, under its name. */
export async function sealBackups(backups: string): Promise<void> {
  for (const name of listBackups(backups)) {
    const work = mkdtempSync(join(backups, 'sealing-'));
    try {
      await unpackBackup(backups, name, join(work, 'old'));
      const old = await PGlite.create(join(work, 'old'));
      await migrate(drizzle(old, { schema }), { migrationsFolder: MIGRATIONS });
      if (await hasClearSecrets(drizzle(old, { schema }))) {
        const sealed = await sealedCopy(old, join(work, 'sealed'));
        await replaceFile(join(backups, name), new Uint8Array(await (await sealed.dumpDataDir('gzip')).arrayBuffer()));
        await sealed.close();
      }
      await old.close();
    } finally {
      rmSync(work, { recursive: true, force: true });
    }
  }
}

/** A new database in a folder with the rows of another, the tokens sealed. */
async function sealedCopy(from: PGlite, folder: string): Promise<PGlite> {
  await sealRows(drizzle(from, { schema }));
  const to = await PGlite.create(folder, PGLITE);
  const db = drizzle(to, { schema });
  await migrate(db, { migrationsFolder: MIGRATIONS });
  for (const name of TABLES.keys()) {
    const { blob } = await from.query(`copy ${name} to '/dev/blob'`);
    if (blob) await to.query(`copy ${name} from '/dev/blob'`, [], { blob });
  }
  const [mark] = await drizzle(from, { schema }).select().from(journalMark);
  if (mark) await db.insert(journalMark).values(mark).onConflictDoUpdate({ target: journalMark.id, set: mark });
  return to;
}
