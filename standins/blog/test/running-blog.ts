import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blog } from '../src/blog.ts';
import { Store } from '../src/store.ts';

export const ORIGIN = 'http://blog.larkfield.example';
export const AUTH = { authorization: 'Bearer secret' };

/** A blog over a folder of its own, and the requests a client makes. */
export function runningBlog() {
  const folder = mkdtempSync(join(tmpdir(), 'blog-'));
  const begin = () => blog({ origin: ORIGIN, token: 'secret', store: new Store(folder) });
  const app = begin();
  const post = (body: BodyInit, headers: Record<string, string> = {}) =>
    app.request('/micropub', { method: 'POST', headers: { ...AUTH, ...headers }, body });
  return {
    app,
    post,
    json: (body: unknown) => post(JSON.stringify(body), { 'content-type': 'application/json' }),
    ask: async (query: string) => (await app.request(`/micropub?${query}`, { headers: AUTH })).json(),
    /** The blog as it is after a restart. */
    again: begin,
    end: () => rmSync(folder, { recursive: true }),
  };
}

/** The path of an address at the blog. */
export const pathOf = (location: string | null) => location!.slice(ORIGIN.length);
