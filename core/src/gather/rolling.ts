import { splitSpeaker, type SaidBy } from './speaker.ts';
import type { Passage } from './source.ts';

// So many of the cues show words of the one before again, and more, before captions are taken to roll.
const SHARE = 0.3;
const FEWEST_CUES = 2;
// Words shown again: a line of them; of a cue of one word, that word.
const FEWEST_WORDS = 2;
// A word or two more in a line that grows are no cue of their own.
const GROWTH = 2;

/**
 * Captions as they were said. Those made by machines roll: each cue shows the last line or two again, or grows word by word.
 * Their words come once, with the time they were first shown. Other captions come back as they are.
 */
export function onceSaid(cues: readonly Passage[]): Passage[] {
  const shown = cues.map(({ text }) => text.split(/\s+/).filter(Boolean));
  const again = shown.map((own, i) => (i ? shownAgain(shown[i - 1]!, own) : 0));
  const rolls = again.filter((k, i) => k > 0 && (k < shown[i]!.length || k < shown[i - 1]!.length)).length;
  if (rolls < FEWEST_CUES || rolls < SHARE * (cues.length - 1)) return [...cues];
  const said: Passage[] = [];
  cues.forEach((cue, i) => {
    const fresh = shown[i]!.slice(again[i]);
    if (!fresh.length) return;
    const last = said.at(-1);
    if (again[i]! > 0 && again[i] === shown[i - 1]!.length && fresh.length <= GROWTH && last) {
      last.text += ` ${fresh.join(' ')}`;
      if (cue.endMs !== undefined) last.endMs = cue.endMs;
    } else if (again[i]) {
      const { taken: _, ...rest }: Passage & SaidBy = cue;
      said.push({ ...rest, ...splitSpeaker(fresh.join(' ')) });
    } else said.push({ ...cue });
  });
  return said;
}

/** How many words at the end of a cue the next one shows again at its start. */
function shownAgain(before: readonly string[], own: readonly string[]): number {
  for (let k = Math.min(before.length, own.length); k > 0; k--) {
    if (k < FEWEST_WORDS && k < before.length) break;
    let same = 0;
    while (same < k && before[before.length - k + same]!.toLowerCase() === own[same]!.toLowerCase()) same++;
    if (same === k) return k;
  }
  return 0;
}
