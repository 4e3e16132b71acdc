import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { PGlite } from '@electric-sql/pglite';
import { Complaint } from '@even-page/core/complaint';
import { replaceFile } from './sync-folder.ts';

const DAYS = 7;
const WEEKS = 4;
const DAY_MS = 86_400_000;

// Older ones do not say the last entry of the journal that they hold.
const NAME = /^(\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d)(?:\.(\d+))?\.tar\.gz$/;
const nameOf = (moment: Date, mark: number) => `${moment.toISOString().slice(0, 19).replaceAll(':', '-')}.${mark}.tar.gz`;

/** When a backup was made, by its name. */
export const dateOf = (name: string): Date => new Date(`${NAME.exec(name)![1]!.replace(/T(\d\d)-(\d\d)-/, 'T$1:$2:')}Z`);

/** The last entry of the journal of saves that a backup holds; null when its name does not say. */
export function markOf(name: string): number | null {
  const mark = NAME.exec(name)?.[2];
  return mark === undefined ? null : Number(mark);
}

/** The backups in a folder, newest first. */
export function listBackups(folder: string): string[] {
  mkdirSync(folder, { recursive: true });
  return readdirSync(folder)
    .filter((name) => NAME.test(name))
    .sort()
    .reverse();
}

/** The newest backup in a folder, or undefined. */
export const newestBackup = (folder: string): string | undefined => listBackups(folder)[0];

/** Whether a backup of the last 24 hours is there. */
export function isBackedUp(folder: string, now = new Date()): boolean {
  const newest = newestBackup(folder);
  return newest !== undefined && now.getTime() - dateOf(newest).getTime() < DAY_MS;
}

/**
 * Keeps a dump as a dated backup, whole or not at all, and takes away those that are no longer wanted.
 * @param mark the last entry of the journal that it holds
 */
export async function keepBackup(folder: string, dump: () => Promise<Blob>, mark: number): Promise<void> {
  mkdirSync(folder, { recursive: true });
  const bytes = new Uint8Array(await (await dump()).arrayBuffer());
  await replaceFile(join(folder, nameOf(new Date(), mark)), bytes);
  for (const old of backupsToDrop(listBackups(folder))) rmSync(join(folder, old));
}

/** The entry of the journal from which on the oldest backup needs it; 0, all of it, when a backup does not say. */
export const oldestMark = (folder: string): number => Math.min(...listBackups(folder).map((name) => markOf(name) ?? 0));

/** Of backups, newest first, those beyond the newest of each of the last 7 days and of each of the last 4 weeks that have one. */
export function backupsToDrop(names: readonly string[]): string[] {
  const newestOf = (most: number, period: (date: Date) => number) => {
    const kept = new Map<number, string>();
    for (const name of names) {
      const key = period(dateOf(name));
      if (!kept.has(key) && kept.size < most) kept.set(key, name);
    }
    return kept.values();
  };
  const day = (date: Date) => Math.floor(date.getTime() / DAY_MS);
  // Day 0, 1 January 1970, was a Thursday: weeks that begin on Mondays are four days off.
  const keep = new Set([...newestOf(DAYS, day), ...newestOf(WEEKS, (date) => Math.floor((day(date) + 3) / 7))]);
  return names.filter((name) => !keep.has(name));
}

/**
 * Makes a database of a backup in a folder where none is. Throws a Complaint, and leaves no folder, when there is
 * no such backup or it cannot be read.
 * @returns the last entry of the journal that it holds
 */
export async function unpackBackup(backups: string, name: string, folder: string): Promise<number> {
  if (!listBackups(backups).includes(name)) throw new Complaint(`There is no backup named ${name} in ${backups}.`);
  const packed = await readFile(join(backups, name));
  mkdirSync(folder, { recursive: true });
  try {
    const client = await PGlite.create(folder, { loadDataDir: new Blob([new Uint8Array(gunzipSync(packed))]) });
    await client.query('select count(*) from pieces');
    const mark = await markIn(client);
    await client.close();
    return mark;
  } catch {
    rmSync(folder, { recursive: true, force: true });
    throw new Complaint(`The backup ${name} cannot be read: choose an older one.`);
  }
}

/** The last entry of the journal that the tables of a database hold. */
export async function markIn(client: Pick<PGlite, 'query'>): Promise<number> {
  const { rows: tables } = await client.query<{ there: boolean }>(`select to_regclass('journal_mark') is not null as there`);
  if (!tables[0]!.there) return 0;
  const { rows } = await client.query<{ entry: number }>('select entry from journal_mark');
  return rows[0]?.entry ?? 0;
}
