import { wrap, type Remote } from 'comlink';
import type { CoreWork } from './core.worker.ts';

let remote: Remote<CoreWork> | null = null;

/** The core, off the main thread; started when it is first asked. Arguments and results are copied. */
export function core(): Remote<CoreWork> {
  remote ??= wrap<CoreWork>(new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' }));
  return remote;
}
