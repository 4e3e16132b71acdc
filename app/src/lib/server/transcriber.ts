import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import { number, object, string } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { type Transcript, transcriptSchema } from '@even-page/core/gather';
import { boundedJson } from './bounded.ts';
import { environment } from './environment.ts';
import { HoldUp } from './jobs/job.ts';

/** What the transcriber says of a recording. */
export type TranscriberAnswer =
  { state: 'working'; progress: number } | ({ state: 'done' } & Transcript) | { state: 'failed'; says: string };

const NOT_SET = 'No transcriber is set up, so this recording brings no words: add its captions or a transcript beside it.';
const NOT_UNDERSTOOD = 'The transcriber answered in a way that is not understood.';
const NO_ANSWER = 'The transcriber does not answer.';

// A recording of hours goes up in minutes; every other answer comes at once. The words of ten hours are 10 MB.
const ASK_MS = 20_000;
const SEND_MS = 30 * 60_000;
const MOST_ANSWER = 64 * 1024 * 1024;

async function ask(path: string, signal: AbortSignal, init: RequestInit = {}, mostMs = ASK_MS): Promise<unknown> {
  const { TRANSCRIBER_URL: url, TRANSCRIBER_TOKEN: token } = environment;
  if (!url) throw new Complaint(NOT_SET);
  let response: Response;
  try {
    response = await fetch(new URL(path, url.endsWith('/') ? url : `${url}/`), {
      ...init,
      redirect: 'error',
      signal: AbortSignal.any([signal, AbortSignal.timeout(mostMs)]),
      headers: { ...(token ? { authorization: `Bearer ${token}` } : {}), ...init.headers },
    });
  } catch (cause) {
    throw new HoldUp(NO_ANSWER, { cause });
  }
  const body = (await boundedJson(response, MOST_ANSWER)) as { message?: string } | null;
  if (response.ok && body) return body;
  const says = `The transcriber said: ${body?.message ?? `status ${response.status}`}`;
  // RFC 9110, section 15: the 5xx are its own troubles, 408 and 429 ask to come again.
  throw response.status >= 500 || [408, 429].includes(response.status) ? new HoldUp(says) : new Complaint(says);
}

/**
 * Sends a recording to the transcriber and returns the name of its job; sent again under one key it is the same job. Throws a
 * HoldUp when it does not answer now, a Complaint when it will not take it.
 */
export async function submitRecording(path: string, type: string, key: string, signal: AbortSignal): Promise<string> {
  const body = Readable.toWeb(createReadStream(path)) as ReadableStream;
  const headers = { 'content-type': type, 'idempotency-key': `"${key}"` };
  const answer = await ask('jobs', signal, { method: 'POST', body, headers, duplex: 'half' } as RequestInit, SEND_MS);
  try {
    return object({ id: string().required().max(300) }).validateSync(answer).id;
  } catch (cause) {
    throw new Complaint(NOT_UNDERSTOOD, { cause });
  }
}

const workingSchema = object({ progress: number().min(0).max(1).default(0) });
const failedSchema = object({ says: string().default('No words could be made out in this recording.') });

/** Asks how far a job is. Throws a HoldUp when the transcriber does not answer now, a Complaint when nobody understands its answer. */
export async function askTranscriber(job: string, signal: AbortSignal): Promise<TranscriberAnswer> {
  const answer = (await ask(`jobs/${encodeURIComponent(job)}`, signal)) as { state?: unknown };
  try {
    if (answer.state === 'working') return { state: 'working', ...workingSchema.validateSync(answer, { stripUnknown: true }) };
    if (answer.state === 'failed') return { state: 'failed', ...failedSchema.validateSync(answer, { stripUnknown: true }) };
    return { state: 'done', ...transcriptSchema.validateSync(answer, { stripUnknown: true }) };
  } catch (cause) {
    throw new Complaint(NOT_UNDERSTOOD, { cause });
  }
}
