import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { FileStore } from '@tus/file-store';
import { Server } from '@tus/server';
import { environment } from './environment.ts';

const folder = join(environment.EVEN_PAGE_DATA, 'uploads');
// Ten hours of video, and no more than a disk is likely to have room for.
const MOST_BYTES = 20 * 1024 ** 3;

let uploads: Server | null = null;

/** The server of resumable uploads (tus 1.0.0). */
export async function uploadServer(): Promise<Server> {
  if (!uploads) {
    await mkdir(folder, { recursive: true });
    uploads = new Server({
      path: '/uploads',
      datastore: new FileStore({ directory: folder }),
      maxSize: MOST_BYTES,
      relativeLocation: true,
    });
  }
  return uploads;
}

const UPLOAD = /^[0-9a-f]{32}$/;

/** The file of an upload that is there whole; null when it is not. */
export async function wholeUpload(upload: string): Promise<{ path: string; size: number } | null> {
  const store = (await uploadServer()).datastore;
  const state = UPLOAD.test(upload) ? await store.getUpload(upload).catch(() => null) : null;
  return state?.size !== undefined && state.offset === state.size ? { path: join(folder, upload), size: state.size } : null;
}

/** Lets go of an upload that was taken in. */
export async function clearUpload(upload: string): Promise<void> {
  for (const done of [upload, `${upload}.json`]) await rm(join(folder, done), { force: true });
}
