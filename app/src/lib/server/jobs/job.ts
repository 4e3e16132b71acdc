import type { ObjectSchema } from 'yup';
import type { Writing } from '../writing.ts';

/** A job to be done: of two with one key the second is not taken. */
export type NewJob = { kind: string; key: string; payload: object };

/** What taking a job up came to: it is done, with these writes as its last act; or it is to be taken up again in some ms. */
export type Outcome = { done: (writing: Writing) => Promise<void> } | { again: number };

/** What went wrong, as a sentence, and whether the job is given up for it. */
export type Trouble = { says: string; isLast: boolean };

/** A kind of work that is done beside the requests. */
export type JobKind<P extends object = object> = {
  kind: string;
  payload: ObjectSchema<P>;
  /**
   * Does it, or a part of it. It may be cut off at any moment and is then begun anew: what must happen once belongs into the
   * writes of `done`. A Complaint gives the job up; after any other error it is tried again, each time later. `signal` says
   * when the server goes down.
   */
  work: (payload: P, signal: AbortSignal) => Promise<Outcome>;
  /** Notes what went wrong, in the transaction that sets the job back or gives it up. */
  onTrouble?: (writing: Writing, payload: P, trouble: Trouble) => Promise<void>;
  /** When it is due by itself: how often that is looked at (a cron pattern), and the job, if there is one now. */
  repeats?: { pattern: string; due: (now: Date) => NewJob | null };
};

/** A hold-up that is likely to pass, in a sentence for the writer; the job it happens to is tried again. */
export class HoldUp extends Error {}
