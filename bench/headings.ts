import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { gather } from '../core/src/gather/formats.ts';
import { sentences } from '@even-page/core/language/sentences';
import { terms } from '@even-page/core/language/terms';
import { incomingFrom } from '../core/src/shape/read-outline.ts';
import type { Incoming } from '../core/src/shape/incoming.ts';
import { readSubjects } from '../core/src/shape/cut/subjects.ts';
import { proposeHeadings } from '../core/src/shape/headings.ts';
import { plainText } from '@even-page/core/post/sections';
import type { Figure } from './measure.ts';

const subjects = readSubjects(readFileSync(new URL('../core/data/subjects.bin', import.meta.url)));

// Texts with headings under free licences, read where Debian has put them: `rust-doc` (MIT or Apache 2.0), the Rust
// book, `debian-faq` (GPL 2), questions for everybody, and `gnucash-docs` (GFDL 1.1), a guide to keeping accounts, which
// the code was never tried on while it was made.
const TEXTS = {
  'the Rust book': { folder: process.env.RUST_BOOK ?? '/usr/share/doc/rust-doc/html/book', pages: /^ch\d\d-\d\d.*\.html$/ },
  'a guide to keeping accounts': {
    folder: process.env.ACCOUNTS_GUIDE ?? '/usr/share/doc/gnucash-docs/gnucash-guide-en',
    pages: /\.html$/,
  },
  'the FAQ of Debian': { folder: process.env.DEBIAN_FAQ ?? '/usr/share/doc/debian/FAQ', pages: /\.en\.html$/ },
} as const;

const FEWEST_WORDS = 60;

/** How many sections have a content word of their real heading in one of the headings proposed for them. */
export async function headingFigures(): Promise<Figure[]> {
  const figures: Figure[] = [];
  for (const [name, { folder, pages }] of Object.entries(TEXTS)) {
    if (!existsSync(folder)) {
      console.log(`No headings were measured on ${name}: install its Debian package (looked for in ${folder}).`);
      continue;
    }
    const hits = { own: 0, first: 0, nine: 0, noun: 0, all: 0 };
    for (const page of readdirSync(folder).filter((f) => pages.test(f))) {
      const { draft } = await gather(readFileSync(`${folder}/${page}`), page);
      const parts = draft ? incomingFrom(draft.doc).filter(isLongEnough) : [];
      const said = parts.map((part) =>
        part.blocks.filter((b) => b.type.name !== 'codeBlock').flatMap((b) => sentences(plainText(b)).map((s) => s.text)),
      );
      if (!said.length) continue;
      const proposed = proposeHeadings(said, subjects);
      parts.forEach(({ heading }, n) => {
        const real = new Set(terms(heading));
        if (!real.size) return;
        const shares = (text: string) => Number(terms(text).some((t) => real.has(t)));
        hits.all++;
        hits.own += Math.max(...proposed[n]!.map(shares));
        hits.first += shares(said[n]![0]!);
        hits.nine += shares(said[n]![0]!.split(/\s+/).slice(0, 9).join(' '));
        hits.noun += shares(mostFrequent(said[n]!));
      });
    }
    const percent = (n: number) => (100 * n) / hits.all;
    figures.push({
      what: `Headings that share a word with the real one, ${hits.all} sections of ${name}`,
      value: percent(hits.own),
      unit: '%',
      least: Math.max(percent(hits.first), percent(hits.noun)),
      against: `the whole first sentence ${percent(hits.first).toFixed(1)}, its first nine words ${percent(hits.nine).toFixed(1)}, the most frequent word ${percent(hits.noun).toFixed(1)}`,
    });
  }
  return figures;
}

const isLongEnough = ({ heading, blocks }: Incoming): boolean =>
  heading !== '' && blocks.reduce((sum, b) => sum + plainText(b).split(/\s+/).length, 0) >= FEWEST_WORDS;

function mostFrequent(said: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const term of said.flatMap((s) => terms(s))) counts.set(term, (counts.get(term) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? '';
}
