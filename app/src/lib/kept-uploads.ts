import { randomName } from '$lib/block-id.ts';
import { openDB, type IDBPDatabase } from 'idb';

/** A recording on its way: which piece it is for, and the file itself, so that it goes on after a reload. */
export type KeptUpload = { key: string; piece: string; file: File };

let opened: Promise<IDBPDatabase> | null = null;

const uploads = () =>
  (opened ??= openDB('even-page-uploads', 1, {
    upgrade(db) {
      db.createObjectStore('uploads', { keyPath: 'key' }).createIndex('piece', 'piece');
    },
  }));

/** Keeps a recording in this browser until it has arrived. */
export async function keepUpload(piece: string, file: File): Promise<KeptUpload> {
  const kept = { key: randomName(20), piece, file };
  await (await uploads()).put('uploads', kept);
  return kept;
}

/** The recordings of a piece that have not arrived yet. */
export const keptUploads = async (piece: string): Promise<KeptUpload[]> => (await uploads()).getAllFromIndex('uploads', 'piece', piece);

/** Lets go of a recording that arrived, or that the writer gave up. */
export const dropUpload = async (key: string): Promise<void> => (await uploads()).delete('uploads', key);

/** Whether a file is a recording, as far as its name and the system tell; the server tells from the bytes. */
export const isRecording = (file: File): boolean =>
  /^(?:audio|video)\//.test(file.type) || /\.(?:webm|mp4|m4v|mov|mp3|m4a|wav|ogg|oga|opus)$/i.test(file.name);
