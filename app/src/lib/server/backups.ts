import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import { open, readFile, rename } from 'node:fs/promises';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { PGlite } from '@electric-sql/pglite';
import { Complaint } from '@even-page/core/complaint';
import { syncFolder } from './sync-folder.ts';

const DAYS = 7;
const WEEKS = 4;
const DAY_MS = 86_400_000;

const NAME = /^(\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d)\.tar\.gz$/;
const nameOf = (moment: Date) => `${moment.toISOString().slice(0, 19).replaceAll(':', '-')}.tar.gz`;
const dateOf = (name: string) => new Date(`${NAME.exec(name)![1]!.replace(/T(\d\d)-(\d\d)-/, 'T$1:$2:')}Z`);

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

/** Keeps a dump as a dated backup, whole or not at all, and takes away those that are no longer wanted. */
export async function keepBackup(folder: string, dump: () => Promise<Blob>): Promise<void> {
  mkdirSync(folder, { recursive: true });
  const bytes = new Uint8Array(await (await dump()).arrayBuffer());
  const name = nameOf(new Date());
  const half = await open(join(folder, `${name}.half`), 'w');
  await half.writeFile(bytes);
  await half.sync();
  await half.close();
  await rename(join(folder, `${name}.half`), join(folder, name));
  await syncFolder(folder);
  for (const old of backupsToDrop(listBackups(folder))) rmSync(join(folder, old));
}

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
 */
export async function unpackBackup(backups: string, name: string, folder: string): Promise<void> {
  if (!listBackups(backups).includes(name)) throw new Complaint(`There is no backup named ${name} in ${backups}.`);
  const packed = await readFile(join(backups, name));
  mkdirSync(folder, { recursive: true });
  try {
    const client = await PGlite.create(folder, { loadDataDir: new Blob([new Uint8Array(gunzipSync(packed))]) });
    await client.query('select count(*) from pieces');
    await client.close();
  } catch {
    rmSync(folder, { recursive: true, force: true });
    throw new Complaint(`The backup ${name} cannot be read: choose an older one.`);
  }
}
