import { MOST_BYTES, tooLarge } from '$lib/limits.ts';

/** What went wrong, in a sentence for the writer. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly status: number,
    /** What the server sent along. */
    readonly body: unknown = null,
  ) {
    super(message);
  }
}

const AWAY = 'The server does not answer. What you see is kept in this window; try again in a moment.';

// An answer that hangs must not hold up the next request. Files take their time on the way.
const MOST_MS = 30_000;
const MOST_MS_WITH_FILES = 10 * 60_000;

/** Calls a server route and returns its JSON. Throws Refused with a sentence to show; status 0 when nothing answered in time. */
export async function askServer<T>(url: string, init: RequestInit = {}): Promise<T> {
  const signal = AbortSignal.timeout(init.body instanceof FormData ? MOST_MS_WITH_FILES : MOST_MS);
  let response: Response;
  let text: string;
  try {
    response = await fetch(url, { ...init, signal, headers: { accept: 'application/json', ...init.headers } });
    text = await response.text();
  } catch {
    throw new Refused(AWAY, 0);
  }
  const body = parsed(text) as (T & { message?: string }) | null;
  if (response.ok && body) return body;
  const message = body?.message ?? `The server answered with status ${response.status}. Nothing was changed.`;
  throw new Refused(message, response.status, body);
}

/** Does some work that asks the server, and returns why it could not be done, in a sentence; empty when it was. */
export async function refusalOf(work: () => Promise<void>): Promise<string> {
  try {
    await work();
    return '';
  } catch (cause) {
    if (!(cause instanceof Refused)) throw cause;
    return cause.message;
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** A request with a JSON body. Throws Refused at once when it is larger than the server takes. */
export function json(method: string, body: unknown): RequestInit {
  const text = JSON.stringify(body);
  if (text.length > MOST_BYTES)
    throw new Refused('This is more than the server takes at once. It is kept in this window; cut it into parts.', 413);
  return { method, headers: { 'content-type': 'application/json' }, body: text };
}

// Signs that only some systems allow in a name break the form it travels in.
const plainName = (name: string) => name.replace(/\p{Cc}+/gu, ' ');

/** A form with files, as material or pictures go up; without any, an empty request. Throws Refused at once when one is larger than the server takes. */
export function form(field: string, files: readonly File[]): RequestInit {
  const large = files.find((file) => file.size > MOST_BYTES);
  if (large) throw new Refused(tooLarge(large.name), 413);
  if (!files.length) return { method: 'POST' };
  const data = new FormData();
  for (const file of files) data.append(field, file, plainName(file.name));
  return { method: 'POST', body: data };
}

/** Pasted words as a file without a name of its own. */
export const pasted = (text: string) => new File([text], 'pasted', { type: 'text/plain' });
