import { Worker } from 'node:worker_threads';
import { Complaint } from '@even-page/core/complaint';
import { troubleOf } from '../log.ts';

/** What a helper says to a question: its answer, a sentence for the writer, or what broke. */
export type HelperAnswer<A> = { answer: A } | { complaint: string } | { trouble: string };

// On a thread of its own, for it must see to it also while the work never lets go: the helper ends with the server,
// and at its limit of memory.
const WATCH = `
  const { workerData } = require('node:worker_threads');
  setInterval(() => {
    if (process.ppid !== workerData.server) process.kill(process.pid, 'SIGKILL');
    if (process.memoryUsage.rss() > workerData.mostBytes) process.kill(process.pid, 'SIGUSR2');
  }, 50);
`;

/** Answers the server's questions, one after another, until the server is gone. */
export function serve<Q, A>(work: (question: Q) => Promise<A>): void {
  const mostBytes = Number(process.env.EVEN_PAGE_HELPER_MB) * 1024 * 1024;
  new Worker(WATCH, { eval: true, workerData: { server: process.ppid, mostBytes } }).unref();
  process.on('disconnect', () => process.exit());
  process.on('message', async (question: Q) => {
    process.send!(await saidTo(work, question));
  });
}

async function saidTo<Q, A>(work: (question: Q) => Promise<A>, question: Q): Promise<HelperAnswer<A>> {
  try {
    return { answer: await work(question) };
  } catch (cause) {
    return cause instanceof Complaint ? { complaint: cause.message } : { trouble: troubleOf(cause) };
  }
}
