import { diffArrays } from 'diff';
import { normal, terms } from '../../language/terms.ts';
import { type Word, words } from '../../language/words.ts';
import { type Known, likest, normalWords } from './known-facts.ts';
import type { Doubt, Statement } from './statement.ts';

// Fewer words in quotation marks are a term, not what somebody said.
const FEWEST_WORDS = 4;
const QUOTED = /[“"]([^“”"]+)[”"]/gu;
// What shares so much with what was said (Dice 1945, of words in their order) is meant to be that.
const ALIKE = 0.6;

/** Words in quotation marks that nobody said so, with what was said where that is nearly the same. */
export function unsaidQuotations({ text }: Statement, known: Known): Doubt[] {
  return [...text.matchAll(QUOTED)].flatMap((m): Doubt[] => {
    const said = normalWords(m[1]!);
    if (said.length < FEWEST_WORDS || known.run.includes(` ${said.join(' ')} `)) return [];
    const [near] = likest(known.index, terms(m[1]!));
    const doubt: Doubt = { kind: 'quotation', from: m.index, to: m.index + m[0].length, says: m[1]!, elsewhere: null, near: [] };
    const meant = near === undefined ? null : likeStretch(m[1]!, near, known);
    return [meant ? { ...doubt, near: [near!], meant } : doubt];
  });
}

/** The words said at a sentence, or at it and its neighbour, that a quotation is nearly like, as they stand there; null when it is not. */
function likeStretch(quoted: string, near: number, known: Known): string | null {
  const { sentences } = known.index;
  const text = (from: number, to: number) =>
    sentences
      .slice(Math.max(0, from), to + 1)
      .filter(({ source }) => source === sentences[near]!.source)
      .map((sentence) => sentence.text)
      .join(' ');
  const [best] = [text(near, near), text(near, near + 1), text(near - 1, near)]
    .flatMap((said) => stretchIn(said, quoted) ?? [])
    .sort((a, b) => b.alike - a.alike);
  return best && best.alike >= ALIKE ? best.text : null;
}

// An alignment keeps denials apart from words; between quotation marks they are words like others.
/** The stretch of what was said that a quotation was made of: from its first word to its last, with what stands there instead of those at its ends. */
function stretchIn(said: string, quoted: string): { text: string; alike: number } | null {
  const [there, wanted] = [words(said), words(quoted)];
  const plain = (all: readonly Word[]) => all.map((word) => normal(word.text));
  const kept: number[] = [];
  let [at, before, behind] = [0, 0, 0];
  for (const { added, removed, value } of diffArrays(plain(wanted), plain(there))) {
    if (!added && !removed) {
      kept.push(...value.map((_, n) => at + n));
      behind = 0;
    }
    if (removed) {
      if (!kept.length) before += value.length;
      behind += value.length;
    } else at += value.length;
  }
  if (!kept.length) return null;
  const from = Math.max(0, kept[0]! - before);
  const to = Math.min(there.length - 1, kept.at(-1)! + behind);
  return { text: said.slice(there[from]!.from, there[to]!.to), alike: (2 * kept.length) / (wanted.length + to - from + 1) };
}
