import { EventEmitter } from 'node:events';
import { eq } from 'drizzle-orm';
import { jobs } from '../schema.ts';
import type { Writing } from '../writing.ts';
import type { NewJob } from './job.ts';

/** Says "added" when a job waits that this server may take up at once. */
export const queue = new EventEmitter<{ added: [] }>();

const announce = (writing: Writing) => writing.afterwards(() => queue.emit('added'));

/** Adds a job, unless one with its key was added before. */
export async function addJob(writing: Writing, job: NewJob): Promise<void> {
  await writing.insertOnce(jobs, job);
  announce(writing);
}

/** Adds a job, or sets the one with its key that has ended to work once more. */
export async function addJobAgain(writing: Writing, job: NewJob): Promise<void> {
  if (!(await writing.insertOnce(jobs, job)))
    await writing.update(
      jobs,
      { ...job, state: 'waiting', runAt: new Date(), leaseUntil: null, attempts: 0, says: '' },
      eq(jobs.key, job.key),
    );
  announce(writing);
}
