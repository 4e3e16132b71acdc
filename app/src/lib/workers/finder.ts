import { wrap, type Remote } from 'comlink';
import type { FoundWords, Query } from '@even-page/core/tidy';
import type { FinderWork } from './finder.worker.ts';

// A pattern can be made to look for ever; nobody waits that long for a search.
const MOST_MS = 2000;

let worker: Worker | null = null;
let remote: Remote<FinderWork> | null = null;

/** Looks for a query in a text, off the main thread: the places, or a sentence that says why there are none. */
export async function finder(text: string, query: Query, replacement: string): Promise<FoundWords[] | string> {
  worker ??= new Worker(new URL('./finder.worker.ts', import.meta.url), { type: 'module' });
  remote ??= wrap<FinderWork>(worker);
  const asked = worker;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tooLong = new Promise<string>((resolve) => {
    timer = setTimeout(() => {
      asked.terminate();
      if (worker === asked) worker = remote = null;
      resolve('This pattern takes too long in these words and was stopped: make it simpler.');
    }, MOST_MS);
  });
  const found = await Promise.race([remote.find(text, query, replacement), tooLong]);
  clearTimeout(timer);
  return found;
}
