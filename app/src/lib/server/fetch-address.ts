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
  const signal = AbortSignal.timeout(MOST_MS);
  let url = webAddress(address);
  for (let n = 0; n <= MOST_REDIRECTS; n++) {
    const response = await ask(url, signal);
    const { statusCode = 0, headers } = response;
    if (statusCode >= 300 && statusCode < 400 && headers.location) {
      response.destroy();
      url = webAddress(headers.location, url);
      continue;
    }
    if (statusCode !== 200) {
      response.destroy();
      throw new Complaint(
        `The site answered ${statusCode}, so there is nothing to bring in. Open the address in your browser to see what it says.`,
      );
    }
    return { name: nameOf(url, headers), bytes: await bodyOf(response), address: url.href };
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

function ask(url: URL, signal: AbortSignal): Promise<IncomingMessage> {
  const host = url.hostname.replace(/^\[|\]$/g, '');
  const free = isAllowed(url.host);
  if (!free && isIP(host) && !isPublic(host)) throw new Complaint(NOT_PUBLIC);
  return new Promise((resolve, reject) => {
    const request = (url.protocol === 'https:' ? requestHttps : requestHttp)(
      url,
      {
        signal,
        headers: { accept: 'text/html,text/*,application/*;q=0.9,*/*;q=0.5', 'accept-encoding': 'identity', 'user-agent': 'EvenPage/0.1' },
        ...(free ? {} : { lookup: publicOnly }),
      },
      resolve,
    );
    request.once('error', (cause) => reject(cause instanceof Complaint ? cause : new Complaint(NO_ANSWER, { cause })));
    request.end();
  });
}

async function bodyOf(response: IncomingMessage): Promise<Uint8Array> {
  const parts: Buffer[] = [];
  let size = 0;
  try {
    for await (const part of response as AsyncIterable<Buffer>) {
      size += part.length;
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
