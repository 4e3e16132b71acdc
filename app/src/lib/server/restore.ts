import { existsSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { unpackBackup } from './backups.ts';
import { lockFolder } from './folder-lock.ts';

/**
 * Brings a backup back into a data folder that no application is at work on. What stood there is set aside, not
 * removed. The saves made since the backup come back from the journal at the next start, unless `asItWas`.
 * @returns the folders that were set aside
 */
export async function restore(data: string, name: string, { asItWas = false } = {}): Promise<string[]> {
  const unlock = lockFolder(data);
  try {
    const stamp = new Date().toISOString().slice(0, 19).replaceAll(':', '-');
    const fresh = join(data, `database-restored-${stamp}`);
    // The backup is unpacked and tried before anything is moved.
    await unpackBackup(join(data, 'backups'), name, fresh);
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
