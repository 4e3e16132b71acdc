import { normal } from '../language/terms.ts';
import { words, type Word } from '../language/words.ts';
import type { Edit } from './edit.ts';
import type { Finder, Material } from './finders.ts';
import { listsOf } from './marks/lexicon.ts';

type Stretch = { from: number; to: number; reason: string };

// A word so many times in a row, or a phrase, is the machine's stammer.
const RUN = 4;
const PHRASE_RUNS = 3;
const PHRASE_WORDS = [2, 3, 4, 5, 6, 7, 8];
// A window of so many words, of which so few are known, is another language or noise.
const WINDOW = 14;
const FEW_KNOWN = 0.35;

/** Suspect passages, for a listen: runs of one word, phrases that go round, another script, words that are no English. */
export const suspects: Finder = (material) => {
  const all = words(material.flow.text);
  const stretches = [...runs(all), ...otherScript(material.flow.text), ...unknown(all, material)];
  const found: Omit<Edit, 'before'>[] = [];
  for (const { from, to, reason } of stretches.sort((a, b) => a.from - b.from)) {
    const before = found.at(-1);
    if (before && from < before.to) continue;
    found.push({ kind: 'suspect', from, to, after: material.flow.text.slice(from, to), reason });
  }
  return found;
};

function runs(all: readonly Word[]): Stretch[] {
  const said = all.map((w) => normal(w.text));
  const found: Stretch[] = [];
  for (let i = 0; i < said.length;) {
    const length = [1, ...PHRASE_WORDS].find((n) => repeats(said, i, n) >= (n === 1 ? RUN : PHRASE_RUNS));
    if (!length) {
      i++;
      continue;
    }
    const end = i + length * repeats(said, i, length);
    found.push({ from: all[i]!.from, to: all[end - 1]!.to, reason: length === 1 ? 'One word over and over' : 'The same words go round' });
    i = end;
  }
  return found;
}

/** How often the n words from i on are said in a row. */
function repeats(said: readonly string[], i: number, n: number): number {
  let times = 1;
  while (said.length >= i + (times + 1) * n && said.slice(i, i + n).every((word, k) => word === said[i + times * n + k])) times++;
  return times;
}

const OTHER =
  /[\p{Script=Cyrillic}\p{Script=Greek}\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Script=Thai}\p{Script=Devanagari}](?:[^\p{Script=Latin}\n]*[\p{Script=Cyrillic}\p{Script=Greek}\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Script=Thai}\p{Script=Devanagari}])?/gu;

function otherScript(text: string): Stretch[] {
  const letters = text.match(/\p{L}/gu)?.length ?? 0;
  const latin = text.match(/\p{Script=Latin}/gu)?.length ?? 0;
  // A text in another script throughout is no accident.
  if (latin < letters * 0.7) return [];
  return Array.from(text.matchAll(OTHER), (m) => ({ from: m.index, to: m.index + m[0].length, reason: 'Another script' }));
}

function unknown(all: readonly Word[], { model }: Material): Stretch[] {
  if (!model || all.length < WINDOW * 4) return [];
  const memo = new Map<string, number>();
  const isKnown = (word: string) => {
    const n = normal(word);
    if (!memo.has(n)) memo.set(n, model.words.has(n) || /\d/.test(n) || listsOf(n, model.filters) & 0b111101 ? 1 : 0);
    return memo.get(n)!;
  };
  const known = all.map((w) => isKnown(w.text));
  const total = known.reduce((sum, k) => sum + k, 0);
  if (total < known.length * 0.6) return [];
  const found: Stretch[] = [];
  let inWindow = 0;
  for (let i = 0; i < known.length; i++) {
    inWindow += known[i]! - (known[i - WINDOW] ?? 0);
    if (i + 1 < WINDOW || inWindow > WINDOW * FEW_KNOWN) continue;
    const first = all[i - WINDOW + 1]!;
    const before = found.at(-1);
    if (before && first.from <= before.to) before.to = all[i]!.to;
    else found.push({ from: first.from, to: all[i]!.to, reason: 'Words far outside the rest' });
  }
  return found;
}
