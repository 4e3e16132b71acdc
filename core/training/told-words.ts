// The talks of told/ and talks/ as words in lower case with their marks, as they were said and as an editor would write them,
// for tune.py. Run: npx tsx core/training/told-words.ts MARKS_BIN OUT
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { readModel } from '@even-page/core/tidy/marks/model';
import { markedWords } from './marks.ts';
import { PARTS, textOf, toldTalks, weighed } from './told.ts';

const [marksFile, out] = process.argv.slice(2) as [string, string];
const { lists } = readModel(new Uint8Array(readFileSync(marksFile)));

const folder = new URL('talks/', import.meta.url);
const texts = [
  ...PARTS.flatMap((part) => [
    ...toldTalks(part).map((talk) => ({ part, number: talk.number, kind: 'said', text: textOf(talk) })),
    ...toldTalks(part).map((talk, n) => ({ part, number: talk.number, kind: 'written', text: written(weighed(part)[n]!) })),
  ]),
  ...readdirSync(folder).map((name) => ({
    part: 'written on',
    number: name,
    kind: 'said',
    text: readFileSync(new URL(name, folder), 'utf8'),
  })),
];

function written(talk: ReturnType<typeof weighed>[number]): string {
  return talk.flatMap((s) => s.written || []).join(' ');
}

const documents = texts.map(({ text, ...of }) => {
  const marked = markedWords(text);
  return { ...of, words: marked.map((w) => w.word).join(' '), marks: marked.map((w) => w.mark), names: marked.map((w) => w.name) };
});
const all = new Set(documents.flatMap((d) => d.words.split(' ')));
writeFileSync(`${out}/told.jsonl`, documents.map((d) => JSON.stringify(d)).join('\n'));
writeFileSync(`${out}/told-lists.json`, JSON.stringify(Object.fromEntries(Array.from(all, (word) => [word, lists(word)]))));
