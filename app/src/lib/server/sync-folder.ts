import { open, rename } from 'node:fs/promises';
import { dirname } from 'node:path';

/** Makes sure that a file just made or renamed in a folder is found there after a power cut. */
export async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder, 'r');
  await handle.sync();
  await handle.close();
}

/** Writes a file in place of what stands under its name: whole and on the disk, or not at all. */
export async function replaceFile(path: string, bytes: Uint8Array): Promise<void> {
  const half = await open(`${path}.half`, 'w');
  try {
    await half.writeFile(bytes);
    await half.sync();
  } finally {
    await half.close();
  }
  await rename(`${path}.half`, path);
  await syncFolder(dirname(path));
}
