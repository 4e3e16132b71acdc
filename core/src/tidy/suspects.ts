import type { Edit } from './edit.ts';
import type { Finder, Searched } from './finder.ts';

type Doubt = { from: number; to: number; reason: string };

// A word so many times in a row, or a phrase, is the machine's stammer.
const RUN = 4;
const PHRASE_RUNS = 3;
const PHRASE_WORDS = [2, 3, 4, 5, 6, 7, 8];
// A window of so many words, of which so few are known, is another language or noise.
const WINDOW = 14;
const FEW_KNOWN = 0.35;

/** Suspect passages, for a listen: runs of one word, phrases that go round, another script, words that are no English. */
export const suspects: Finder = (material) => {
  const stretches = [...runs(material), ...otherScript(material.flow.text), ...unknown(material)];
  const found: Omit<Edit, 'before'>[] = [];
  for (const { from, to, reason } of stretches.sort((a, b) => a.from - b.from)) {
    const before = found.at(-1);
    if (before && from < before.to) continue;
    found.push({ kind: 'suspect', from, to, after: material.flow.text.slice(from, to), reason });
  }
  return found;
};

function runs({ words: all, said }: Searched): Doubt[] {
  const found: Doubt[] = [];
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
  let same = 0;
  while (i + n + same < said.length && said[i + same] === said[i + n + same]) same++;
  return 1 + Math.floor(same / n);
}

const OTHER =
  /[\p{Script=Cyrillic}\p{Script=Greek}\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Script=Thai}\p{Script=Devanagari}](?:[^\p{Script=Latin}\n]*[\p{Script=Cyrillic}\p{Script=Greek}\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Script=Thai}\p{Script=Devanagari}])?/gu;

function otherScript(text: string): Doubt[] {
  const others = Array.from(text.matchAll(OTHER));
  if (!others.length) return [];
  const letters = text.match(/\p{L}/gu)?.length ?? 0;
  const latin = text.match(/\p{Script=Latin}/gu)?.length ?? 0;
  // A text in another script throughout is no accident.
  if (latin < letters * 0.7) return [];
  return others.map((m) => ({ from: m.index, to: m.index + m[0].length, reason: 'Another script' }));
}

function unknown({ words: all, said, model }: Searched): Doubt[] {
  if (!model || all.length < WINDOW * 4) return [];
  const known = said.map((word) => (model.words.has(word) || /\d/.test(word) || model.lists(word) & 0b111101 ? 1 : 0));
  const total = known.reduce<number>((sum, k) => sum + k, 0);
  if (total < known.length * 0.6) return [];
  const found: Doubt[] = [];
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
