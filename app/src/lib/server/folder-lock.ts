import { spawnSync } from 'node:child_process';
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Complaint } from '@even-page/core/complaint';

/**
 * Takes a data folder for this process alone: two databases open on one folder would lose data silently. The
 * lock is the kernel's (flock on the folder itself, which nobody can delete under us), so that it is gone the moment
 * the process is, however it ends. Returns what gives it back. Throws a Complaint when another process has it.
 */
export function lockFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const held = openSync(folder, 'r');
  // The lock belongs to the open folder, which the child shares with us: it stays when the child ends.
  const { status, error } = spawnSync('flock', ['--exclusive', '--nonblock', '3'], { stdio: ['ignore', 'ignore', 'ignore', held] });
  const holder = join(folder, 'process');
  if (status === 0) {
    writeFileSync(holder, `${process.pid}\n`, { mode: 0o600 });
    return () => closeSync(held);
  }
  closeSync(held);
  if (error) {
    throw new Complaint(
      'The command flock (package util-linux) is missing, and without it two programs could spoil one data folder: install it, or use a PostgreSQL server (DATABASE_URL).',
    );
  }
  const pid = existsSync(holder) ? readFileSync(holder, 'utf8').trim() : '';
  throw new Complaint(
    `Another Even Page${pid ? ` (process ${pid})` : ''} is at work on the folder ${folder}. Stop it first, or give this one a folder of its own with EVEN_PAGE_DATA.`,
  );
}
