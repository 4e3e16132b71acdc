import { Complaint } from '@even-page/core/complaint';
import type { Answer, Message } from '@even-page/core/send';
import { boundedJson } from './bounded.ts';
import { environment } from './environment.ts';

// Answers are a few lines; a list of posts holds their words.
const MOST_ANSWER = 4 * 1024 * 1024;

/** How an outlet is reached. */
export type Endpoint = { name: string; endpoint: string; token: string };

/** That something was sent and no answer came: it may have arrived. */
export class NoAnswer extends Complaint {}

/** That an outlet could not be reached, so that nothing was sent. */
export class Unreached extends Complaint {}

/** How long an answer is waited for, in milliseconds. */
export const patience = (): number => environment.EVEN_PAGE_OUTLET_SECONDS * 1000;

/**
 * Sends a message to an outlet and returns what it answered. Throws NoAnswer when none came, Unreached when
 * nothing could be sent.
 */
export function post(outlet: Endpoint, message: Message): Promise<Answer> {
  return call(outlet, outlet.endpoint, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(message),
  });
}

/** Asks an outlet a question (`q=config`, `q=source`). */
export function query(outlet: Endpoint, q: string): Promise<Answer> {
  const url = new URL(outlet.endpoint);
  url.searchParams.set('q', q);
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
      // The token goes to the address the writer gave, and nowhere it leads to.
      redirect: 'manual',
      headers: { ...init.headers, authorization: `Bearer ${outlet.token}`, accept: 'application/json' },
      signal: AbortSignal.timeout(patience()),
    });
  } catch (cause) {
    if (isUnreached(cause))
      throw new Unreached(
        `${outlet.name} cannot be reached at ${new URL(url).origin}. Your post is safe here; check that the outlet is running, then send again.`,
      );
    throw new NoAnswer(
      `${outlet.name} cannot be heard at ${new URL(url).origin}. Your post is safe here; check that the outlet is running, then try again.`,
    );
  }
  const body = await boundedJson(response, MOST_ANSWER);
  const location = response.headers.get('location');
  return { status: response.status, location: location !== null && URL.canParse(location, url) ? new URL(location, url).href : null, body };
}

// No connection was made, so nothing was sent.
const UNREACHED = new Set([
  'ECONNREFUSED',
  'ENOTFOUND',
  'EAI_AGAIN',
  'EHOSTUNREACH',
  'ENETUNREACH',
  'UND_ERR_CONNECT_TIMEOUT',
  'CERT_HAS_EXPIRED',
  'DEPTH_ZERO_SELF_SIGNED_CERT',
  'ERR_TLS_CERT_ALTNAME_INVALID',
]);

const isUnreached = (cause: unknown): boolean => {
  const { code, cause: inner } = (cause ?? {}) as { code?: unknown; cause?: unknown };
  // Ports that no web client may use have no code.
  if (cause instanceof Error && cause.message === 'bad port') return true;
  return (typeof code === 'string' && UNREACHED.has(code)) || (inner !== undefined && isUnreached(inner));
};
