import { phrasePlaces } from '../language/phrase-places.ts';
import { stem } from '../language/terms.ts';
import { words, type Word } from '../language/words.ts';
import type { Ready } from './check.ts';
import type { Stretch } from './stretches.ts';

/** The words people would look for, as the writer's brief has them; empty when it says none. */
export const phraseOf = ({ details }: Pick<Ready, 'details'>): string => details.brief?.phrase?.trim() ?? '';

// A stretch never changes: another stands in its place.
const known = new WeakMap<Stretch, { phrase: string; at: Word[] }>();

/** Where a phrase stands in a stretch of the page. */
export function phraseAt(stretch: Stretch, phrase: string): Word[] {
  let found = known.get(stretch);
  if (found?.phrase !== phrase) known.set(stretch, (found = { phrase, at: phrasePlaces(stretch.text, [phrase]) }));
  return found.at;
}

/** Whether a text says all words of a phrase, in whatever form and order, as titles and slugs do. */
export function saysPhrase(text: string, phrase: string): boolean {
  const said = new Set(words(text.replaceAll('-', ' ')).map((w) => stem(w.text)));
  const wanted = words(phrase.replaceAll('-', ' ')).map((w) => stem(w.text));
  return wanted.length > 0 && wanted.every((word) => said.has(word));
}
