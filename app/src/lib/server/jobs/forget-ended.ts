import { and, lt, ne } from 'drizzle-orm';
import { object } from 'yup';
import { jobs } from '../schema.ts';
import type { JobKind } from './job.ts';

// Long enough to see what happened; a key is not given twice within it.
const KEPT_MS = 30 * 86_400_000;

/** Takes out the rows of jobs that ended a month ago. */
export const forgetEnded: JobKind = {
  kind: 'forget-ended',
  payload: object({}),
  async work() {
    const before = new Date(Date.now() - KEPT_MS);
    return { done: (writing) => writing.delete(jobs, and(ne(jobs.state, 'waiting'), lt(jobs.runAt, before))) };
  },
  repeats: {
    pattern: '@daily',
    due: (now) => ({ kind: 'forget-ended', key: `forget-ended ${now.toISOString().slice(0, 10)}`, payload: {} }),
  },
};
