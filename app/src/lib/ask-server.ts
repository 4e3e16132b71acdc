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

/** Calls a server route and returns its JSON. Throws Refused with a sentence to show; status 0 when nothing answered. */
export async function askServer<T>(url: string, init: RequestInit = {}): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, { ...init, headers: { accept: 'application/json', ...init.headers } });
  } catch {
    throw new Refused(AWAY, 0);
  }
  const body = (await response.json().catch(() => null)) as (T & { message?: string }) | null;
  if (response.ok && body) return body;
  const message = body?.message ?? `The server answered with status ${response.status}. Nothing was changed.`;
  throw new Refused(message, response.status, body);
}

/** A request with a JSON body. */
export function json(method: string, body: unknown): RequestInit {
  return { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
}

/** A form with files, as material or pictures go up. Throws Refused at once when one is larger than the server takes. */
export function form(field: string, files: readonly File[]): RequestInit {
  const large = files.find((file) => file.size > MOST_BYTES);
  if (large) throw new Refused(tooLarge(large.name), 413);
  const data = new FormData();
  for (const file of files) data.append(field, file);
  return { method: 'POST', body: data };
}

/** Pasted words as a file without a name of its own. */
export const pasted = (text: string) => new File([text], 'pasted', { type: 'text/plain' });
