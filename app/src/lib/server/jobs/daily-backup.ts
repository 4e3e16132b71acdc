import { join } from 'node:path';
import { object } from 'yup';
import { isBackedUp } from '../backups.ts';
import { backUp } from '../database.ts';
import { environment } from '../environment.ts';
import type { JobKind } from './job.ts';

/** A dated backup of the database in the data folder, whenever the newest is older than a day; a PostgreSQL server is backed up by its own means. */
export const dailyBackup: JobKind = {
  kind: 'daily-backup',
  payload: object({}),
  async work() {
    await backUp();
    return { done: async () => {} };
  },
  repeats: {
    pattern: '*/10 * * * *',
    due(now) {
      if (environment.DATABASE_URL || isBackedUp(join(environment.EVEN_PAGE_DATA, 'backups'), now)) return null;
      return { kind: 'daily-backup', key: `daily-backup ${now.toISOString().slice(0, 10)}`, payload: {} };
    },
  },
};
