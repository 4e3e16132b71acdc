import { Hono } from 'hono';
import sharp from 'sharp';
import { stemmer } from 'stemmer';
import { DRAWINGS, drawn } from './drawings.ts';

const SIZES = { small: 320, medium: 960, large: 2400 } as const;
const MAKERS = ['Anneke Tull', 'Ravi Osgood', 'Larkfield Drawing Circle', 'Petra Lindqvist'] as const;
const LICENCES = [
  'https://creativecommons.org/publicdomain/zero/1.0/',
  'https://creativecommons.org/licenses/by/4.0/',
  'https://creativecommons.org/licenses/by-sa/4.0/',
] as const;

const stems = (words: string): string[] => (words.toLowerCase().match(/[a-z]+/g) ?? []).map((word) => stemmer(word));

const INDEX = DRAWINGS.map(({ name, words }) => ({ name: new Set(stems(name)), words: new Set(stems(words)) }));

/** The numbers of the drawings that fit some words, the best first; all of them for no words. */
function found(words: string): number[] {
  const wanted = stems(words);
  if (!wanted.length) return [...DRAWINGS.keys()];
  return INDEX.map(({ name, words: own }, n) => ({ n, fit: wanted.reduce((sum, w) => sum + (name.has(w) ? 3 : own.has(w) ? 1 : 0), 0) }))
    .filter(({ fit }) => fit > 0)
    .sort((a, b) => b.fit - a.fit || a.n - b.n)
    .map(({ n }) => n);
}

/** A small stock of drawn pictures: searched by words, paged, each in several sizes. README.md says how it is spoken to. */
export function stock({ token }: { token?: string } = {}): Hono {
  const app = new Hono();

  app.get('/pictures', (c) => {
    if (token && c.req.header('authorization') !== `Bearer ${token}`) return c.json({ message: 'This stock asks for a token.' }, 401);
    const per = Math.min(50, Math.max(1, Number(c.req.query('per')) || 20));
    const all = found(c.req.query('q') ?? '');
    const pages = Math.max(1, Math.ceil(all.length / per));
    const page = Math.min(pages, Math.max(1, Number(c.req.query('page')) || 1));
    const origin = new URL(c.req.url).origin;
    const pictures = all.slice((page - 1) * per, page * per).map((n) => ({
      id: String(n + 1),
      title: DRAWINGS[n]!.name,
      words: DRAWINGS[n]!.words.split(' '),
      maker: MAKERS[n % MAKERS.length],
      licence: LICENCES[n % LICENCES.length],
      page: `${origin}/pictures/${n + 1}`,
      files: Object.entries(SIZES).map(([size, width]) => ({
        address: `${origin}/files/${n + 1}-${size}.jpg`,
        width,
        height: (width * 3) / 4,
      })),
    }));
    return c.json({ total: all.length, page, pages, pictures });
  });

  app.get('/files/:name', async (c) => {
    const [, id, size] = /^(\d+)-(small|medium|large)\.jpg$/.exec(c.req.param('name')) ?? [];
    const n = Number(id) - 1;
    if (!size || !DRAWINGS[n]) return c.notFound();
    const maker = MAKERS[n % MAKERS.length]!;
    const bytes = await sharp(Buffer.from(drawn(n, SIZES[size as keyof typeof SIZES])))
      .jpeg({ quality: 88 })
      .withExif({ IFD0: { Artist: maker, Copyright: `${maker}, ${LICENCES[n % LICENCES.length]}` } })
      .toBuffer();
    return c.body(new Uint8Array(bytes), 200, { 'content-type': 'image/jpeg', 'cache-control': 'max-age=86400' });
  });

  app.get('/pictures/:id', (c) => {
    const drawing = DRAWINGS[Number(c.req.param('id')) - 1];
    if (!drawing) return c.notFound();
    return c.html(
      `<!doctype html><html lang="en"><title>${drawing.name}</title><h1>${drawing.name}</h1><img src="/files/${c.req.param('id')}-medium.jpg" alt="${drawing.name}"></html>`,
    );
  });

  return app;
}
