import { isContentWord } from '../../language/terms.ts';
import type { AlignedWord, Alignment } from './alignment.ts';
import type { Doubt } from './statement.ts';

/** So near to a denial must stand what both have. */
const REACH = 2;

/** Where a statement denies what the material says at this place, or says what the material denies there. */
export function denials(aligned: Alignment | null): Doubt[] {
  if (!aligned) return [];
  const { own, theirs, match, sentences } = aligned;
  const back = theirs.map(() => -1);
  match.forEach((k, i) => k >= 0 && (back[k] = i));
  const doubt = (at: { from: number; to: number; text: string }): Doubt => ({
    kind: 'denial',
    from: at.from,
    to: at.to,
    says: at.text,
    elsewhere: null,
    near: sentences,
  });
  const here = { words: own, match, isMaterial: false };
  const there = { words: theirs, match: back, isMaterial: true };
  for (const [i, word] of own.entries()) if (word.denied && isMissing(i, here, there, aligned.text)) return [doubt(word.denied)];
  for (const [k, word] of theirs.entries())
    if (word.denied && isMissing(k, there, here, aligned.text))
      return [doubt(own[[k, k + 1, k + 2].map((n) => back[n] ?? -1).find((i) => i >= 0)!]!)];
  for (const [i, word] of own.entries()) if (word.denied && isSaidOf(deniedBy(own, i), theirs, aligned.text)) return [doubt(word.denied)];
  return [];
}

/** The first word behind a denial that says something, in its clause. */
const deniedBy = (own: readonly AlignedWord[], at: number): AlignedWord | undefined =>
  own.slice(at, at + REACH + 1).find((word) => word.clause === own[at]!.clause && (isContentWord(word.text) || /\d/.test(word.text)));

/** Whether the material speaks of what is denied, and denies nothing of it wherever it does. */
function isSaidOf(word: AlignedWord | undefined, theirs: readonly AlignedWord[], said: string): boolean {
  const places = theirs.filter((other) => other.stem === word?.stem);
  if (!places.length) return false;
  return places.every(
    (place) => !theirs.some((other) => other.denied && other.clause === place.clause) && !/^[^.!?]*\?/.test(said.slice(place.to)),
  );
}

/** One side of an alignment. */
type Side = { words: readonly AlignedWord[]; match: readonly number[]; isMaterial: boolean };

const isClose = (a: AlignedWord, b: AlignedWord): boolean => Math.abs(a.clause - b.clause) <= REACH;

/** Whether the other side has the words around a denial, and denies nothing there. */
function isMissing(at: number, { words, match, isMaterial }: Side, other: Side, said: string): boolean {
  const { clause } = words[at]!;
  const near = (from: number, step: 1 | -1, reach: number, fits: (word: AlignedWord) => boolean) => {
    for (let n = 0; n < reach; n++) {
      const k = from + n * step;
      if (words[k]?.clause === clause && match[k]! >= 0 && fits(words[k]!)) return k;
    }
    return -1;
  };
  const start = words.findIndex((word) => word.clause === clause);
  const left = near(at - 1, -1, REACH, () => true);
  // What the material denies is told by a word that says something, or by all the words around.
  const follows = (k: number) => match[k]! >= 0 && match[k] === match[k - 1]! + 1;
  const isJoined = words[at + 1]?.clause !== clause || follows(at + 1);
  const isWhole = match[at]! >= 0 && isJoined && (at > start && follows(at) ? true : follows(at + 1) && follows(at + 2));
  const right = near(at, 1, isMaterial ? REACH + 1 : REACH, (word) => !isMaterial || isWhole || isContentWord(word.text));
  // Nothing both have stands before it in its clause, and it is near the beginning.
  const isFirst = at - start <= REACH + 1 && match.slice(start, at).every((m) => m < 0);
  if (right < 0 || (left < 0 && !isFirst)) return false;
  const [before, after] = [left < 0 ? -1 : match[left]!, match[right]!];
  if (before >= 0 && after - before > 2 * REACH) return false;
  const there = other.words;
  if (there.some((word) => word.denied && word.stem === words[at]!.stem && isClose(word, there[after]!))) return false;
  const around = new Set([there[after]!.clause, ...(before >= 0 ? [there[before]!.clause] : [])]);
  const from = (before >= 0 ? before : after) - REACH - 1;
  if (there.some((word, k) => word.denied && around.has(word.clause) && k >= from && k <= after + REACH + 1)) return false;
  // A question leaves it open.
  if (!isMaterial && /^[^.!?]*\?/.test(said.slice(there[after]!.to))) return false;
  // What is said both ways is not missing.
  const anchor = words[right]!;
  return isWhole || !words.some((word, n) => match[n]! < 0 && !word.denied && word.stem === anchor.stem && isClose(word, anchor));
}
