import { wrap, type Remote } from 'comlink';
import type { UsageWork } from './usage.worker.ts';

type Read = UsageWork['read'];
let reader: { remote: Remote<UsageWork>; failed: Promise<never> } | null = null;

/**
 * Reads passages for grammar and usage, off every other thread for it is slow; what it needs is fetched when it is first
 * asked. Rejects when that cannot be fetched; it may be asked again.
 */
export function readUsage(...asked: Parameters<Read>): ReturnType<Read> {
  reader ??= start();
  return Promise.race([reader.remote.read(...asked), reader.failed]);
}

function start(): NonNullable<typeof reader> {
  const worker = new Worker(new URL('./usage.worker.ts', import.meta.url), { type: 'module' });
  // What could not be fetched never answers.
  const failed = new Promise<never>((_, reject) =>
    worker.addEventListener('error', () => {
      reader = null;
      reject(new Error('The reader of grammar could not be started.'));
    }),
  );
  failed.catch(() => {});
  return { remote: wrap<UsageWork>(worker), failed };
}
