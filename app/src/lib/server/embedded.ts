import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { eq } from 'drizzle-orm';
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { Complaint } from '@even-page/core/complaint';
import { keepBackup, newestBackup } from './backups.ts';
import type { Opened } from './database.ts';
import { lockFolder } from './folder-lock.ts';
import { MIGRATIONS, migrationsKnown, migrationsMade } from './migrations.ts';
import { SaveJournal } from './save-journal.ts';
import * as schema from './schema.ts';
import { rewrite } from './writing.ts';

const { journalMark } = schema;

/** Opens the database in a data folder, for this process alone, with every save that was ever acknowledged in it. */
export async function openFolder(data: string): Promise<Opened> {
  const unlock = lockFolder(data);
  try {
    const client = await openClient(data);
    const db = drizzle(client, { schema });
    const journal = new SaveJournal(join(data, 'journal'));
    // Inside a transaction: no write comes between the files of the dump, or while the journal changes its file.
    const backUp = () =>
      client.transaction(async () => {
        await keepBackup(join(data, 'backups'), () => client.dumpDataDir('gzip'));
        await journal.begin();
      });
    const made = await migrationsMade(db);
    if (made > 0 && made < migrationsKnown()) await backUp();
    await migrate(db, { migrationsFolder: MIGRATIONS });
    await catchUp(db, journal);
    const close = async () => {
      await client.close();
      await journal.close();
      unlock();
    };
    return { db, close, journal, backUp };
  } catch (cause) {
    unlock();
    throw cause;
  }
}

async function openClient(data: string): Promise<PGlite> {
  const folder = join(data, 'database');
  const isNew = !existsSync(folder);
  mkdirSync(folder, { recursive: true });
  try {
    return await PGlite.create(folder, { postgresqlconf: ['shared_buffers = 16MB'] });
  } catch (cause) {
    console.error(cause);
    const backup = newestBackup(join(data, 'backups'));
    throw new Complaint(
      isNew
        ? `No database could be made in ${folder}. Check that the disk has room (about 100 MB) and that the folder may be written to.`
        : `The database in ${folder} cannot be opened. Nothing was changed; raw material, pictures and the journal of saves lie beside it untouched. ` +
            (backup
              ? `Run “npm run restore -- ${backup}” to bring back the newest backup and every save since.`
              : 'There is no backup yet. Move that folder aside and start again: the journal of saves fills the new database.'),
    );
  }
}

/** Writes what the journal has and the tables lack: saves that a crash took from the database. */
async function catchUp(db: PgliteDatabase<typeof schema>, journal: SaveJournal): Promise<void> {
  await db.insert(journalMark).values({ id: 1, entry: 0 }).onConflictDoNothing();
  const [mark] = await db.select().from(journalMark);
  journal.continueFrom(mark!.entry);
  // A backup older than the journal is what its restorer wanted: a gap in between is not bridged.
  if (!journal.reachesBackTo(mark!.entry)) return;
  for (const { entry, rows } of journal.after(mark!.entry)) {
    await db.transaction(async (tx) => {
      for (const row of rows) await rewrite(tx, row);
      await tx.update(journalMark).set({ entry }).where(eq(journalMark.id, 1));
    });
  }
}
