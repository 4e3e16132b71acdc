import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { chromium } from '@playwright/test';
import sharp from 'sharp';
import config from '../playwright.config.ts';
import { newFolder, type RunningServer, startServer } from '../app/test/running-server.ts';
import { FILE_WIDTHS, QUALITY } from '../core/src/dress/file-sizes.ts';
import { medianMs, quantile, type Figure } from './measure.ts';
import { longPost, type } from './typing.ts';

const PHOTOGRAPHS = 20;
const SIZE = { width: 4000, height: 3000 };
const AT_ONCE = 2;
const PICTURES = 10_000;

/** Pictures of 12 megapixels with the grain and soft shapes of photographs, no two alike. */
async function photographs(): Promise<Buffer[]> {
  const found: Buffer[] = [];
  for (let n = 0; n < PHOTOGRAPHS; n++) {
    const noise = { type: 'gaussian' as const, mean: 110 + n, sigma: 60 };
    const small = await sharp({ create: { width: 1000, height: 750, channels: 3, background: '#808080', noise } })
      .blur(3)
      .png()
      .toBuffer();
    found.push(await sharp(small).resize(SIZE.width, SIZE.height).jpeg({ quality: 90 }).toBuffer());
  }
  return found;
}

/** Works through all, so many at once. */
async function worked<T>(all: readonly T[], work: (one: T) => Promise<unknown>): Promise<number> {
  const begun = performance.now();
  const waiting = [...all];
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      for (let one = waiting.shift(); one; one = waiting.shift()) await work(one);
    }),
  );
  return performance.now() - begun;
}

/** The same files made by sharp alone: every width from the file, and one for readers without WebP. */
async function plain(bytes: Buffer): Promise<void> {
  for (const width of Object.values(FILE_WIDTHS)) await sharp(bytes).autoOrient().resize(width).webp({ quality: QUALITY }).toBuffer();
  await sharp(bytes)
    .autoOrient()
    .resize(FILE_WIDTHS.large)
    .jpeg({ quality: QUALITY + 10, mozjpeg: true })
    .toBuffer();
}

const send = (server: RunningServer) => async (bytes: Buffer) => {
  const body = new FormData();
  body.append('picture', new File([new Uint8Array(bytes)], 'photograph.jpg'));
  const response = await server.call('/pictures', { method: 'POST', body });
  if (!response.ok) throw new Error(await response.text());
  await response.arrayBuffer();
};

/** How fast photographs are made light, typing meanwhile, and doubles among many pictures. */
export async function dressFigures(): Promise<Figure[]> {
  const all = await photographs();
  sharp.cache(false);
  const data = await newFolder();
  await manyPictures(join(data, 'database'));
  const server = await startServer({ data });
  const theirs = await worked(all, plain);
  const ours = await worked(all, send(server));

  const browser = await chromium.launch(config.use!.launchOptions);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(server.address);
  await page.getByLabel('Choose files').setInputFiles({ name: 'long.md', mimeType: 'text/markdown', buffer: Buffer.from(longPost()) });
  await page.waitForURL(/\/pieces\//);
  await page.locator('.ProseMirror').waitFor();
  await page.keyboard.press('Alt+5');
  await page.waitForTimeout(2500);
  // Another picture each time, or nothing would be left to do.
  let isOver = false;
  const busy = (async () => {
    for (let n = 0; !isOver; n++) await send(server)(Buffer.concat([all[n % all.length]!, Buffer.from(String(n))]));
  })();
  const times = await type(page);
  isOver = true;
  await busy;
  await browser.close();

  const likeMs = await medianMs(9, () => server.call('/pictures/00000000-0000-4000-8000-000000000001/like').then((r) => r.json()));
  await server.stop();
  rmSync(data, { recursive: true, force: true });
  return [
    {
      what: `${PHOTOGRAPHS} photographs of 12 megapixels made light, throughput beside sharp alone`,
      value: theirs / ours,
      unit: 'times',
      least: 0.8,
      against: `ours ${(ours / 1000).toFixed(1)} s from upload to answer, sharp alone ${(theirs / 1000).toFixed(1)} s for the same sizes`,
    },
    {
      what: 'Typing in a post of 10,000 words while photographs are made light, key to paint, 95th percentile',
      value: quantile(times, 0.95),
      unit: 'ms',
      most: 50,
      against: `median ${quantile(times, 0.5).toFixed(1)} ms`,
    },
    {
      what: `Doubles by look among ${PICTURES.toLocaleString('en')} pictures, one query`,
      value: likeMs,
      unit: 'ms',
      most: 100,
      against: 'through the server, from question to answer',
    },
  ];
}

/** Puts many pictures with looks of their own into a database. */
async function manyPictures(folder: string): Promise<void> {
  const database = await PGlite.create(folder);
  await database.exec(`insert into pictures (id, name, original, type, original_bytes, width, height, rights, focus, quality, look, created_by)
    select ('00000000-0000-4000-8000-' || lpad(to_hex(n), 12, '0'))::uuid, 'picture ' || n, md5(n::text), 'image/jpeg', 100000, 1600, 1200,
      '{"licence":"own","credit":"","source":"","holder":""}', '{"x":0.5,"y":0.5}', 72, substr(md5(n::text), 1, 16), 'writer'
    from generate_series(1, ${PICTURES}) n`);
  await database.close();
}
