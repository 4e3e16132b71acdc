import { lookup as lookUp } from 'node:dns';
import { request as requestHttp, type IncomingMessage } from 'node:http';
import { request as requestHttps } from 'node:https';
import { isIP, type LookupFunction } from 'node:net';
import { Complaint } from '@even-page/core/complaint';
import type { LinkState, TriedLink } from '@even-page/core/proof';
import { MOST_BYTES } from '$lib/limits.ts';
import type { Material } from './bring-in.ts';
import { environment } from './environment.ts';
import { isPublic } from './public-address.ts';

const MOST_MS = 15_000;
const MOST_REDIRECTS = 5;

const NOT_PUBLIC = 'This address leads into a private network, where the server does not look. Save the page as a file and bring that in.';
const NO_END = 'This address leads from one to the next without an end.';
const NO_ANSWER = 'Nothing answered at this address in time. Open it in your browser to see whether it is right.';

/**
 * Fetches what stands at a web address, from public addresses of the internet only: that is checked after the name
 * was looked up and again after each redirect. `known` is a host (with its port) somebody of the house has set up, which
 * may be anywhere. Throws a Complaint when it is not there, too large, or too slow.
 */
export async function fetchAddress(address: string, known?: string): Promise<Material> {
  const { url, response } = await reached(address, { known });
  return { name: nameOf(url, response.headers), bytes: await bodyOf(response), address: url.href };
}

// No place is looked for further down.
const TRY_BYTES = 2 * 1024 * 1024;

/** Tries a link as a reader would follow it, bounded and refused like `fetchAddress`: what stands there is read only to look for a place in it. */
export async function tryAddress(address: string): Promise<TriedLink> {
  const place = placeNamed(address);
  const mostMs = environment.EVEN_PAGE_LINK_SECONDS * 1000;
  try {
    // Some sites know no HEAD, or answer it otherwise: nothing is called gone before it was asked for as readers do.
    let answer = place ? null : await followed(address, { method: 'HEAD', mostMs });
    if (!answer || answer.response.statusCode! >= 400) {
      answer?.response.destroy();
      answer = await followed(address, { mostMs });
    }
    const { response, movedTo } = answer;
    const status = response.statusCode!;
    const state = stateOf(status);
    if (state !== 'fine') {
      response.destroy();
      return { state, status };
    }
    const isPlaceLost = !!place && !holdsPlace(await bodyOf(response, TRY_BYTES), place);
    response.destroy();
    const { hash } = new URL(address);
    return { state, status, ...(movedTo ? { movedTo: movedTo.split('#')[0] + hash } : {}), ...(isPlaceLost ? { isPlaceLost } : {}) };
  } catch (cause) {
    if (!(cause instanceof Complaint)) throw cause;
    return { state: reasonOf(cause) };
  }
}

const stateOf = (status: number): LinkState =>
  status === 404 || status === 410 ? 'gone' : status >= 500 ? 'failing' : status >= 400 ? 'closed' : 'fine';

function reasonOf({ message, cause }: Complaint): LinkState {
  if (message === NOT_PUBLIC) return 'private';
  if (message === NO_END) return 'failing';
  const code = (cause as { code?: string } | undefined)?.code ?? '';
  if (code === 'ENOTFOUND') return 'nobody';
  return /CERT|TLS|SSL|ISSUER|SIGNATURE/.test(code) ? 'certificate' : 'slow';
}

/** The place inside a page that an address names; none where every page has it, or where it is told by its words. */
function placeNamed(address: string): string {
  const hash = URL.canParse(address) ? new URL(address).hash.slice(1) : '';
  if (/^(?:top)?$/i.test(hash) || hash.includes(':~:')) return '';
  try {
    return decodeURIComponent(hash);
  } catch {
    return hash;
  }
}

/** Whether a page has a place of a name (HTML standard, 7.4.6.4): an element with that id, or a link of that name. */
function holdsPlace(bytes: Uint8Array, place: string): boolean {
  const page = new TextDecoder().decode(bytes);
  // A page that could not be read to its end is believed.
  if (bytes.length >= TRY_BYTES) return true;
  return Array.from(page.matchAll(/\b(?:id|name)\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s"'>]+))/gi)).some(
    (m) => (m[1] ?? m[2] ?? m[3]) === place,
  );
}

// As much as tells what kind of file it is.
const FIRST_BYTES = 64 * 1024;

/** The first bytes of what stands at a web address, and whether it calls itself a page; bounded and refused like `fetchAddress`. */
export async function firstBytes(address: string): Promise<{ address: string; name: string; bytes: Uint8Array; isPage: boolean }> {
  const { url, response } = await reached(address);
  const isPage = /^text\/html|application\/xhtml/i.test(response.headers['content-type'] ?? '');
  return { address: url.href, name: nameOf(url, response.headers), bytes: await bodyOf(response, FIRST_BYTES), isPage };
}

/** A media file of the web as it comes, or a range of it; reached and refused like `fetchAddress`. */
export async function streamAddress(address: string, range: string | null): Promise<IncomingMessage> {
  // An hour of a clip may be listened to; only its beginning must not be long in coming.
  return (await reached(address, { headers: range ? { range } : {}, mostMs: STREAM_MS })).response;
}

const STREAM_MS = 2 * 60 * 60_000;

/** What answers with success at an address, after the redirects. */
async function reached(address: string, asking: Asking = {}): Promise<Reached> {
  const answer = await followed(address, asking);
  const { statusCode } = answer.response;
  if (statusCode === 200 || statusCode === 206) return answer;
  answer.response.destroy();
  throw new Complaint(
    `The site answered ${statusCode}, so there is nothing to bring in. Open the address in your browser to see what it says.`,
  );
}

/** An answer, the address it came from, and where that is when all redirects on the way were for good. */
type Reached = { url: URL; response: IncomingMessage; movedTo: string | null };
type Asking = { method?: 'GET' | 'HEAD'; headers?: Record<string, string>; mostMs?: number; known?: string | undefined };

// RFC 9110, 15.4.2 and 15.4.9.
const FOR_GOOD = new Set([301, 308]);

/** What answers at an address, whatever it says, after the redirects. */
async function followed(address: string, { method = 'GET', headers = {}, mostMs = MOST_MS, known }: Asking): Promise<Reached> {
  const signal = AbortSignal.timeout(mostMs);
  let url = webAddress(address);
  let isForGood = true;
  for (let n = 0; n <= MOST_REDIRECTS; n++) {
    const response = await ask(url, { method, signal, headers, isFree: url.host === known || isAllowed(url.host) });
    const { statusCode = 0 } = response;
    const { location } = response.headers;
    if (statusCode < 300 || statusCode >= 400 || !location) return { url, response, movedTo: n && isForGood ? url.href : null };
    response.destroy();
    isForGood &&= FOR_GOOD.has(statusCode);
    url = webAddress(location, url);
  }
  throw new Complaint(NO_END);
}

function webAddress(address: string, base?: URL): URL {
  const url = URL.canParse(address, base) ? new URL(address, base) : null;
  if (!url || !/^https?:$/.test(url.protocol)) throw new Complaint('A web address begins with https:// or http://.');
  url.username = url.password = '';
  return url;
}

const isAllowed = (host: string): boolean => environment.EVEN_PAGE_FETCH_ALLOW.split(',').includes(host);

const publicOnly: LookupFunction = (host, options, done) =>
  lookUp(host, { ...options, all: true }, (cause, found) => {
    if (cause) return done(cause, []);
    const bad = found.find(({ address }) => !isPublic(address));
    if (bad) return done(new Complaint(NOT_PUBLIC), []);
    if (options.all) done(null, found);
    else done(null, found[0]!.address, found[0]!.family);
  });

type Ask = { method: string; signal: AbortSignal; headers: Record<string, string>; isFree: boolean };

function ask(url: URL, { method, signal, headers, isFree }: Ask): Promise<IncomingMessage> {
  const host = url.hostname.replace(/^\[|\]$/g, '');
  if (!isFree && isIP(host) && !isPublic(host)) throw new Complaint(NOT_PUBLIC);
  return new Promise((resolve, reject) => {
    const request = (url.protocol === 'https:' ? requestHttps : requestHttp)(
      url,
      {
        method,
        signal,
        headers: {
          accept: 'text/html,text/*,application/*;q=0.9,*/*;q=0.5',
          'accept-encoding': 'identity',
          'user-agent': 'EvenPage/0.1',
          ...headers,
        },
        ...(isFree ? {} : { lookup: publicOnly }),
      },
      resolve,
    );
    request.once('error', (cause) => reject(cause instanceof Complaint ? cause : new Complaint(NO_ANSWER, { cause })));
    request.end();
  });
}

/** The body of an answer; no more of it than `enough` bytes where that is said. */
async function bodyOf(response: IncomingMessage, enough = Infinity): Promise<Uint8Array> {
  const parts: Buffer[] = [];
  let size = 0;
  try {
    for await (const part of response as AsyncIterable<Buffer>) {
      size += part.length;
      if (size >= enough) {
        parts.push(part);
        break;
      }
      if (size > MOST_BYTES) throw new Complaint('What stands at this address is larger than 25 MB: bring in the part you need as a file.');
      parts.push(part);
    }
  } catch (cause) {
    if (cause instanceof Complaint) throw cause;
    throw new Complaint(NO_ANSWER, { cause });
  } finally {
    response.destroy();
  }
  return new Uint8Array(Buffer.concat(parts));
}

function nameOf(url: URL, headers: IncomingMessage['headers']): string {
  const stated = /filename="?([^";]+)"?/i.exec(headers['content-disposition'] ?? '')?.[1];
  const last = url.pathname.split('/').filter(Boolean).at(-1);
  const name = stated ?? (last && /\.\w{2,5}$/.test(last) ? last : `${url.hostname}${url.pathname.replace(/\/$/, '')}`);
  try {
    return decodeURIComponent(name).slice(0, 200);
  } catch {
    return name.slice(0, 200);
  }
}
