import { createHash, randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { Hono } from 'hono';

type Transcript = { sha256: string; title?: string; words: { text: string; startMs: number; endMs: number }[] };
type Job = { transcript: Transcript | undefined; begunAt: number };

/** The transcripts it knows: JSON files beside the recordings they were made of. */
export function transcriptsIn(folder: URL): Map<string, Transcript> {
  const files = readdirSync(folder).filter((name) => name.endsWith('.json'));
  return new Map(files.map((name) => JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as Transcript).map((t) => [t.sha256, t]));
}

/** A transcriber that takes some time over each recording, and knows only some. */
export function transcriber({ known, workMs, token }: { known: Map<string, Transcript>; workMs: number; token?: string }): Hono {
  const app = new Hono();
  const jobs = new Map<string, Job>();
  /** The job of each idempotency key: a recording sent again under one is the same job. */
  const byKey = new Map<string, string>();

  app.use(async (c, next) => {
    if (token && c.req.header('authorization') !== `Bearer ${token}`)
      return c.json({ message: 'This request carries no valid token.' }, 401);
    return next();
  });

  app.post('/jobs', async (c) => {
    const hash = createHash('sha256');
    let size = 0;
    for await (const part of (c.req.raw.body ?? []) as AsyncIterable<Uint8Array>) {
      size += part.length;
      hash.update(part);
    }
    if (!size) return c.json({ message: 'No recording came with this request.' }, 400);
    const key = c.req.header('idempotency-key');
    const id = (key && byKey.get(key)) || randomUUID();
    if (key) byKey.set(key, id);
    if (!jobs.has(id)) jobs.set(id, { transcript: known.get(hash.digest('hex')), begunAt: Date.now() });
    return c.json({ id }, 202);
  });

  app.get('/jobs/:id', (c) => {
    const job = jobs.get(c.req.param('id'));
    if (!job) return c.json({ message: 'There is no job of this name.' }, 404);
    const progress = workMs ? (Date.now() - job.begunAt) / workMs : 1;
    if (progress < 1) return c.json({ state: 'working', progress });
    if (!job.transcript) return c.json({ state: 'failed', says: 'No words could be made out in this recording.' });
    const { title, words } = job.transcript;
    return c.json({ state: 'done', ...(title ? { title } : {}), words });
  });

  return app;
}
