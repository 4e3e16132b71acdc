import { setTimeout as wait } from 'node:timers/promises';
import { EventSourceParserStream } from 'eventsource-parser/stream';
import { Complaint } from '@even-page/core/complaint';
import type { DraftRequest } from '@even-page/core/write';
import { boundedJson } from '../bounded.ts';
import { environment } from '../environment.ts';
import { HoldUp } from '../jobs/job.ts';
import type { DraftEvent, SentEvent } from './form.ts';
import { FORMS, type FormName } from './forms.ts';
import { repeats } from './repeats.ts';

/** A drafter as it is spoken to; its key in clear. */
export type Reached = { name: string; form: FormName; address: string; model: string; token: string };

const MOST_ANSWER = 8 * 1024 * 1024;
// Twice more, each time later, while nothing has come yet.
const TRIES_AFTER_MS = [700, 3000];
// A draft has at most so many letters, or so many times what was asked for.
const MOST_LETTERS = 60_000;
const MOST_TIMES = 12;
const LETTERS_A_WORD = 6;

/**
 * Asks a drafter and gives what comes as it comes. Throws a Complaint when nothing or nothing more comes: what came before it
 * stands. Asked again while nothing has come and it says it cannot just now.
 */
export async function* askDrafter(drafter: Reached, request: DraftRequest, signal: AbortSignal): AsyncGenerator<DraftEvent> {
  const within = AbortSignal.any([signal, AbortSignal.timeout(environment.EVEN_PAGE_DRAFT_SECONDS * 1000)]);
  for (let tried = 0; ; tried++) {
    let came = false;
    try {
      for await (const event of answered(drafter, request, within)) {
        came = true;
        yield event;
      }
      return;
    } catch (cause) {
      if (signal.aborted) return;
      if (within.aborted)
        throw new Complaint(`${drafter.name} took too long. What came is kept; ask again, or ask for less at once.`, { cause });
      const next = TRIES_AFTER_MS[tried];
      if (came || !(cause instanceof HoldUp) || next === undefined) throw said(cause, drafter, came);
      await wait(next, undefined, { signal: within }).catch(() => undefined);
    }
  }
}

function said(cause: unknown, { name }: Reached, came: boolean): Complaint {
  if (cause instanceof HoldUp) return new Complaint(cause.message, { cause });
  if (cause instanceof Complaint) return cause;
  return new Complaint(came ? `${name} broke off. What came until then is kept.` : `${name} answered in a way that is not understood.`, {
    cause,
  });
}

async function* answered(drafter: Reached, request: DraftRequest, signal: AbortSignal): AsyncGenerator<DraftEvent> {
  const form = FORMS[drafter.form];
  const { name, address, token } = drafter;
  let response: Response;
  try {
    response = await fetch(new URL(form.path, address.endsWith('/') ? address : `${address}/`), {
      method: 'POST',
      body: JSON.stringify(form.body(request, drafter.model)),
      // The key goes to the address the owner gave, and nowhere it leads to.
      redirect: 'manual',
      signal,
      headers: { 'content-type': 'application/json', accept: 'text/event-stream', ...(token ? { authorization: `Bearer ${token}` } : {}) },
    });
  } catch (cause) {
    throw new HoldUp(`${name} does not answer at ${new URL(address).origin}: check that it runs, then ask again.`, { cause });
  }
  const type = response.headers.get('content-type') ?? '';
  if (!response.ok) throw await refusal(response, name);
  if (/^text\/html/i.test(type)) {
    await response.body?.cancel();
    throw new Complaint(`${name} answered with a web page, not with a draft: check its address in House.`);
  }
  if (!/^text\/event-stream/i.test(type)) {
    const events = form.whole(await boundedJson(response, MOST_ANSWER));
    if (!events) throw new Complaint(`${name} answered in a way that is not understood: check how it is spoken to in House.`);
    yield* events;
    return;
  }
  yield* streamed(response, drafter, request);
}

async function refusal(response: Response, name: string): Promise<Complaint> {
  const body = (await boundedJson(response, MOST_ANSWER)) as { message?: unknown; error?: { message?: unknown } } | null;
  const message = [body?.message, body?.error?.message].find((m) => typeof m === 'string');
  const { status } = response;
  if (status >= 300 && status < 400)
    return new Complaint(`${name} leads on to another address, which is not followed: set that address in House.`);
  if (status === 401 || status === 403) return new Complaint(`${name} does not accept the key that is set in House.`);
  const says = `${name} refused: ${typeof message === 'string' ? message.slice(0, 300) : `status ${status}`}`;
  // RFC 9110, section 15: the 5xx are its own troubles, 408 and 429 ask to come again.
  return status >= 500 || [408, 429].includes(status) ? new HoldUp(says) : new Complaint(says);
}

async function* streamed(response: Response, { name, form }: Reached, request: DraftRequest): AsyncGenerator<DraftEvent> {
  const words = request.outline.find((part) => part.id === request.section)?.words || request.brief.words;
  const most = Math.max(MOST_LETTERS, words * LETTERS_A_WORD * MOST_TIMES);
  let text = '';
  const events = response
    .body!.pipeThrough(atMost(MOST_ANSWER, name))
    .pipeThrough(new TextDecoderStream())
    .pipeThrough(new EventSourceParserStream());
  for await (const sent of events as unknown as AsyncIterable<SentEvent>) {
    const { events: read, over } = FORMS[form].read(sent);
    for (const event of read) {
      if ('text' in event) {
        text += event.text;
        if (text.length > most) throw new Complaint(`${name} wrote without an end and was stopped. What came is kept.`);
        if (repeats(text)) throw new Complaint(`${name} said the same over and over and was stopped. What came is kept.`);
      }
      yield event;
    }
    // Leaving the loop ends the stream.
    if (over) return;
  }
  throw new Complaint(`${name} broke off before its end. What came until then is kept.`);
}

/** Bytes as they come, until there are too many: a line without an end would fill the memory. */
function atMost(most: number, name: string): TransformStream<Uint8Array<ArrayBuffer>, Uint8Array<ArrayBuffer>> {
  let size = 0;
  return new TransformStream({
    transform(part, out) {
      size += part.length;
      if (size > most) out.error(new Complaint(`${name} sent more than a draft can be and was stopped. What came is kept.`));
      else out.enqueue(part);
    },
  });
}
