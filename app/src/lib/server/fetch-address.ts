import { lookup as lookUp } from 'node:dns';
import { request as requestHttp, type IncomingMessage } from 'node:http';
import { request as requestHttps } from 'node:https';
import { isIP, type LookupFunction } from 'node:net';
import { Complaint } from '@even-page/core/complaint';
import { MOST_BYTES } from '$lib/limits.ts';
import type { Material } from './bring-in.ts';
import { environment } from './environment.ts';
import { isPublic } from './public-address.ts';

const MOST_MS = 15_000;
const MOST_REDIRECTS = 5;

const NOT_PUBLIC = 'This address leads into a private network, where the server does not look. Save the page as a file and bring that in.';
const NO_ANSWER = 'Nothing answered at this address in time. Open it in your browser to see whether it is right.';

/**
 * Fetches what stands at a web address, from public addresses of the internet only: that is checked after the name
 * was looked up and again after each redirect. Throws a Complaint when it is not there, too large, or too slow.
 */
export async function fetchAddress(address: string): Promise<Material> {
  const { url, response } = await reached(address);
  return { name: nameOf(url, response.headers), bytes: await bodyOf(response), address: url.href };
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
  return (await reached(address, { ...(range ? { range } : {}) }, STREAM_MS)).response;
}

const STREAM_MS = 2 * 60 * 60_000;

/** What answers at an address, after the redirects. */
async function reached(
  address: string,
  headers: Record<string, string> = {},
  mostMs = MOST_MS,
): Promise<{ url: URL; response: IncomingMessage }> {
  const signal = AbortSignal.timeout(mostMs);
  let url = webAddress(address);
  for (let n = 0; n <= MOST_REDIRECTS; n++) {
    const response = await ask(url, signal, headers);
    const { statusCode = 0 } = response;
    const { location } = response.headers;
    if (statusCode >= 300 && statusCode < 400 && location) {
      response.destroy();
      url = webAddress(location, url);
      continue;
    }
    if (statusCode !== 200 && statusCode !== 206) {
      response.destroy();
      throw new Complaint(
        `The site answered ${statusCode}, so there is nothing to bring in. Open the address in your browser to see what it says.`,
      );
    }
    return { url, response };
  }
  throw new Complaint('This address leads from one to the next without an end.');
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

function ask(url: URL, signal: AbortSignal, more: Record<string, string>): Promise<IncomingMessage> {
  const host = url.hostname.replace(/^\[|\]$/g, '');
  const free = isAllowed(url.host);
  if (!free && isIP(host) && !isPublic(host)) throw new Complaint(NOT_PUBLIC);
  return new Promise((resolve, reject) => {
    const request = (url.protocol === 'https:' ? requestHttps : requestHttp)(
      url,
      {
        signal,
        headers: {
          accept: 'text/html,text/*,application/*;q=0.9,*/*;q=0.5',
          'accept-encoding': 'identity',
          'user-agent': 'EvenPage/0.1',
          ...more,
        },
        ...(free ? {} : { lookup: publicOnly }),
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
