import type { Usage } from './usage.ts';

/** Words that are written for others that sound the same: the pattern, and what was meant; `$1` is what the first bracket holds. */
const CONFUSED: readonly (readonly [RegExp, string])[] = [
  [/\byour (welcome to|welcome at|going to|invited|not going|allowed|probably|about to|always welcome)\b/gi, 'you’re $1'],
  [/\bthere (going to|coming (?:back|along|with)|not going)\b/gi, 'they’re $1'],
  [/\bwhose (coming|going|there\?|been|responsible)/gi, 'who’s $1'],
  [/(?<=^|[.!?]\s)lets (go|see|start|look|begin|make|take|try|talk|have)\b/gi, 'let’s $1'],
  [/\b(rather|more|less|other|fewer) then (?=\p{L}|\d)/giu, '$1 than '],
  [/\b(to|will|can|could|would|might|don['’]t|you|we|they|not) loose (?=the|your|any|it|them|a|an|my|our|their|his|her)\b/gi, '$1 lose '],
  [/\bthis are\b/gi, 'these are'],
  [/\b(these|those) is\b/gi, '$1 are'],
];

/** Words written for others that sound the same (own list; common practice, no source). */
export const confusionsIn = (text: string): Usage[] =>
  CONFUSED.flatMap(([pattern, meant]) =>
    Array.from(text.matchAll(pattern), (m): Usage => {
      const words = m[0].trimEnd();
      const instead = meant.trimEnd().replace('$1', m[1] ?? '');
      // What opened a sentence goes on opening it.
      const cased = /^\p{Lu}/u.test(words) ? instead.charAt(0).toUpperCase() + instead.slice(1) : instead;
      return { rule: 'grammar', from: m.index, to: m.index + words.length, says: `“${cased}” is meant.`, instead: [cased] };
    }),
  );
