import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { eq } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/pglite';
import { Complaint } from '@even-page/core/complaint';
import { keepBackup, markIn, newestBackup, oldestMark } from './backups.ts';
import type { Opened } from './engine.ts';
import { lockFolder } from './folder-lock.ts';
import { logTrouble } from './log.ts';
import { MIGRATIONS_KNOWN, migrationsMade } from './migrations.ts';
import { bringUpToDate } from './replay.ts';
import { SaveJournal } from './save-journal.ts';
import * as schema from './schema.ts';
import { hasClearSecrets, sealBackups, sealDatabase, sealEntry } from './sealing.ts';
import { PGLITE } from './tables.ts';

const { jobs, sendings } = schema;

/** Opens the database in a data folder, for this process alone, with every save that was ever acknowledged in it. */
export async function openFolder(data: string): Promise<Opened> {
  const unlock = lockFolder(data);
  try {
    const journal = new SaveJournal(join(data, 'journal'));
    const folder = join(data, 'database');
    const backups = join(data, 'backups');
    let client = await openClient(data, journal);
    let db = drizzle(client, { schema });
    const made = await migrationsMade(db);
    if (made > 0 && made < MIGRATIONS_KNOWN) await backUp(client, journal, backups);
    await bringUpToDate(client, journal);
    // What this folder's last process did not live to see the end of, a sending or a job, nobody is at work on any more.
    await db.update(sendings).set({ heldUntil: new Date() }).where(eq(sendings.isOver, false));
    await db.update(jobs).set({ leaseUntil: null });
    if (await hasClearSecrets(db)) {
      await sealBackups(backups);
      await journal.rewrite(sealEntry);
      client = await sealDatabase(client, folder);
      db = drizzle(client, { schema });
    }
    const close = async () => {
      await client.close();
      await journal.close();
      unlock();
    };
    return { db, close, journal, backUp: () => backUp(client, journal, backups) };
  } catch (cause) {
    unlock();
    throw cause;
  }
}

async function backUp(client: PGlite, journal: SaveJournal, backups: string): Promise<void> {
  // Inside a transaction: no write comes between the files of the dump, or while the journal changes its file.
  await client.transaction(async (tx) => {
    await keepBackup(backups, () => client.dumpDataDir('gzip'), await markIn(tx));
    await journal.begin(oldestMark(backups));
  });
  await journal.pack();
}

async function openClient(data: string, journal: SaveJournal): Promise<PGlite> {
  const folder = join(data, 'database');
  const isNew = !existsSync(join(folder, 'PG_VERSION'));
  const backup = newestBackup(join(data, 'backups'));
  // A journal from its first entry on fills a new database with everything; nothing else does.
  if (isNew && (journal.next > 1 ? !journal.reachesBackTo(0) : backup)) {
    throw new Complaint(
      `There is no database in ${folder}, yet ${backup ? 'backups' : 'a journal of saves'} beside it. Nothing was changed. ` +
        (backup ? `Run “npm run restore -- ${backup}” to bring the newest backup back with every save since. ` : '') +
        'To begin with an empty Desk instead, move the folders backups and journal out of the data folder.',
    );
  }
  mkdirSync(folder, { recursive: true });
  try {
    return await PGlite.create(folder, PGLITE);
  } catch (cause) {
    logTrouble(cause);
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
