import { createServer } from 'node:http';
import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { extname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Browser, Page } from '@playwright/test';
import { build } from 'vite';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { postToHtml } from '@even-page/core/post/html';
import type { RunningServer } from '../app/test/running-server.ts';
import { quantile, type Figure } from './measure.ts';

const WORDS = 10_000;
const KEYS = 300;

// Every kind of block a post has, each made of the words of a paragraph; most are paragraphs with marks.
const KINDS: readonly ((words: string[]) => string)[] = [
  (w) =>
    `${w.slice(0, 9).join(' ')} **${w[9]}** *${w[10]}* ~~${w[11]}~~ <mark>${w[12]}</mark> [${w[13]}](https://example.org/) ${w.slice(14).join(' ')}`,
  (w) =>
    chunks(w, 10)
      .map((item) => `- ${item}`)
      .join('\n'),
  (w) => w.join(' '),
  (w) => `> ${w.slice(0, -3).join(' ')}\n>\n> — ${w.slice(-3).join(' ')}`,
  (w) => w.join(' '),
  (w) =>
    chunks(w, 20)
      .map((item, i) => `${i + 1}. ${item}`)
      .join('\n'),
  (w) => `<aside>\n\n${w.join(' ')}\n\n</aside>`,
  (w) => w.join(' '),
  (w) => `<aside>\n\n<q>${w.join(' ')}</q>\n\n</aside>`,
  (w) =>
    `| One | Two |\n| - | - |\n${chunks(w, 20)
      .map((row) => `| ${chunks(row.split(' '), 10).join(' | ')} |`)
      .join('\n')}`,
  (w) => w.join(' '),
  (w) => `\`\`\`\n${chunks(w, 10).join('\n')}\n\`\`\`\n\n---`,
];
const chunks = (words: string[], size: number) =>
  Array.from({ length: Math.ceil(words.length / size) }, (_, i) => words.slice(i * size, i * size + size).join(' '));

/** A post of 10,000 words in sections of five blocks of 80 words, of every kind a page holds, as Markdown. */
export function longPost(): string {
  const words = readFileSync(new URL('../demo/script/knife-evening.txt', import.meta.url), 'utf8')
    .split(/\s+/)
    .filter(Boolean);
  const said = Array.from({ length: WORDS }, (_, i) => words[i % words.length]!.replace(/[^\p{L}\p{N}.,’'-]/gu, ''));
  const blocks = Array.from({ length: WORDS / 80 }, (_, i) => KINDS[i % KINDS.length]!(said.slice(i * 80, i * 80 + 80)));
  return blocks.map((p, i) => (i % 5 ? p : `## Section ${i / 5 + 1}\n\n${p}`)).join('\n\n');
}

/** The bare editor, built and served. */
async function bareEditor(): Promise<{ address: string; close: () => void }> {
  const root = fileURLToPath(new URL('bare-editor/', import.meta.url));
  const outDir = fileURLToPath(new URL('../test-results/bare-editor/', import.meta.url));
  await build({ root, configFile: false, logLevel: 'silent', build: { outDir, emptyOutDir: true } });
  const types: Record<string, string> = { '.html': 'text/html', '.js': 'text/javascript' };
  const server = createServer((request, response) => {
    if (request.url === '/favicon.ico') return void response.writeHead(404).end();
    const path = join(outDir, request.url === '/' ? 'index.html' : request.url!);
    response.setHeader('content-type', types[extname(path)] ?? 'application/octet-stream');
    response.end(readFileSync(path));
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return { address: `http://127.0.0.1:${(server.address() as AddressInfo).port}/`, close: () => server.close() };
}

/** Types in the middle of what is open and returns the times from key to paint, in milliseconds. */
export async function type(page: Page): Promise<number[]> {
  await page.locator('.ProseMirror > p').nth(30).click();
  await page.keyboard.press('End');
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { times });
    addEventListener(
      'keydown',
      (event) =>
        requestAnimationFrame(() => {
          // A message sent in a frame is heard after that frame is painted.
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => void times.push(performance.now() - event.timeStamp);
          port2.postMessage(0);
        }),
      { capture: true },
    );
  });
  const words = 'a lamp comes to the bench and somebody looks at it ';
  for (let i = 0; i < KEYS; i++)
    await page.keyboard.press(words[i % words.length] === ' ' ? 'Space' : words[i % words.length]!, { delay: 20 });
  await page.waitForTimeout(500);
  const times = await page.evaluate(() => (window as unknown as { times: number[] }).times);
  return times.slice(20);
}

/** Typing in a post of 10,000 words, beside a bare Tiptap editor with the same words in the same browser. */
export async function typingFigures(browser: Browser, server: RunningServer): Promise<Figure[]> {
  const markdown = longPost();
  const bare = await bareEditor();
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });

  const beside = await context.newPage();
  await beside.goto(bare.address);
  await beside.waitForFunction(() => 'openPost' in window);
  await beside.evaluate(
    (html) => (window as unknown as { openPost: (html: string) => void }).openPost(html),
    postToHtml(postFromMarkdown(markdown)),
  );
  const theirs = await type(beside);
  await beside.close();
  bare.close();

  const page = await context.newPage();
  await page.goto(server.address);
  await page.getByLabel('Choose files').setInputFiles({ name: 'long.md', mimeType: 'text/markdown', buffer: Buffer.from(markdown) });
  await page.waitForURL(/\/pieces\//);
  await page.locator('.ProseMirror').waitFor();
  // The outline with its figures stands beside it, and follows.
  await page.keyboard.press('Alt+3');
  await page.waitForTimeout(2500);
  const ours = await type(page);
  await context.close();

  const [median, bareMedian] = [quantile(ours, 0.5), quantile(theirs, 0.5)];
  return [
    {
      what: 'Typing in a post of 10,000 words and all kinds of blocks, the outline beside it, key to paint, median',
      value: median / bareMedian,
      unit: 'times',
      most: 1.7,
      against: `a bare Tiptap editor with the same words: ${bareMedian.toFixed(1)} ms (ours ${median.toFixed(1)} ms)`,
    },
    {
      what: 'The same, 95th percentile',
      value: quantile(ours, 0.95),
      unit: 'ms',
      most: 50,
      against: `the bare editor: ${quantile(theirs, 0.95).toFixed(1)} ms`,
    },
  ];
}
