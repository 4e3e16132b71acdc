import { readFileSync } from 'node:fs';
import { Hono } from 'hono';
import { html, raw } from 'hono/html';
import { micropub, slugify, textOf, values } from './micropub.ts';
import { clean } from './clean.ts';
import { feed } from './feed.ts';
import type { Post, Store } from './store.ts';

// What a theme needs for the figures of posts.
const FIGURES = readFileSync(new URL('../../../docs/outlet.css', import.meta.url), 'utf8');

const NAME = 'Larkfield Repair Hall';

/** A small blog that speaks Micropub: posts newest first, a page each, categories, tags, an Atom feed. */
export function blog({ origin, token, store }: { origin: string; token: string; store: Store }): Hono {
  const app = new Hono();

  app.use(async (c, next) => {
    await next();
    c.header(
      'content-security-policy',
      "default-src 'none'; img-src 'self'; media-src 'self' http: https:; frame-src http: https:; style-src 'unsafe-inline'",
    );
    c.header('x-content-type-options', 'nosniff');
  });

  app.route('/micropub', micropub({ origin, token, store }));

  app.get('/', (c) =>
    c.html(
      page(
        'From the workbench',
        html`<h1>From the workbench</h1>
          ${list(store.posts())}`,
      ),
    ),
  );

  app.get('/feed.xml', (c) =>
    c.body(feed({ origin, name: NAME, posts: store.posts() }), 200, { 'content-type': 'application/atom+xml; charset=utf-8' }),
  );

  app.get('/media/:name', (c) => {
    const name = c.req.param('name');
    const bytes = store.media(name);
    if (!bytes) return c.notFound();
    const type = TYPES[name.split('.').at(-1)!] ?? 'application/octet-stream';
    const range = /^bytes=(\d+)-(\d*)$/.exec(c.req.header('range') ?? '');
    const headers = { 'content-type': type, 'accept-ranges': 'bytes' };
    if (!range) return c.body(bytes, 200, headers);
    const [from, to] = [Number(range[1]), range[2] ? Math.min(bytes.length - 1, Number(range[2])) : bytes.length - 1];
    if (from > to) return c.body(null, 416, { 'content-range': `bytes */${bytes.length}` });
    return c.body(bytes.slice(from, to + 1), 206, { ...headers, 'content-range': `bytes ${from}-${to}/${bytes.length}` });
  });

  for (const [path, property, title] of [
    ['category', 'mp-channel', 'Category'],
    ['tag', 'category', 'Tag'],
  ] as const) {
    app.get(`/${path}/:name`, (c) => {
      const name = values(store, property).find((v) => slugify(v) === c.req.param('name'));
      if (!name) return c.notFound();
      const posts = store.posts().filter((p) => p.properties[property]?.includes(name));
      return c.html(
        page(
          name,
          html`<p class="small">${title}</p>
            <h1>${name}</h1>
            ${list(posts)}`,
        ),
      );
    });
  }

  app.get('/:slug', (c) => {
    const post = store.post(c.req.param('slug'));
    if (!post) return c.notFound();
    if (post.deleted)
      return c.html(
        page(
          'Gone',
          html`<h1>Gone</h1>
            <p>This post was taken down.</p>`,
        ),
        410,
      );
    return c.html(onePost(post));
  });

  app.notFound((c) =>
    c.html(
      page(
        'Not here',
        html`<h1>Not here</h1>
          <p>There is no page at this address. <a href="/">All posts</a></p>`,
      ),
      404,
    ),
  );

  return app;
}

const TYPES: Record<string, string> = {
  ...{ webp: 'image/webp', png: 'image/png', jpg: 'image/jpeg', jpeg: 'image/jpeg', gif: 'image/gif', vtt: 'text/vtt' },
  ...{ webm: 'video/webm', mp4: 'video/mp4', mp3: 'audio/mpeg', m4a: 'audio/mp4', ogg: 'audio/ogg', wav: 'audio/wav' },
};

/** The picture that stands for a post. */
function coverOf(post: Post): { value: string; alt: string } | null {
  const [featured] = post.properties.featured ?? [];
  if (typeof featured === 'string') return { value: featured, alt: '' };
  const { value, alt } = (featured ?? {}) as { value?: unknown; alt?: unknown };
  return typeof value === 'string' ? { value, alt: String(alt ?? '') } : null;
}

const first = (post: Post, name: string) => String(post.properties[name]?.[0] ?? '');
const titleOf = (post: Post) => first(post, 'name') || textOf(post.properties.content?.[0]).slice(0, 60) || 'Untitled';

/** The name of who wrote it: an h-card, as microformats 2 has it, or a name. */
function authorOf(post: Post): string {
  const author = post.properties.author?.[0];
  return typeof author === 'string'
    ? author
    : String((author as { properties?: { name?: unknown[] } } | undefined)?.properties?.name?.[0] ?? '');
}

function dateOf(post: Post) {
  const published = new Date(first(post, 'published'));
  if (Number.isNaN(published.getTime())) return '';
  const words = published.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
  return html`<time class="dt-published" datetime="${published.toISOString()}">${words}</time>`;
}

function list(posts: Post[]) {
  if (!posts.length) return html`<p>No posts yet.</p>`;
  return html`<ul class="posts">
    ${posts.map((p) => html`<li><a href="/${p.slug}">${titleOf(p)}</a> <span class="small">${dateOf(p)}</span><br />${first(p, 'summary')}</li>`)}
  </ul>`;
}

function onePost(post: Post) {
  const content = post.properties.content?.[0];
  const body =
    typeof content === 'string' ? html`<p>${content}</p>` : raw(clean((content as { html?: string } | undefined)?.html ?? textOf(content)));
  const channel = first(post, 'mp-channel');
  const cover = coverOf(post);
  const author = authorOf(post);
  const tags = (post.properties.category ?? []).map(String).sort((a, b) => a.localeCompare(b, 'en'));
  return page(
    titleOf(post),
    html`<article class="h-entry">
      <h1 class="p-name">${titleOf(post)}</h1>
      <p class="small">
        ${dateOf(post)}${channel ? html` in <a href="/category/${slugify(channel)}">${channel}</a>` : ''}${
          author ? html`, by <span class="p-author h-card">${author}</span>` : ''
        }
      </p>
      ${cover ? html`<img class="u-featured" src="${cover.value}" alt="${cover.alt}" />` : ''}
      <div class="e-content">${body}</div>
      ${tags.length ? html`<p class="small">${tags.map((t) => html`<a class="p-category" href="/tag/${slugify(t)}">${t}</a> `)}</p>` : ''}
    </article>`,
    first(post, 'mp-description') || first(post, 'summary'),
    cover?.value,
  );
}

function page(title: string, body: unknown, description = '', cover = '') {
  return html`<!doctype html>
    <html lang="en">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>${title} · ${NAME}</title>
        ${description ? html`<meta name="description" content="${description}" />` : ''}
        <meta property="og:title" content="${title}" />
        ${cover ? html`<meta property="og:image" content="${cover}" />` : ''}
        <link rel="alternate" type="application/atom+xml" href="/feed.xml" title="${NAME}" />
        <link rel="micropub" href="/micropub" />
        <style>
          ${raw(FIGURES)} body {
            max-width: 42rem;
            margin: 0 auto;
            padding: 1.5rem 1rem 4rem;
            font:
              18px/1.6 Georgia,
              serif;
            color: #1b1b1b;
            background: #fbfaf7;
          }
          header {
            border-bottom: 3px double #c9bfa8;
            margin-bottom: 1.5rem;
            padding-bottom: 0.5rem;
            font-family: sans-serif;
          }
          a {
            color: #7a3b12;
          }
          h1,
          h2,
          h3 {
            line-height: 1.25;
          }
          img {
            max-width: 100%;
            height: auto;
          }
          figure {
            margin: 1.5rem 0;
          }
          figcaption,
          .small {
            font: 14px/1.5 sans-serif;
            color: #5c5546;
          }
          .posts {
            list-style: none;
            padding: 0;
          }
          .posts li {
            margin-bottom: 1.2rem;
          }
        </style>
      </head>
      <body>
        <header><a href="/">${NAME}</a></header>
        <main>${body}</main>
      </body>
    </html>`;
}
