import { SAID_TWICE } from '../language/said-twice.ts';
import { normal } from '../language/terms.ts';
import { words } from '../language/words.ts';
import { FILLER_SOUND } from './fillers.ts';
import type { Finder, Searched } from './finder.ts';

const GOES = new Set(['in', 'out', 'up', 'down', 'off', 'on', 'away', 'back', 'round', 'over', 'through']);
const SUBJECT = new Set(['it', 'they', 'he', 'she', 'we', 'you', 'i']);
// Phrases of up to four words, the longest first.
const LENGTHS = [4, 3, 2, 1];
const GAP = /^(?!.*\n\s*\n)(?:[\s,–—-]|\.\.\.|…)*$/s;
const SOUNDS = new RegExp(`(?<![a-z])${FILLER_SOUND}(?![a-z])`, 'gi');
const SOUND = new RegExp(`^${FILLER_SOUND}$`, 'i');

/** Doubled words and phrases: "the the", "we went, um, we went". The second of the two goes. */
export const doubled: Finder = ({ flow, ...material }) => {
  // A sound between the two sayings does not make them strangers.
  const heard = material.said.flatMap((word, i) => (SOUND.test(word) ? [] : [i]));
  const [all, said] = [heard.map((i) => material.words[i]!), heard.map((i) => material.said[i]!)];
  const isAgain = (i: number, length: number) => said[i] === said[i + length] && saysAgain(flow.text, { words: all, said }, i, length);
  const found = [];
  for (let i = 0; i + 1 < all.length;) {
    const length = LENGTHS.find((n) => isAgain(i, n));
    if (!length) {
      i++;
      continue;
    }
    let times = 2;
    while (isAgain(i + (times - 1) * length, length)) times++;
    const from = all[i + length - 1]!.to;
    found.push({ kind: 'doubled' as const, from, to: all[i + times * length - 1]!.to, after: '', reason: 'Said twice' });
    i += times * length;
  }
  return found;
};

// Whether the `length` words from word i on are said again at once.
function saysAgain(text: string, { words: all, said }: Pick<Searched, 'words' | 'said'>, i: number, length: number): boolean {
  if (i + 2 * length > all.length) return false;
  for (let k = i; k < i + length; k++) if (said[k] !== said[k + length]) return false;
  // One word over and over is no phrase: a run of it is for a listen.
  if (length > 1 && said.slice(i, i + length).every((word) => word === said[i])) return false;
  if (length === 1 && (SAID_TWICE.has(said[i]!) || /\d/.test(said[i]!))) return false;
  // "Round and round and", "one here and one here, and": a list, and no stumble.
  if (length > 1 && /^(?:and|or)$/.test(said[i + length - 1]!)) return false;
  // "You lay two in, in they go": the second one begins something new.
  if (length === 1 && GOES.has(said[i]!) && SUBJECT.has(said[i + 2] ?? '')) return false;
  // Only white space, a comma, a dash or a sound may stand between: across a full stop or a paragraph it is style.
  for (let k = i; k < i + 2 * length - 1; k++) {
    if (!GAP.test(text.slice(all[k]!.to, all[k + 1]!.from).replace(SOUNDS, ''))) return false;
  }
  return true;
}

const SECOND = '(?:the|an?|my|your|our|their|this|that|these|those)';
// "The, my glue"; "it's a, it's an old chair": nothing ends in an article.
const BEGUN = new RegExp(
  String.raw`(?<![\p{L}\p{N}’'-])(?:(?:the|an?|my|your|our|their),\s+(?=${SECOND}\s+\p{L})|((?:[\p{L}’']+\s+){1,3})(?:the|an?|my|your|our|their),\s+(?=\1${SECOND}\s+\p{L}))`,
  'giu',
);

/** Things and clauses begun twice, the second time with another small word. The first goes. */
export const begunTwice: Finder = ({ flow: { text } }) =>
  Array.from(text.matchAll(BEGUN))
    // "Vitamin A, the one in carrots"
    .filter((m) => !/^A,/.test(m[0]) || /(?:^|[.!?…]["'”’)]*\s+|\n)$/.test(text.slice(Math.max(0, m.index - 4), m.index)))
    .map((m) => {
      const to = m.index + m[0].length;
      const first = m[0][0]!;
      const next = text[to]!;
      const hasCapital = first !== first.toLowerCase() && next === next.toLowerCase();
      return {
        kind: 'doubled' as const,
        from: m.index,
        to: hasCapital ? to + 1 : to,
        after: hasCapital ? next.toUpperCase() : '',
        reason: 'Begun twice',
      };
    });

const CUT_OFF = /(?<![\p{L}\p{N}’'-])(\p{L}{1,12})(?:-|—|–|--|\.\.\.|…)[,]?\s+(?:(?:[\p{L}’']+\s+){0,3}?)(?=\p{L})/gu;

/** Starts that were cut off: "the bl- the blade", "I w— I went". What was begun goes, the second start stays. */
export const cutOff: Finder = ({ flow }) =>
  Array.from(flow.text.matchAll(CUT_OFF)).flatMap((m) => {
    const begun = m[1]!.toLowerCase();
    const after = flow.text.slice(m.index + m[0].length - (m[0].length - m[0].trimEnd().length));
    const rest = words(flow.text.slice(m.index + m[1]!.length, m.index + m[1]!.length + 60)).slice(0, 4);
    const again = rest.findIndex((w) => normal(w.text).startsWith(begun) && (normal(w.text) !== begun || begun.length < 4));
    if (again < 0 || !after) return [];
    const offset = m.index + m[1]!.length;
    // The words between the two starts were said before the first as well: "the bl- the blade".
    const between = rest.slice(0, again).map((w) => normal(w.text));
    const before = words(flow.text.slice(Math.max(0, m.index - 40), m.index)).slice(-between.length || Infinity);
    const said = before.map((w) => normal(w.text));
    if (between.length && between.some((w, i) => said[i] !== w)) return [];
    const to = offset + rest[0]!.from;
    const from = between.length ? Math.max(0, m.index - 40) + before[0]!.from : m.index;
    const first = flow.text[from]!;
    const next = flow.text[to]!;
    const keepsCapital = first !== first.toLowerCase() && next === next.toLowerCase();
    return [
      {
        kind: 'doubled' as const,
        from,
        to: keepsCapital ? to + 1 : to,
        after: keepsCapital ? next.toUpperCase() : '',
        reason: 'Begun twice',
      },
    ];
  });
