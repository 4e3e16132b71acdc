import { spawnSync } from 'node:child_process';
import { closeSync, ftruncateSync, mkdirSync, openSync, readFileSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { Complaint } from '@even-page/core/complaint';

/**
 * Takes a data folder for this process alone: two databases open on one folder would lose data silently. The
 * lock is the kernel's (flock on the file `lock`), so that it is gone the moment the process is, however it ends.
 * Returns what gives it back. Throws a Complaint when another process has it.
 */
export function lockFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, 'lock');
  const file = openSync(path, 'a+');
  // The lock belongs to the open file, which the child shares with us: it stays when the child ends.
  const { status, error } = spawnSync('flock', ['--exclusive', '--nonblock', '3'], { stdio: ['ignore', 'ignore', 'ignore', file] });
  if (status === 0) {
    ftruncateSync(file);
    writeSync(file, `${process.pid}\n`);
    return () => closeSync(file);
  }
  closeSync(file);
  if (error) {
    throw new Complaint(
      'The command flock (package util-linux) is missing, and without it two programs could spoil one data folder: install it, or use a PostgreSQL server (DATABASE_URL).',
    );
  }
  const holder = readFileSync(path, 'utf8').trim();
  throw new Complaint(
    `Another Even Page${holder ? ` (process ${holder})` : ''} is at work on the folder ${folder}. Stop it first, or give this one a folder of its own with EVEN_PAGE_DATA.`,
  );
}
