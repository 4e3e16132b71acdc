import { chmodSync, lstatSync, mkdirSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

const FOLDER = 0o700;
const FILE = 0o600;

/**
 * Closes a data folder to the other users of the machine, with all that lies in it, and makes sure that what this process
 * writes from now on is closed too.
 */
export function closeToOthers(folder: string): void {
  process.umask(0o077);
  mkdirSync(folder, { recursive: true, mode: FOLDER });
  let open = 0;
  const close = (path: string) => {
    const { mode, isFolder } = kindOf(path);
    if (mode === null) return;
    const wanted = isFolder ? FOLDER : FILE;
    if ((mode & 0o077) !== 0) {
      chmodSync(path, wanted);
      open++;
    }
    if (isFolder) for (const name of readdirSync(path)) close(join(path, name));
  };
  close(folder);
  if (open)
    console.error(
      `${open === 1 ? '1 file or folder' : `${open} files and folders`} in ${folder} could be read by other users of this machine: closed to them.`,
    );
}

/** What lies at a path; no mode where it is neither a file nor a folder, or just went away. */
function kindOf(path: string): { mode: number | null; isFolder: boolean } {
  const found = lstatSync(path, { throwIfNoEntry: false });
  return { mode: found && (found.isFile() || found.isDirectory()) ? found.mode & 0o777 : null, isFolder: found?.isDirectory() ?? false };
}
