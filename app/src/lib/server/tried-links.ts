import pLimit, { type LimitFunction } from 'p-limit';
import type { TriedLink } from '@even-page/core/proof';
import { tryAddress } from './fetch-address.ts';

// At most so many at once, and so many of one site.
const AT_ONCE = 32;
const OF_ONE_SITE = 8;

const FINE_MS = 60 * 60_000;
const NOT_FINE_MS = 5 * 60_000;
const MOST_KEPT = 10_000;

const kept = new Map<string, { tried: Promise<TriedLink>; until: number }>();
const all = pLimit(AT_ONCE);
const sites = new Map<string, LimitFunction>();

/** Tries links, each once however often it is asked for within an hour. Nothing about the piece goes along. */
export async function triedLinks(addresses: readonly string[], again = false): Promise<Record<string, TriedLink>> {
  const tried = await Promise.all([...new Set(addresses)].map(async (address) => [address, await triedLink(address, again)] as const));
  return Object.fromEntries(tried);
}

function triedLink(address: string, again: boolean): Promise<TriedLink> {
  const known = kept.get(address);
  if (known && !again && known.until > Date.now()) return known.tried;
  const entry = { tried: inTurn(address), until: Infinity };
  kept.set(address, entry);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  entry.tried.then(
    ({ state }) => (entry.until = Date.now() + (state === 'fine' ? FINE_MS : NOT_FINE_MS)),
    () => kept.delete(address),
  );
  return entry.tried;
}

/** Tries a link when its site, and then the server, has a hand free. */
async function inTurn(address: string): Promise<TriedLink> {
  const { host } = new URL(address);
  const site = sites.get(host) ?? pLimit(OF_ONE_SITE);
  sites.set(host, site);
  try {
    return await site(() => all(() => tryAddress(address)));
  } finally {
    if (!site.activeCount && !site.pendingCount) sites.delete(host);
  }
}
