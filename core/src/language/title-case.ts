// Words that stay small inside a heading in title case: articles, conjunctions, short prepositions (common practice, no source).
const SMALL = new Set('a an the and but or nor for so yet as at by if in of off on per to up via vs with from into onto over'.split(' '));

/**
 * A heading in title case: every word begins with a capital but articles, conjunctions and short prepositions inside
 * it. Words that have a capital of their own are left as they are.
 */
export function titleCase(heading: string): string {
  const words = [...heading.matchAll(/[\p{L}\p{N}][\p{L}\p{N}’'-]*/gu)];
  return words.reduceRight((text, { 0: word, index }, i) => {
    const isInside = i > 0 && i < words.length - 1 && !/[:.?!]\s*$/.test(text.slice(0, index));
    if ((isInside && SMALL.has(word.toLowerCase())) || /\p{Lu}/u.test(word)) return text;
    return text.slice(0, index) + word.charAt(0).toUpperCase() + text.slice(index + 1);
  }, heading);
}
