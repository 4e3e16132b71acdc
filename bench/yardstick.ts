// How fast reference pages are measured and a draft is held against them; how fast words of others are found, and links tried.
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { shinglesOf } from '@even-page/core/language/shingles';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { schema } from '@even-page/core/post/schema';
import { proof, sharedShingles, stretchesOf } from '@even-page/core/proof';
import { readSubjects } from '@even-page/core/shape';
import { emptyDetails } from '@even-page/core/post/details';
import { measurePage, offPurpose, standOf, weighingBy, yardstickOf } from '@even-page/core/yardstick';
import { startServer } from '../app/test/running-server.ts';
import { SUBJECTS } from '../standins/results/src/subjects.ts';
import { medianMs, type Figure } from './measure.ts';

const PAGES = 10;
const WORDS = 6000;
const PIECES = 1000;
const PIECE_WORDS = 1500;
const LINKS = 200;

const told = SUBJECTS.flatMap((subject) =>
  subject.told.flatMap(({ headings, paragraphs }) => paragraphs.map((text) => ({ heading: headings[0]!, text }))),
);
const sentences = told.flatMap(({ text }) => text.split(/(?<=\.) /));

/** Numbers from 0 to 1 that are the same in every run (Lehmer's generator, constants of Park and Miller 1988). */
function rolling(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/** A page of so many words: sections of the invented web with their sentences shaken. */
function pageOf(n: number, words: number): string {
  const roll = rolling(n + 1);
  let html = `<title>Page ${n}</title><main><h1>Page ${n}</h1>`;
  for (let count = 0; count < words;) {
    const { heading } = told[Math.floor(roll() * told.length)]!;
    const text = Array.from({ length: 8 }, () => sentences[Math.floor(roll() * sentences.length)]).join(' ');
    html += `<h2>${heading}</h2><p>${text}</p>`;
    count += text.split(' ').length;
  }
  return `${html}</main>`;
}

/** The words of a text in another order: a piece in the same language that says something else. */
function shaken(text: string, seed: number): string {
  const roll = rolling(seed + 7);
  return text
    .split(' ')
    .map((word) => ({ word, at: roll() }))
    .sort((a, b) => a.at - b.at)
    .map(({ word }) => word)
    .join(' ');
}

/** Figures of Yardsticks, of own words and of links. */
export async function yardstickFigures(): Promise<Figure[]> {
  const subjects = readSubjects(new Uint8Array(readFileSync(new URL('../core/data/subjects.bin', import.meta.url))));
  const pages = Array.from({ length: PAGES }, (_, n) => new TextEncoder().encode(pageOf(n, WORDS)));
  // In pieces: each segment keeps its text.
  const texts = pages.flatMap((bytes) => new TextDecoder().decode(bytes).match(/[^]{1,1000}/g) ?? []);
  const segmenter = new Intl.Segmenter('en', { granularity: 'word' });
  const cut = await medianMs(3, () => texts.reduce((sum, text) => sum + [...segmenter.segment(text)].length, 0));
  const beside = `Intl.Segmenter alone, those words: ${cut.toFixed(0)} ms`;

  const made = () => {
    const measured = pages.map((bytes, n) => measurePage(bytes, `https://site-${n}.example/`));
    offPurpose(measured, (passages) => weighingBy(passages, subjects));
    return yardstickOf(measured, subjects);
  };
  const whole = await medianMs(3, made);
  const yardstick = made();
  let doc = postFromMarkdown(
    told
      .slice(0, 60)
      .map(({ heading, text }) => `## ${heading}\n\n${text}`)
      .join('\n\n'),
  );
  standOf('A draft', doc, yardstick, []);
  let turn = 0;
  const changed = await medianMs(20, () => {
    const at = 1 + ((turn++ * 2) % (doc.childCount - 1));
    const block = doc.child(at);
    doc = doc.copy(doc.content.replaceChild(at, block.type.create(block.attrs, schema.text(`${block.textContent} And ${turn} more.`))));
    return standOf('A draft', doc, yardstick, []);
  });

  const pieces = Array.from({ length: PIECES }, (_, n) => ({
    title: `Piece ${n}`,
    shingles: Uint32Array.from(shinglesOf(shaken(pageOf(1000 + n, PIECE_WORDS), n)).map(({ hash }) => hash)),
  }));
  const draft = postFromMarkdown(pageOf(5, PIECE_WORDS).replace(/<[^>]+>/g, '\n\n'));
  const post = { doc: draft, details: emptyDetails() };
  const alone = await medianMs(5, () => proof(post));
  const withPieces = await medianMs(5, () => {
    const own = new Set(stretchesOf(draft).flatMap(({ text }) => shinglesOf(text).map(({ hash }) => hash)));
    const sharing = pieces.flatMap(({ title, shingles }) => {
      const shared = sharedShingles(own, shingles);
      return shared.length ? [{ title, shingles: new Set(shared) }] : [];
    });
    return proof({ ...post, pieces: sharing });
  });

  return [
    {
      what: `A yardstick of ${PAGES} pages of ${WORDS.toLocaleString('en')} words: measured, off-purpose ones told, matters and terms found`,
      value: whole,
      unit: 'ms',
      most: 2000,
      against: `${beside}, ${(whole / cut).toFixed(1)} times`,
    },
    {
      what: 'How a draft stands after a changed paragraph',
      value: changed,
      unit: 'ms',
      most: 50,
      against: `${beside}, ${(changed / cut).toFixed(2)} times`,
    },
    {
      what: `Own words against ${PIECES.toLocaleString('en')} pieces of ${PIECE_WORDS.toLocaleString('en')} words`,
      value: Math.max(0, withPieces - alone),
      unit: 'ms',
      most: 300,
      against: `a proof without them: ${alone.toFixed(0)} ms`,
    },
    ...(await linkFigures()),
  ];
}

async function linkFigures(): Promise<Figure[]> {
  const site = createServer((request, answer) => {
    if (request.url !== '/never') setTimeout(() => answer.end(), 50);
  }).listen(0, '127.0.0.1');
  await once(site, 'listening');
  const host = `127.0.0.1:${(site.address() as AddressInfo).port}`;
  const server = await startServer({ env: { EVEN_PAGE_FETCH_ALLOW: host, EVEN_PAGE_LINK_SECONDS: '3' } });
  const timed = async (addresses: string[]) => {
    const begun = performance.now();
    await server.call('/links', { method: 'POST', body: { addresses, again: true } });
    return performance.now() - begun;
  };
  try {
    const one = await timed([`http://${host}/one`]);
    const links = Array.from({ length: LINKS }, (_, n) => `http://${host}/${n}`);
    const all = await timed(links);
    const withSilent = await timed([...links, `http://${host}/never`]);
    return [
      {
        what: `${LINKS} links on a server that answers in 50 ms`,
        value: all,
        unit: 'ms',
        most: 2000,
        against: `one link alone: ${one.toFixed(0)} ms`,
      },
      {
        what: 'What one more that never answers adds, whose time is 3 s',
        value: withSilent - all,
        unit: 'ms',
        most: 3200,
        against: `without it: ${all.toFixed(0)} ms`,
      },
    ];
  } finally {
    await server.stop();
    site.closeAllConnections();
    site.close();
  }
}
