import type { Usage } from './usage.ts';

// Where a clause begins: behind other words, "there" and "this" may belong to those.
const OPENS = String.raw`(?<=^|[.!?,;:–—]\s|\b(?:and|but|so|because|think|know|hope|say|said)\s)`;
const opening = (words: string) => new RegExp(`${OPENS}${words}\\b`, 'giu');

/** Words that are written for others that sound the same: the pattern, and what was meant; `$1` is what the first bracket holds. */
const CONFUSED: readonly (readonly [RegExp, string])[] = [
  [/\byour (welcome to|welcome at|going to|invited to|not going|probably|about to|always welcome)\b/gi, 'you’re $1'],
  [/\bits (the|a|an|been|going to)\b(?![’'-])/gi, 'it’s $1'],
  [opening('there (going to|coming (?:back|along|with)|not going)'), 'they’re $1'],
  [/\bwhose (coming|going|been)\b/gi, 'who’s $1'],
  [opening('lets (go|see|start|look|begin|make|take|try|talk|have)'), 'let’s $1'],
  [/\b(rather) then\b/gi, '$1 than'],
  // "Once more, then a drop" is right.
  [/(?<!\b(?:once|some|bit|little|each|the|any) )\b(more|less|fewer) then(?= (?:\d|an?\b|one|half|enough|ever|usual|likely))/gi, '$1 than'],
  [
    /\b(to|will|can|could|would|might|don['’]t|you|we|they|not) loose(?= (?:the|your|any|it|them|a|an|my|our|their|his|her)\b)/gi,
    '$1 lose',
  ],
];

/** Words written for others that sound the same (own list; common practice, no source). */
export const confusionsIn = (text: string): Usage[] =>
  CONFUSED.flatMap(([pattern, meant]) =>
    Array.from(text.matchAll(pattern), (m): Usage => {
      const [words] = m;
      const instead = meant.replace('$1', m[1] ?? '');
      // What opened a sentence goes on opening it.
      const cased = /^\p{Lu}/u.test(words) ? instead.charAt(0).toUpperCase() + instead.slice(1) : instead;
      return { rule: 'grammar', from: m.index, to: m.index + words.length, says: `“${cased}” is meant.`, instead: [cased] };
    }),
  );
