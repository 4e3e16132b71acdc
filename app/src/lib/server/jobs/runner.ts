import { Cron } from 'croner';
import { and, asc, eq, isNull, lte, or } from 'drizzle-orm';
import { Complaint } from '@even-page/core/complaint';
import { database, write } from '../database.ts';
import { environment } from '../environment.ts';
import { logTrouble } from '../log.ts';
import { SERVER_ITSELF } from '../person.ts';
import { jobs } from '../schema.ts';
import type { Writing } from '../writing.ts';
import { HoldUp, type JobKind, type Outcome } from './job.ts';
import { addJob, queue } from './queue.ts';

type Job = typeof jobs.$inferSelect;

// Who works on a job says so again and again; after a time without a word another may take it up.
const LEASE_MS = environment.EVEN_PAGE_LEASE_SECONDS * 1000;
const RENEW_MS = LEASE_MS / 3;
const AT_ONCE = 4;
// Jobs that another server added, or that a dead one left, are found by looking.
const LOOK_MS = 1000;

const MOST_ATTEMPTS = 10;
/** How long a job waits after its nth failure in a row: 2 s, 4 s and so on, at most a quarter of an hour. */
const backOffMs = (attempts: number) => Math.min(1000 * 2 ** attempts, 900_000);

/**
 * Takes jobs up as they come due and does them, some at a time, each by one server. What a job writes at its end and that
 * it has ended hold together or not at all, so that each ends once however often it was cut off. Returns what ends it.
 */
export function runJobs(kinds: readonly JobKind[]): () => Promise<void> {
  const goingDown = new AbortController();
  const underWay = new Set<Promise<void>>();
  let timer: NodeJS.Timeout | undefined;
  let looking: Promise<void> | null = null;
  let isNews = false;

  const look = (): void => {
    isNews = true;
    if (goingDown.signal.aborted) return;
    clearTimeout(timer);
    looking ??= takeUp().finally(() => {
      looking = null;
      if (isNews) look();
      else timer = setTimeout(look, LOOK_MS).unref();
    });
  };

  async function takeUp(): Promise<void> {
    try {
      while (underWay.size < AT_ONCE && !goingDown.signal.aborted) {
        isNews = false;
        const job = await take();
        if (!job) return;
        const work = doJob(job, kinds, goingDown.signal).finally(() => {
          underWay.delete(work);
          look();
        });
        underWay.add(work);
      }
      isNews = false;
    } catch (cause) {
      isNews = false;
      if (!goingDown.signal.aborted) logTrouble(cause, 'Jobs could not be looked for:');
    }
  }

  const repeated = kinds.flatMap(({ repeats }) => (repeats ? [new Cron(repeats.pattern, { unref: true }, () => addDue(repeats))] : []));
  queue.on('added', look);
  look();
  return async () => {
    goingDown.abort();
    queue.off('added', look);
    clearTimeout(timer);
    for (const one of repeated) one.stop();
    await looking;
    await Promise.all(underWay);
  };
}

async function addDue({ due }: NonNullable<JobKind['repeats']>): Promise<void> {
  try {
    const job = due(new Date());
    if (job) await write(SERVER_ITSELF, (writing) => addJob(writing, job));
  } catch (cause) {
    logTrouble(cause, 'A repeated job was not added:');
  }
}

/** Takes up the job that has been due for longest; nobody else takes it while the lease holds. */
async function take(): Promise<Job | undefined> {
  const db = await database();
  const now = new Date();
  const isDue = and(eq(jobs.state, 'waiting'), lte(jobs.runAt, now), or(isNull(jobs.leaseUntil), lte(jobs.leaseUntil, now)));
  // Most looks find nothing: these do not begin a transaction.
  if (!(await db.select({ id: jobs.id }).from(jobs).where(isDue).limit(1)).length) return undefined;
  return db.transaction(async (tx) => {
    const [job] = await tx.select().from(jobs).where(isDue).orderBy(asc(jobs.runAt)).limit(1).for('update', { skipLocked: true });
    if (!job) return undefined;
    const taken = { leaseUntil: new Date(now.getTime() + LEASE_MS), takes: job.takes + 1 };
    await tx.update(jobs).set(taken).where(eq(jobs.id, job.id));
    return { ...job, ...taken };
  });
}

const isOurs = (job: Job) => and(eq(jobs.id, job.id), eq(jobs.takes, job.takes), eq(jobs.state, 'waiting'));

async function doJob(job: Job, kinds: readonly JobKind[], signal: AbortSignal): Promise<void> {
  const renewing = setInterval(() => void renew(job), RENEW_MS);
  try {
    await end(job, kinds, await attempt(job, kinds, signal), signal);
  } catch (cause) {
    // The lease runs out, and the job is taken up again.
    if (!signal.aborted) logTrouble(cause, `The end of the job ${job.key} could not be written:`);
  } finally {
    clearInterval(renewing);
  }
}

type Failure = { cause: unknown };

/** Who knows how to do a job; nobody when what it says is not understood. */
const kindOf = (job: Job, kinds: readonly JobKind[]) => kinds.find((k) => k.kind === job.kind && k.payload.isValidSync(job.payload));

async function attempt(job: Job, kinds: readonly JobKind[], signal: AbortSignal): Promise<Outcome | Failure> {
  try {
    const kind = kindOf(job, kinds);
    if (!kind) throw new Complaint(`Nobody here knows how to do this work: ${job.kind}.`);
    return await kind.work(kind.payload.cast(job.payload), signal);
  } catch (cause) {
    return { cause };
  }
}

async function renew(job: Job): Promise<void> {
  try {
    await (
      await database()
    )
      .update(jobs)
      .set({ leaseUntil: new Date(Date.now() + LEASE_MS) })
      .where(isOurs(job));
  } catch (cause) {
    logTrouble(cause, 'A lease could not be renewed:');
  }
}

async function end(job: Job, kinds: readonly JobKind[], outcome: Outcome | Failure, signal: AbortSignal): Promise<void> {
  if (signal.aborted || 'again' in outcome) {
    // Not for the journal: a crash only makes it come up sooner. What was cut off is taken up by whoever runs next.
    const later = 'again' in outcome ? { runAt: new Date(Date.now() + outcome.again), attempts: 0 } : {};
    await (
      await database()
    )
      .update(jobs)
      .set({ ...later, leaseUntil: null })
      .where(isOurs(job));
    return;
  }
  await write(SERVER_ITSELF, async (writing) => {
    const [held] = await writing.tx.select({ id: jobs.id }).from(jobs).where(isOurs(job)).for('update');
    if (!held) return;
    if ('cause' in outcome) return fail(writing, job, kinds, outcome);
    await outcome.done(writing);
    await writing.update(jobs, { state: 'done', leaseUntil: null, says: '' }, eq(jobs.id, job.id));
  });
}

async function fail(writing: Writing, job: Job, kinds: readonly JobKind[], { cause }: Failure): Promise<void> {
  const isPlain = cause instanceof Complaint || cause instanceof HoldUp;
  if (!isPlain) logTrouble(cause, `The job ${job.key} failed:`);
  const says = isPlain ? cause.message : 'Something went wrong on our side.';
  const attempts = job.attempts + 1;
  const isLast = cause instanceof Complaint || attempts >= MOST_ATTEMPTS;
  const next = isLast ? { state: 'failed' as const } : { runAt: new Date(Date.now() + backOffMs(attempts)) };
  await writing.update(jobs, { ...next, leaseUntil: null, attempts, says }, eq(jobs.id, job.id));
  await kindOf(job, kinds)?.onTrouble?.(writing, job.payload, { says, isLast });
}
