import { Hono, type Context } from 'hono';
import type { Post, Store } from './store.ts';

/** A refusal as Micropub words it (W3C Recommendation, section 3.8 Error Response). */
class Refusal extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404,
    readonly error: 'invalid_request' | 'unauthorized' | 'forbidden' | 'insufficient_scope',
    message: string,
  ) {
    super(message);
  }
}

type Properties = Record<string, unknown[]>;
type Settings = { origin: string; token: string; store: Store };

/** The Micropub endpoint and its media endpoint. */
export function micropub({ origin, token, store }: Settings): Hono {
  const app = new Hono();

  app.onError((error, c) => {
    if (error instanceof Refusal) return c.json({ error: error.error, error_description: error.message }, error.status);
    console.error(error);
    return c.json({ error: 'server_error', error_description: 'The blog failed inside.' }, 500);
  });

  app.use(async (c, next) => {
    const bearer = /^Bearer (.+)$/i.exec(c.req.header('authorization') ?? '')?.[1];
    const given = bearer ?? (await formToken(c));
    if (!given) throw new Refusal(401, 'unauthorized', 'An access token is needed.');
    if (given !== token) throw new Refusal(403, 'forbidden', 'This access token is not valid here.');
    await next();
  });

  app.get('/', (c) => {
    switch (c.req.query('q')) {
      case 'config':
        return c.json({
          'media-endpoint': `${origin}/micropub/media`,
          'syndicate-to': [],
          q: ['config', 'source', 'syndicate-to', 'category', 'channel'],
        });
      case 'syndicate-to':
        return c.json({ 'syndicate-to': [] });
      case 'category':
        return c.json({ categories: values(store, 'category') });
      case 'channel':
        return c.json({ channels: values(store, 'mp-channel').map((name) => ({ uid: name, name })) });
      case 'source': {
        // The extension "Query for Post List": without an address, the newest posts.
        if (c.req.query('url') === undefined) {
          const newest = store.posts().slice(0, Number(c.req.query('limit')) || 20);
          return c.json({ items: newest.map((p) => ({ type: p.type, properties: { ...p.properties, url: [`${origin}/${p.slug}`] } })) });
        }
        const post = find(c.req.query('url'));
        const wanted = [...(c.req.queries('properties[]') ?? []), ...(c.req.queries('properties') ?? [])];
        if (!wanted.length) return c.json({ type: post.type, properties: post.properties });
        return c.json({ properties: Object.fromEntries(wanted.filter((p) => p in post.properties).map((p) => [p, post.properties[p]])) });
      }
      default:
        throw new Refusal(400, 'invalid_request', 'Ask with q=config, source, syndicate-to, category or channel.');
    }
  });

  app.post('/', async (c) => {
    const type = c.req.header('content-type') ?? '';
    if (type.startsWith('application/json')) {
      const body = (await c.req.json().catch(() => null)) as Record<string, unknown> | null;
      if (!body) throw new Refusal(400, 'invalid_request', 'The body is not JSON.');
      return body.action ? act(c, body) : create(c, body.type, body.properties);
    }
    const form = await c.req.parseBody({ all: true });
    if (typeof form.action === 'string') return act(c, form);
    const properties: Properties = {};
    for (const [key, value] of Object.entries(form)) {
      const name = key.replace(/\[\]$/, '');
      if (name === 'h' || name === 'access_token') continue;
      const list = await Promise.all([value].flat().map(async (v) => (v instanceof File ? await keepFile(v) : v)));
      properties[name] = [...(properties[name] ?? []), ...list];
    }
    return create(c, [`h-${typeof form.h === 'string' ? form.h : 'entry'}`], properties);
  });

  app.post('/media', async (c) => {
    const { file } = await c.req.parseBody();
    if (!(file instanceof File)) throw new Refusal(400, 'invalid_request', 'The media endpoint takes one part named "file".');
    const url = await keepFile(file);
    return c.json({ url }, 201, { location: url });
  });

  async function keepFile(file: File): Promise<string> {
    return `${origin}/media/${store.keepMedia(file.name, new Uint8Array(await file.arrayBuffer()))}`;
  }

  function create(c: Context, type: unknown, properties: unknown) {
    if (!Array.isArray(type) || typeof type[0] !== 'string' || !isProperties(properties)) {
      throw new Refusal(400, 'invalid_request', 'A post needs a type and properties whose values are lists.');
    }
    const kept: Properties = { ...properties };
    const wished = kept['mp-slug']?.[0] ?? kept.name?.[0] ?? textOf(kept.content?.[0]).split(/\s+/).slice(0, 6).join(' ');
    delete kept['mp-slug'];
    kept.published ??= [new Date().toISOString()];
    const slug = store.freeSlug(slugify(String(wished)) || 'post');
    store.keep({ slug, type: type as string[], properties: kept, deleted: false });
    return c.body(null, 201, { location: `${origin}/${slug}` });
  }

  function act(c: Context, body: Record<string, unknown>) {
    const post = find(body.url, true);
    switch (body.action) {
      case 'delete':
        store.keep({ ...post, deleted: true });
        return c.body(null, 204);
      case 'undelete':
        store.keep({ ...post, deleted: false });
        return c.body(null, 204);
      case 'update':
        store.keep({ ...post, properties: updated(post, body) });
        return c.body(null, 204);
      default:
        throw new Refusal(400, 'invalid_request', `There is no action "${String(body.action)}".`);
    }
  }

  function updated(post: Post, body: Record<string, unknown>): Properties {
    const { replace = {}, add = {} } = body;
    const gone = body.delete ?? {};
    if (!isProperties(replace) || !isProperties(add) || typeof gone !== 'object' || gone === null) {
      throw new Refusal(400, 'invalid_request', 'replace and add take lists of values, delete takes names or lists of values.');
    }
    const properties: Properties = { ...post.properties, ...replace };
    for (const [name, list] of Object.entries(add)) properties[name] = [...(properties[name] ?? []), ...list];
    if (Array.isArray(gone)) for (const name of gone) delete properties[String(name)];
    else {
      for (const [name, list] of Object.entries(gone as Properties)) {
        const out = list.map((v) => JSON.stringify(v));
        properties[name] = (properties[name] ?? []).filter((v) => !out.includes(JSON.stringify(v)));
        if (!properties[name].length) delete properties[name];
      }
    }
    properties.updated = [new Date().toISOString()];
    return properties;
  }

  function find(url: unknown, deletedToo = false): Post {
    const path = typeof url === 'string' && url.startsWith(`${origin}/`) ? url.slice(origin.length + 1) : '';
    const post = store.post(decodeURIComponent(path));
    if (!post || (post.deleted && !deletedToo)) throw new Refusal(400, 'invalid_request', 'There is no post at this address.');
    return post;
  }

  return app;
}

async function formToken(c: Context): Promise<string | null> {
  if (!(c.req.header('content-type') ?? '').includes('form')) return null;
  const form = await c.req.parseBody();
  return typeof form.access_token === 'string' ? form.access_token : null;
}

function isProperties(value: unknown): value is Properties {
  return typeof value === 'object' && value !== null && !Array.isArray(value) && Object.values(value).every(Array.isArray);
}

/** The plain words of a content value: a string, or an object with html or text. */
export function textOf(content: unknown): string {
  if (typeof content === 'string') return content;
  const { html, value } = (content ?? {}) as { html?: string; value?: string };
  return (value ?? html ?? '').replace(/<[^>]*>/g, ' ');
}

/** All values a property has over the posts that can be read, in alphabetical order. */
export function values(store: Store, property: string): string[] {
  const found = new Set(store.posts().flatMap((p) => (p.properties[property] ?? []).map(String)));
  return [...found].sort((a, b) => a.localeCompare(b, 'en'));
}

/** A name as it stands in an address. */
export function slugify(text: string): string {
  return (
    text
      .normalize('NFKD')
      .toLowerCase()
      .match(/[\p{Ll}\p{N}]+/gu) ?? []
  )
    .slice(0, 12)
    .join('-');
}
