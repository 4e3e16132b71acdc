const LOOPBACK = /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/;

/**
 * Where a reader who asked under another name of this machine (localhost for 127.0.0.1) finds the same page; null
 * for everybody else. No foreign page can take these names.
 */
export function underOwnName(request: Request, own: URL): string | null {
  const host = request.headers.get('host') ?? own.host;
  if (request.method !== 'GET' || host === own.host || !LOOPBACK.test(host) || !LOOPBACK.test(own.host)) return null;
  return own.href;
}

/**
 * Whether a request was made by a page of another site. Reading is refused when it is asked under a name that is
 * not ours (a foreign name made to point here); anything that changes something also when its origin is not ours.
 */
export function isFromElsewhere(request: Request, own: URL): boolean {
  const host = request.headers.get('host');
  if (host !== null && host !== own.host) return true;
  if (request.method === 'GET' || request.method === 'HEAD') return false;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  return (origin !== null && origin !== own.origin) || (site !== null && site !== 'same-origin' && site !== 'none');
}
