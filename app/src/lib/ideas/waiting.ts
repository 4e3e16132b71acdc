import { openDB, type IDBPDatabase } from 'idb';
import type { Idea } from '@even-page/core/write';

/** An idea that has not arrived yet, with the pictures that go along. */
export type WaitingIdea = { id: string; idea: Idea; createdAt: string; files: File[] };

let opened: Promise<IDBPDatabase> | null = null;

const ideas = () =>
  (opened ??= openDB('even-page-ideas', 1, {
    upgrade(db) {
      db.createObjectStore('waiting', { keyPath: 'id' });
    },
  }));

/** Keeps an idea in this browser until it has arrived. */
export const keepWaiting = async (idea: WaitingIdea): Promise<void> => void (await (await ideas()).put('waiting', idea));

/** The ideas that have not arrived yet, the newest first. */
export async function waitingIdeas(): Promise<WaitingIdea[]> {
  const all = (await (await ideas()).getAll('waiting')) as WaitingIdea[];
  return all.sort((a, b) => b.createdAt.localeCompare(a.createdAt));
}

/** Lets go of an idea that arrived as `idea`; false when it was changed since, and waits on. Without `idea`, of whatever waits. */
export async function dropWaiting(id: string, idea?: Idea): Promise<boolean> {
  const change = (await ideas()).transaction('waiting', 'readwrite');
  const now = (await change.store.get(id)) as WaitingIdea | undefined;
  const isSame = !now || !idea || (JSON.stringify(now.idea) === JSON.stringify(idea) && !now.files.length);
  if (isSame) await change.store.delete(id);
  await change.done;
  return isSame;
}
