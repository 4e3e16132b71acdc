import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import { number, object, string } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { transcriptSchema, type Transcript } from '@even-page/core/gather/transcript-schema';
import { boundedJson } from './bounded.ts';
import { environment } from './environment.ts';

/** How far the transcriber is with a recording. */
export type Hearing = { state: 'working'; progress: number } | ({ state: 'done' } & Transcript) | { state: 'failed'; says: string };

const NOT_SET = 'No transcriber is set up, so this recording brings no words: add its captions or a transcript beside it.';
const NOT_UNDERSTOOD = 'The transcriber answered in a way that is not understood.';
const NO_ANSWER = 'The transcriber does not answer. The recording is kept; ask again in a moment.';

// A recording of hours goes up in minutes; every other answer comes at once. The words of ten hours are 10 MB.
const ASK_MS = 20_000;
const SEND_MS = 30 * 60_000;
const MOST_ANSWER = 64 * 1024 * 1024;

async function ask(path: string, init: RequestInit = {}, mostMs = ASK_MS): Promise<unknown> {
  const { TRANSCRIBER_URL: url, TRANSCRIBER_TOKEN: token } = environment;
  if (!url) throw new Complaint(NOT_SET);
  let response: Response;
  try {
    response = await fetch(new URL(path, url.endsWith('/') ? url : `${url}/`), {
      ...init,
      redirect: 'error',
      signal: AbortSignal.timeout(mostMs),
      headers: { ...(token ? { authorization: `Bearer ${token}` } : {}), ...init.headers },
    });
  } catch (cause) {
    throw new Complaint(NO_ANSWER, { cause });
  }
  const body = (await boundedJson(response, MOST_ANSWER)) as { message?: string } | null;
  if (!response.ok || !body) throw new Complaint(`The transcriber said: ${body?.message ?? `status ${response.status}`}`);
  return body;
}

/** Sends a recording to the transcriber and returns the name of the job. Throws a Complaint when it cannot be sent. */
export async function submitRecording(path: string, type: string): Promise<string> {
  const body = Readable.toWeb(createReadStream(path)) as ReadableStream;
  const answer = await ask('jobs', { method: 'POST', body, headers: { 'content-type': type }, duplex: 'half' } as RequestInit, SEND_MS);
  try {
    return object({ id: string().required().max(300) }).validateSync(answer).id;
  } catch (cause) {
    throw new Complaint(NOT_UNDERSTOOD, { cause });
  }
}

const workingSchema = object({ progress: number().min(0).max(1).default(0) });
const failedSchema = object({ says: string().default('No words could be made out in this recording.') });

/** Asks how far a job is. Throws a Complaint when the transcriber does not answer, or answers what nobody understands. */
export async function askHearing(job: string): Promise<Hearing> {
  const answer = (await ask(`jobs/${encodeURIComponent(job)}`)) as { state?: unknown };
  try {
    if (answer.state === 'working') return { state: 'working', ...workingSchema.validateSync(answer, { stripUnknown: true }) };
    if (answer.state === 'failed') return { state: 'failed', ...failedSchema.validateSync(answer, { stripUnknown: true }) };
    return { state: 'done', ...transcriptSchema.validateSync(answer, { stripUnknown: true }) };
  } catch (cause) {
    throw new Complaint(NOT_UNDERSTOOD, { cause });
  }
}
