import type { Finder } from './finder.ts';
import { withoutWords } from './without-words.ts';

/** The sounds themselves, as a pattern for others to build on. */
export const FILLER_SOUND = String.raw`(?:u+m+|u+h+|a+h+|e+r+m*)`;

const FILLER = new RegExp(String.raw`(?<![\p{L}\p{N}’'-])${FILLER_SOUND}(?![\p{L}\p{N}’'-])`, 'giu');

/** Fillers that always go: um, uh, ah, er and their longer forms (common practice, no source). */
export const fillers: Finder = ({ flow }) =>
  Array.from(flow.text.matchAll(FILLER))
    // "ER" in capitals is a name (a hospital ward, a query), not a sound.
    .filter((m) => !/^[A-Z]{2,}$/.test(m[0]))
    .map((m) => ({
      kind: 'fillers' as const,
      ...withoutWords(flow.text, m.index, m.index + m[0].length),
      reason: `“${m[0].toLowerCase()}” carries nothing`,
    }));
