import { createHash, randomUUID, webcrypto } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { link, mkdir, open, readFile, rename, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { environment } from './environment.ts';
import { syncFolder } from './sync-folder.ts';

// Files are named by their digest and never change: the same bytes are kept once.
/** Where the file of a digest lies. */
export const pathOf = (digest: string) => join(environment.EVEN_PAGE_DATA, 'files', digest.slice(0, 2), digest);

/** The SHA-256 of bytes in hexadecimal. */
export async function digestOf(bytes: Uint8Array): Promise<string> {
  // On a thread of its own: a large file would keep everybody waiting.
  return Buffer.from(await webcrypto.subtle.digest('SHA-256', bytes)).toString('hex');
}

/** Keeps bytes as a file and returns their SHA-256 in hexadecimal. A file is there whole or not at all. */
export async function keep(bytes: Uint8Array): Promise<string> {
  const digest = await digestOf(bytes);
  const path = pathOf(digest);
  if (await stat(path).catch(() => null)) return digest;
  await mkdir(dirname(path), { recursive: true });
  const half = `${path}.${randomUUID()}`;
  await writeFile(half, bytes, { flush: true });
  await rename(half, path);
  await syncFolder(dirname(path));
  return digest;
}

/** The bytes of a digest. Throws when there is no such file. */
export function bytesOf(digest: string): Promise<Buffer> {
  return readFile(pathOf(digest));
}

/** Keeps a file that lies elsewhere on the same disk, without copying it, and returns its digest. The other name stays. */
export async function keepFile(from: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const part of createReadStream(from)) hash.update(part as Buffer);
  const digest = hash.digest('hex');
  const path = pathOf(digest);
  if (await stat(path).catch(() => null)) return digest;
  await mkdir(dirname(path), { recursive: true });
  const file = await open(from);
  await file.sync();
  await file.close();
  await link(from, path).catch((cause: NodeJS.ErrnoException) => {
    // Two requests at once keep the same bytes.
    if (cause.code !== 'EEXIST') throw cause;
  });
  await syncFolder(dirname(path));
  return digest;
}
