import { Worker } from 'node:worker_threads';
import { Complaint } from '@even-page/core/complaint';
import type { GatheredPicture } from '@even-page/core/gather/formats';
import type { Reading } from '@even-page/core/gather/readings';
import type { Source } from '@even-page/core/gather/source';
import type { Details } from '@even-page/core/post/details';
import { environment } from './environment.ts';

export type Question = { bytes: Uint8Array; name: string; reading?: Reading };

/** One file as it was read; its page is JSON, for it came from another thread. */
export type ReadFile = {
  name: string;
  bytes: Uint8Array;
  source: Source;
  draft?: { doc: object; details: Partial<Details> };
  pictures?: GatheredPicture[];
  notes?: string[];
};
export type Answer = { files: ReadFile[] } | { complaint: string };

const MOST_MS = 30_000;
const MOST_MEMORY_MB = 600;

const TOO_LONG = 'Reading this file took longer than half a minute and was stopped: bring in its words, or a part of it.';
const TOO_LARGE = 'Reading this file took more memory than there is for it: bring in its words, or a part of it.';

let worker: Worker | null = null;
let turn: Promise<unknown> = Promise.resolve();

/** Reads a file, or each file of an archive, one at a time. Throws a Complaint when it cannot be read, or not in time. */
export function readFile(question: Question): Promise<ReadFile[]> {
  const answer = turn.then(() => ask(question));
  turn = answer.catch(() => {});
  return answer;
}

function ask(question: Question): Promise<ReadFile[]> {
  worker ??= started();
  const asked = worker;
  return new Promise((resolve, reject) => {
    const done = () => {
      clearTimeout(timer);
      asked.off('message', answered).off('error', failed);
      asked.unref();
    };
    const stop = (complaint: string, cause?: unknown) => {
      done();
      // What it was doing when it was stopped is not known: the next file gets a new one.
      if (worker === asked) worker = null;
      void asked.terminate();
      reject(new Complaint(complaint, { cause }));
    };
    const answered = (answer: Answer) => {
      done();
      if ('files' in answer) resolve(answer.files);
      else reject(new Complaint(answer.complaint));
    };
    const failed = (cause: NodeJS.ErrnoException) => {
      const isTooLarge = cause.code === 'ERR_WORKER_OUT_OF_MEMORY';
      if (!isTooLarge) console.error(cause);
      stop(isTooLarge ? TOO_LARGE : 'This file is damaged and cannot be read: save it again where it was made.', cause);
    };
    const timer = setTimeout(() => stop(TOO_LONG), MOST_MS);
    asked.ref();
    asked.on('message', answered).on('error', failed);
    asked.postMessage(question);
  });
}

function started(): Worker {
  const reader = new Worker(environment.EVEN_PAGE_READER, { resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB } });
  // A reader that waits for its next file does not keep the server from stopping.
  reader.unref();
  return reader;
}
