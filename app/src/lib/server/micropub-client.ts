import { Complaint } from '@even-page/core/complaint';
import type { Answer, Message } from '@even-page/core/send/micropub';

const PATIENCE_MS = 20_000;

/** How an outlet is reached. */
export type Endpoint = { name: string; endpoint: string; token: string };

/** Sends a message to an outlet and returns what it answered. Throws a Complaint when it cannot be reached. */
export function post(outlet: Endpoint, message: Message): Promise<Answer> {
  return call(outlet, outlet.endpoint, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(message),
  });
}

/** Asks an outlet what it can do (`q=config`). */
export function config(outlet: Endpoint): Promise<Answer> {
  const url = new URL(outlet.endpoint);
  url.searchParams.set('q', 'config');
  return call(outlet, url.href, { method: 'GET' });
}

/** Sends a picture to an outlet's media endpoint. */
export function upload(outlet: Endpoint, mediaEndpoint: string, name: string, type: string, bytes: Uint8Array): Promise<Answer> {
  const form = new FormData();
  form.append('file', new Blob([new Uint8Array(bytes)], { type }), name);
  return call(outlet, mediaEndpoint, { method: 'POST', body: form });
}

async function call(outlet: Endpoint, url: string, init: RequestInit): Promise<Answer> {
  let response: Response;
  try {
    response = await fetch(url, {
      ...init,
      headers: { ...init.headers, authorization: `Bearer ${outlet.token}`, accept: 'application/json' },
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
  } catch {
    throw new Complaint(
      `${outlet.name} cannot be reached at ${new URL(url).origin}. Your post is safe here; check that the outlet is running, then send again.`,
    );
  }
  const body: unknown = await response.json().catch(() => null);
  const location = response.headers.get('location');
  return { status: response.status, location: location && new URL(location, url).href, body };
}
