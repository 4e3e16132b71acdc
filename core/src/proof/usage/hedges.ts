import type { Usage } from './usage.ts';

// Words that take back what they stand beside (own list; common practice, no source). Those that also say how much or how often are none.
const HEDGES =
  /\b(?:actually|basically|essentially|arguably|somewhat|seemingly|supposedly|presumably|virtually|practically speaking|so to speak|as it were|more or less|kind of|sort of|to some extent|in a way|in some ways|it (?:could|might) be (?:said|argued) that|it seems (?:to me )?that|i (?:would|'d|’d) (?:say|argue) that|i (?:think|guess|suppose) that|in my (?:humble )?opinion|needless to say)\b/gi;

/** Words of a text that take back what they stand beside. */
export const hedgesIn = (text: string): Usage[] =>
  Array.from(text.matchAll(HEDGES), (m): Usage => ({ rule: 'hedge', from: m.index, to: m.index + m[0].length, says: '', instead: [] }));
