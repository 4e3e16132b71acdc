import { randomName } from '$lib/block-id.ts';
import { openDB, type IDBPDatabase } from 'idb';

/** A file on its way: which piece it is for, the id a picture has on its page, and the file itself, so that it goes on after a reload. */
export type KeptUpload = { key: string; piece: string; file: File; picture?: string };

let opened: Promise<IDBPDatabase> | null = null;

const uploads = () =>
  (opened ??= openDB('even-page-uploads', 1, {
    upgrade(db) {
      db.createObjectStore('uploads', { keyPath: 'key' }).createIndex('piece', 'piece');
    },
  }));

/** Keeps a file in this browser until it has arrived. */
export async function keepUpload(piece: string, file: File, picture?: string): Promise<KeptUpload> {
  const kept = { key: randomName(20), piece, file, ...(picture ? { picture } : {}) };
  await (await uploads()).put('uploads', kept);
  return kept;
}

/** The files of a piece that have not arrived yet. */
export const keptUploads = async (piece: string): Promise<KeptUpload[]> => (await uploads()).getAllFromIndex('uploads', 'piece', piece);

/** Lets go of a file that arrived, or that the writer gave up. */
export const dropUpload = async (key: string): Promise<void> => (await uploads()).delete('uploads', key);

/** Whether a file is a recording, as far as its name and the system tell; the server tells from the bytes. */
export const isRecording = (file: File): boolean =>
  /^(?:audio|video)\//.test(file.type) || /\.(?:webm|mp4|m4v|mov|mp3|m4a|wav|ogg|oga|opus)$/i.test(file.name);
