import { Hono } from 'hono';
import { stemmer } from 'stemmer';
import { INVENTED_WEB } from './invented-web.ts';

const MOST = 10;

const stems = (words: string): string[] => (words.toLowerCase().match(/[a-z]{3,}/g) ?? []).map((word) => stemmer(word));

const INDEX = INVENTED_WEB.map(({ title, html }) => ({ title: new Set(stems(title)), text: new Set(stems(html)) }));

/** The pages that fit a phrase, the best first; none where hardly a word of it stands on any. */
function found(phrase: string) {
  const wanted = stems(phrase);
  return INVENTED_WEB.map((page, n) => ({
    page,
    n,
    fit: wanted.reduce((sum, w) => sum + (INDEX[n]!.title.has(w) ? 2 : INDEX[n]!.text.has(w) ? 1 : 0), 0),
  }))
    .filter(({ fit }) => fit > wanted.length)
    .sort((a, b) => b.fit - a.fit || a.n - b.n)
    .slice(0, MOST)
    .map(({ page }) => page);
}

/** A result list over a small invented web, whose pages it serves. README.md says how it is spoken to. */
export function resultList({ token }: { token?: string } = {}): Hono {
  const app = new Hono();

  app.get('/results', (c) => {
    if (token && c.req.header('authorization') !== `Bearer ${token}`) return c.json({ message: 'This result list asks for a token.' }, 401);
    const origin = new URL(c.req.url).origin;
    const results = found(c.req.query('q') ?? '').map(({ path, title, words }) => ({ address: `${origin}${path}`, title, words }));
    return c.json({ results });
  });

  app.get('/pages/:subject/:n', (c) => {
    const page = INVENTED_WEB.find(({ path }) => path === c.req.path);
    return page ? c.html(page.html) : c.notFound();
  });

  return app;
}
