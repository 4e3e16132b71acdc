import { normal, stem } from '../../language/terms.ts';
import { words } from '../../language/words.ts';
import type { MaterialIndex } from '../find-in-material.ts';
import { likest } from './known-facts.ts';
import { terms } from '../../language/terms.ts';

type Stretch = { from: number; to: number; text: string };

/** A word as it is aligned: its stem, where it stands in its text, in which clause, and the denial that stands before it, if any. */
export type AlignedWord = Stretch & { stem: string; clause: number; denied: Stretch | null };

/** A statement beside the sentences of the material that say most nearly the same: `match` gives for each of its words the one there, or -1. */
export type Alignment = { own: AlignedWord[]; theirs: AlignedWord[]; match: number[]; text: string; sentences: number[] };

const DENIES = /^(?:not|no|never|none|nothing|nobody|neither|nor|without|hardly|seldom|nowt)(?:'s)?$/;
// The verb a contraction keeps: "can't" is "can" denied.
const CONTRACTED: Readonly<Record<string, string>> = { "can't": 'can', "won't": 'will', "shan't": 'shall', cannot: 'can', "ain't": 'is' };
const SHORT: Readonly<Record<string, string>> = { "'s": 'is', "'re": 'are', "'ll": 'will', "'ve": 'have', "'m": 'am' };
// Behind these "'s" is a verb; behind a name it says whose.
const IS = /^(?:it|he|she|that|this|there|here|what|who|where|how|everything|something)'s$/;
// Forms of one word that stems do not bring together (from memory).
const ONE: Readonly<Record<string, string>> = {
  feet: 'foot',
  does: 'do',
  did: 'do',
  ar: 'is',
  are: 'is',
  am: 'is',
  were: 'is',
  was: 'is',
  em: 'them',
  cause: 'because',
};

const stemOf = (word: string): string => ONE[word] ?? stem(word);

/** The words of a text for aligning: denials are no words of their own, contractions are opened. */
export function alignable(text: string): AlignedWord[] {
  const found: AlignedWord[] = [];
  let denied: Stretch | null = null;
  let clause = 0;
  let before = 0;
  for (const { text: word, from, to } of words(text)) {
    if (/[,;:.!?–—()]/.test(text.slice(before, from))) {
      // "What kind it is not": a denial at the end denies what it follows.
      if (denied && found.at(-1)?.clause === clause) found.at(-1)!.denied ??= denied;
      clause++;
      denied = null;
    }
    before = to;
    const n = normal(word);
    const at = { text: word, from, to };
    if (DENIES.test(n)) {
      denied ??= at;
      continue;
    }
    const verb = CONTRACTED[n] ?? (n.endsWith("n't") ? n.slice(0, -3) : undefined);
    if (verb !== undefined) {
      found.push({ stem: stemOf(verb), ...at, clause, denied });
      denied = at;
      continue;
    }
    const short = /^(.+?)('s|'re|'ll|'ve|'m)$/.exec(n);
    found.push({ stem: stemOf(short?.[1] ?? n), ...at, clause, denied });
    denied = null;
    if (short && (short[2] !== "'s" || IS.test(n))) found.push({ stem: stemOf(SHORT[short[2]!]!), ...at, clause, denied: null });
  }
  if (denied && found.at(-1)?.clause === clause) found.at(-1)!.denied ??= denied;
  return found;
}

// Half of a statement's words, in their order: it says what that stretch says.
const SHARE = 0.5;
const FEWEST = 3;

type Around = { text: string; sentences: number[]; words: AlignedWord[]; stems: ReadonlySet<string> };
const seen = new WeakMap<MaterialIndex, Map<number, Around>>();

/** A sentence with those before and behind it, ready to be aligned with; made once. */
function around(index: MaterialIndex, n: number): Around {
  let all = seen.get(index);
  if (!all) seen.set(index, (all = new Map()));
  let found = all.get(n);
  if (!found) {
    const { source } = index.sentences[n]!;
    const sentences = [n - 1, n, n + 1].filter((k) => index.sentences[k]?.source === source);
    const text = sentences.map((k) => index.sentences[k]!.text).join(' ');
    const words = alignable(text);
    all.set(n, (found = { text, sentences, words, stems: new Set(words.map((w) => w.stem)) }));
  }
  return found;
}

/** Beside what a statement stands in the material; null when nothing there says nearly the same. */
export function alignmentOf(index: MaterialIndex, text: string, rests: readonly number[]): Alignment | null {
  const own = alignable(text);
  let best: Alignment | null = null;
  let most = Math.max(FEWEST, Math.ceil(own.length * SHARE)) - 1;
  for (const n of new Set([...likest(index, terms(text)), ...rests])) {
    const { text: said, sentences, words: theirs, stems } = around(index, n);
    // No more of its words can match than stand there at all.
    if (own.filter((word) => stems.has(word.stem)).length <= most) continue;
    const match = inOrder(own, theirs);
    const found = match.filter((m) => m >= 0).length;
    if (found > most) [best, most] = [{ own, theirs, match, text: said, sentences }, found];
    // Nothing says it better.
    if (found === own.length) break;
  }
  return best;
}

// Words that follow one another on both sides count for more than the same words far apart.
const TOGETHER = 2;
const ALONE = 4;

/** Which words two texts have in the same order, by dynamic programming (Needleman and Wunsch 1970, gaps free, runs favoured). */
function inOrder(a: readonly AlignedWord[], b: readonly AlignedWord[]): number[] {
  const width = b.length + 1;
  const best = new Uint16Array((a.length + 1) * width);
  // The best that begins with a match at this place; 0 where there is none.
  const run = new Uint16Array((a.length + 1) * width);
  for (let i = a.length - 1; i >= 0; i--)
    for (let k = b.length - 1; k >= 0; k--) {
      const at = i * width + k;
      const next = at + width + 1;
      if (a[i]!.stem === b[k]!.stem) run[at] = ALONE + Math.max(best[next]!, run[next]! && run[next]! + TOGETHER);
      best[at] = Math.max(run[at]!, best[at + width]!, best[at + 1]!);
    }
  const match = a.map(() => -1);
  for (let i = 0, k = 0, isInside = false; i < a.length && k < b.length;) {
    const at = i * width + k;
    const next = at + width + 1;
    if (run[at]! && (isInside || run[at] === best[at])) {
      match[i++] = k++;
      isInside = run[next]! > 0 && run[next]! + TOGETHER > best[next]!;
    } else if (best[at] === best[at + 1]) k++;
    else i++;
  }
  return match;
}

/**
 * What stands in the material where a stretch of the statement stands: between the words on both sides that both have, at
 * most `reach` away; one word where the statement begins or ends with it. Null when a side has none.
 */
export function placeThere({ own, theirs, match }: Alignment, from: number, to: number, reach: number): AlignedWord[] | null {
  const first = own.findIndex((w) => w.to > from);
  const last = own.findLastIndex((w) => w.from < to);
  if (first < 0 || last < 0) return null;
  const near = (at: number, step: 1 | -1) => {
    for (let n = 0; n < reach; n++) if ((match[at + n * step] ?? -1) >= 0) return match[at + n * step]!;
    return -1;
  };
  let [a, b] = [near(first - 1, -1), near(last + 1, 1)];
  if (a < 0 && first === 0 && b > 0) a = Math.max(-1, b - 2 - (last - first));
  else if (a < 0) return null;
  if (b < 0 && last === own.length - 1) b = Math.min(theirs.length, a + 2 + last - first);
  else if (b < 0) return null;
  return b - a > 2 * reach + (last - first) + 2 ? null : theirs.slice(a + 1, b);
}
