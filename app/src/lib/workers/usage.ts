import { wrap, type Remote } from 'comlink';
import type { UsageWork } from './usage.worker.ts';

let remote: Remote<UsageWork> | null = null;

/** The reader of grammar and usage, off every other thread for it is slow; started, with all it has to fetch, when it is first asked. */
export function usage(): Remote<UsageWork> {
  remote ??= wrap<UsageWork>(new Worker(new URL('./usage.worker.ts', import.meta.url), { type: 'module' }));
  return remote;
}
