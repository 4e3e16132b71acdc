import { open } from 'node:fs/promises';

/** Makes sure that a file just made or renamed in a folder is found there after a power cut. */
export async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder, 'r');
  await handle.sync();
  await handle.close();
}
