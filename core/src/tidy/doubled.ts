import { normal } from '../language/terms.ts';
import { words, type Word } from '../language/words.ts';
import { FILLER_SOUND } from './fillers.ts';
import type { Finder } from './finders.ts';

// Words that people do say twice and mean it.
const MEANT = new Set(['had', 'that', 'very', 'no', 'yes', 'bye', 'really', 'so', 'much', 'long', 'many', 'far', 'way', 'ha']);
const LONGEST = 4;
const GAP = /^(?:[\s,–—-]|\.\.\.|…)*$/;
const SOUNDS = new RegExp(`(?<![a-z])${FILLER_SOUND}(?![a-z])`, 'gi');
const SOUND = new RegExp(`^${FILLER_SOUND}$`, 'i');

/** Doubled words and phrases: "the the", "we went we went". The first of the two goes. */
export const doubled: Finder = ({ flow }) => {
  // A sound between the two sayings does not make them strangers.
  const all = words(flow.text).filter((w) => !SOUND.test(w.text));
  const found = [];
  for (let i = 0; i + 1 < all.length; ) {
    const length = repeatAt(flow.text, all, i);
    if (!length) {
      i++;
      continue;
    }
    const first = all[i]!;
    const again = all[i + length]!;
    // The second saying stays; it takes over the capital of the first.
    const second = flow.text[again.from]!;
    const capital = first.text[0] !== first.text[0]!.toLowerCase() && second === second.toLowerCase();
    found.push({
      kind: 'doubled' as const,
      from: first.from,
      to: again.from + (capital ? 1 : 0),
      after: capital ? second.toUpperCase() : '',
      reason: 'Said twice',
    });
    i += length;
  }
  return found;
};

// How many words from word i on are said again at once; 0 when they are not.
function repeatAt(text: string, all: Word[], i: number): number {
  for (let length = LONGEST; length > 0; length--) {
    const last = all[i + 2 * length - 1];
    if (!last) continue;
    let same = true;
    for (let k = 0; same && k < length; k++) same = normal(all[i + k]!.text) === normal(all[i + length + k]!.text);
    if (!same) continue;
    if (length === 1 && (MEANT.has(normal(all[i]!.text)) || /\d/.test(all[i]!.text))) continue;
    // Only white space, a comma or a dash may stand between: across a full stop it is style.
    let close = true;
    for (let k = i; close && k < i + length; k++) close = GAP.test(text.slice(all[k]!.to, all[k + 1]!.from).replace(SOUNDS, ''));
    if (close) return length;
  }
  return 0;
}
