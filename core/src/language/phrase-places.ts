const PART = /[\p{L}\p{N}]/u;

/** A text as phrases are looked for in it: lower case with straight apostrophes, letter for letter. */
export const plainLetters = (text: string): string => text.toLowerCase().replaceAll('’', "'");

/** Where a phrase stands in a text as whole words; both in plain letters. */
export function phrasePlaces(text: string, phrase: string): number[] {
  const found: number[] = [];
  for (let at = text.indexOf(phrase); phrase && at >= 0; at = text.indexOf(phrase, at + 1)) {
    const isPart = (inside: string | undefined, outside: string | undefined) => PART.test(inside ?? '') && PART.test(outside ?? '');
    const end = at + phrase.length;
    if (!isPart(phrase[0], text[at - 1]) && !isPart(phrase.at(-1), text[end])) found.push(at);
  }
  return found;
}
