import { existsSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Complaint } from '@even-page/core/complaint';
import { dateOf, markOf, unpackBackup } from './backups.ts';
import { lockFolder } from './folder-lock.ts';
import { SaveJournal } from './save-journal.ts';

const say = (moment: Date) => moment.toISOString().slice(0, 16).replace('T', ' ');

/** What a backup brings back, in words: every save since then too, or what it holds alone. */
export function reachOf(data: string, name: string): string {
  const mark = markOf(name);
  if (mark === null) return 'with every save since, as far as the journal reaches';
  return new SaveJournal(join(data, 'journal')).reachesBackTo(mark) ? 'with every save since' : 'as it was only';
}

/**
 * Brings a backup back into a data folder that no application is at work on. What stood there is set aside, not
 * removed. The saves made since the backup come back from the journal at the next start, unless `asItWas`. Throws a
 * Complaint, and changes nothing, when the journal no longer holds all of them.
 * @returns the folders that were set aside
 */
export async function restore(data: string, name: string, { asItWas = false } = {}): Promise<string[]> {
  const unlock = lockFolder(data);
  try {
    const stamp = new Date().toISOString().slice(0, 19).replaceAll(':', '-');
    const fresh = join(data, `database-restored-${stamp}`);
    // The backup is unpacked and tried before anything is moved.
    const mark = await unpackBackup(join(data, 'backups'), name, fresh);
    const journal = new SaveJournal(join(data, 'journal'));
    if (!asItWas && !journal.reachesBackTo(mark)) {
      rmSync(fresh, { recursive: true });
      const until = journal.begins;
      throw new Complaint(
        `The journal of saves no longer reaches back to ${name}: the saves from ${say(dateOf(name))} to ${until ? say(until) : 'now'} would be missing, and those after them cannot be put on top. Nothing was changed. Choose a newer backup, or bring this one back as it was: --as-it-was.`,
      );
    }
    const moved = ['database', ...(asItWas ? ['journal'] : [])]
      .filter((folder) => existsSync(join(data, folder)))
      .map((folder) => {
        const aside = join(data, `${folder}-set-aside-${stamp}`);
        renameSync(join(data, folder), aside);
        return aside;
      });
    renameSync(fresh, join(data, 'database'));
    return moved;
  } finally {
    unlock();
  }
}
