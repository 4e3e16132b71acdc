import { execFile, execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { gzipSync } from 'node:zlib';
import { PGlite } from '@electric-sql/pglite';
import type { Browser } from '@playwright/test';
import { startBlog, startResultList, startServer, type RunningServer } from '../app/test/running-server.ts';
import { quantile, type Figure } from './measure.ts';

const PIECES = 10_000;

/** A data folder with the demo in it. */
export async function demoFolder(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'bench-'));
  const [blog, results] = await Promise.all([startBlog(), startResultList()]);
  const env = { RESULTS_URL: results.address, EVEN_PAGE_FETCH_ALLOW: new URL(results.address).host };
  const server = await startServer({ data: folder, env });
  await promisify(execFile)('node', ['--import', 'tsx', 'demo/load.ts', server.address, blog.address, blog.token]);
  await server.stop();
  blog.stop();
  results.stop();
  return folder;
}

/** From the start of the process to its first answer. */
export async function startFigures(folder: string): Promise<Figure[]> {
  const times: number[] = [];
  let node = 0;
  for (let i = 0; i < 3; i++) {
    const begun = performance.now();
    execFileSync('node', ['-e', '0']);
    node = performance.now() - begun;
    const start = performance.now();
    const server = await startServer({ data: folder });
    await fetch(server.address);
    times.push(performance.now() - start);
    await server.stop();
  }
  return [
    {
      what: 'From start to the first answer, with the demo',
      value: quantile(times, 0.5) / 1000,
      unit: 's',
      most: 2,
      against: `node with nothing to do: ${(node / 1000).toFixed(2)} s`,
    },
  ];
}

/** What a browser is sent for a screen, how soon it shows, and whether it moves while it does. */
export async function screenFigures(browser: Browser, server: RunningServer): Promise<Figure[]> {
  const { rows } = (await (await server.call('/pieces')).json()) as { rows: { id: string; words: number }[] };
  const longest = rows.reduce((a, b) => (a.words > b.words ? a : b));
  const figures: Figure[] = [];
  for (const [name, path, most] of [
    ['Desk', '/', 150],
    ['Spread', `/pieces/${longest.id}`, 300],
  ] as const) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    let script = 0;
    let worker = 0;
    const bodies: Promise<void>[] = [];
    page.on('response', (response) => {
      if (!response.url().endsWith('.js')) return;
      const isWorker = response.url().includes('worker');
      bodies.push(
        response.body().then((body) => {
          const size = gzipSync(body).length / 1000;
          if (isWorker) worker += size;
          else script += size;
        }),
      );
    });
    await page.addInitScript(() => {
      const seen = { largest: 0, shift: 0 };
      Object.assign(window, { seen });
      new PerformanceObserver((list) => (seen.largest = list.getEntries().at(-1)!.startTime)).observe({
        type: 'largest-contentful-paint',
        buffered: true,
      });
      new PerformanceObserver((list) =>
        list.getEntries().forEach((e) => (seen.shift += (e as unknown as { value: number }).value)),
      ).observe({ type: 'layout-shift', buffered: true });
    });
    await page.goto(server.address + path, { waitUntil: 'networkidle' });
    await page.waitForTimeout(500);
    await Promise.all(bodies);
    const seen = await page.evaluate(() => (window as unknown as { seen: { largest: number; shift: number } }).seen);
    await page.close();
    figures.push(
      {
        what: `JavaScript sent for the ${name} (gzip)`,
        value: script,
        unit: 'kB',
        most,
        against: worker ? `its worker, loaded after: ${worker.toFixed(0)} kB` : '',
      },
      {
        what: `${name}: Largest Contentful Paint`,
        value: seen.largest,
        unit: 'ms',
        most: 2500,
        against: '2.5 s is “good” (Core Web Vitals, from memory)',
      },
      {
        what: `${name}: Cumulative Layout Shift`,
        value: seen.shift,
        unit: '',
        most: 0.1,
        against: '0.1 is “good” (Core Web Vitals, from memory)',
      },
    );
  }
  return figures;
}

/** The Desk with 10,000 pieces: each order and a search, as the server answers them. */
export async function deskFigures(folder: string): Promise<Figure[]> {
  const database = await PGlite.create(join(folder, 'database'));
  await database.exec(`
    insert into pieces (version, step, title, title_key, words, section_words, next, touched_at, touched_by)
    select 1, (array['gather','tidy','shape','write','dress','proof','send'])[1 + n % 7],
      'Evening ' || n || ' about ' || md5(n::text), 'evening ' || n || ' about ' || md5(n::text), n % 3000, '[120, 340, 200, 90]',
      '{"gravity":"look","says":"Ask for sections","rest":": the words are tidied"}', now() - n * interval '1 minute', 'writer'
    from generate_series(1, ${PIECES}) as n;
    insert into versions (piece_id, version, doc, details, saved_by)
    select id, 1, '{"type":"doc","content":[{"type":"paragraph"}]}', '{}', 'writer' from pieces p
    where not exists (select 1 from versions v where v.piece_id = p.id);
    analyze;`);
  await database.close();
  const server = await startServer({ data: folder });
  const asked = async (query: (i: number) => string) => {
    const times: number[] = [];
    for (let i = 0; i < 120; i++) {
      const start = performance.now();
      await (await server.call(`/pieces${query(i)}`)).text();
      if (i >= 20) times.push(performance.now() - start);
    }
    return quantile(times, 0.95);
  };
  const empty = await (async () => {
    const times: number[] = [];
    for (let i = 0; i < 100; i++) {
      const start = performance.now();
      await (await server.call('/outlets')).text();
      times.push(performance.now() - start);
    }
    return quantile(times, 0.95);
  })();
  const figures: Figure[] = [];
  for (const [what, query] of [
    ['list, last touched first', () => ''],
    ['list by title, further down', (i: number) => `?order=title&from=${i * 60}`],
    ['list by step', () => '?order=step'],
    ['search', (i: number) => `?find=${(i * 37).toString(16)}`],
  ] as const) {
    figures.push({
      what: `The Desk with 10,000 pieces: ${what}, 95th percentile`,
      value: await asked(query),
      unit: 'ms',
      most: 60,
      against: `a route with nothing to list: ${empty.toFixed(1)} ms`,
    });
  }
  await server.stop();
  return figures;
}

/** Takes a data folder away. */
export const drop = (folder: string) => rmSync(folder, { recursive: true });
