import { normal } from '../language/terms.ts';
import { words, type Word } from '../language/words.ts';
import { FILLER_SOUND } from './fillers.ts';
import type { Finder } from './finders.ts';

// Words that people do say twice and mean it.
const MEANT = new Set(['had', 'that', 'very', 'no', 'yes', 'bye', 'really', 'so', 'much', 'long', 'many', 'far', 'way', 'ha']);
// Phrases of up to four words, the longest first.
const LENGTHS = [4, 3, 2, 1];
const GAP = /^(?!.*\n\s*\n)(?:[\s,–—-]|\.\.\.|…)*$/s;
const SOUNDS = new RegExp(`(?<![a-z])${FILLER_SOUND}(?![a-z])`, 'gi');
const SOUND = new RegExp(`^${FILLER_SOUND}$`, 'i');

/** Doubled words and phrases: "the the", "we went, um, we went". The second of the two goes. */
export const doubled: Finder = ({ flow }) => {
  // A sound between the two sayings does not make them strangers.
  const all = words(flow.text).filter((w) => !SOUND.test(w.text));
  const found = [];
  for (let i = 0; i + 1 < all.length;) {
    const length = LENGTHS.find((n) => saysAgain(flow.text, all, i, n));
    if (!length) {
      i++;
      continue;
    }
    let said = 2;
    while (saysAgain(flow.text, all, i + (said - 1) * length, length)) said++;
    const from = all[i + length - 1]!.to;
    found.push({ kind: 'doubled' as const, from, to: all[i + said * length - 1]!.to, after: '', reason: 'Said twice' });
    i += said * length;
  }
  return found;
};

// Whether the `length` words from word i on are said again at once.
function saysAgain(text: string, all: readonly Word[], i: number, length: number): boolean {
  if (i + 2 * length > all.length) return false;
  for (let k = i; k < i + length; k++) if (normal(all[k]!.text) !== normal(all[k + length]!.text)) return false;
  if (length === 1 && (MEANT.has(normal(all[i]!.text)) || /\d/.test(all[i]!.text))) return false;
  // Only white space, a comma, a dash or a sound may stand between: across a full stop or a paragraph it is style.
  for (let k = i; k < i + 2 * length - 1; k++) {
    if (!GAP.test(text.slice(all[k]!.to, all[k + 1]!.from).replace(SOUNDS, ''))) return false;
  }
  return true;
}
