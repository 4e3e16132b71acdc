import retextEnglish from 'retext-english';
import retextSimplify from 'retext-simplify';
import { unified } from 'unified';
import { VFile } from 'vfile';

// The list of plainer words of retext-simplify (MIT), after the United States government's plain-language guidance.
const processor = unified().use(retextEnglish).use(retextSimplify).freeze();

/** A text with plainer words in place of those the list knows one for. */
export function plainer(text: string): string {
  const file = new VFile(text);
  processor.runSync(processor.parse(file), file);
  let made = text;
  for (const { actual, expected, place } of file.messages.toReversed()) {
    const [word] = expected ?? [];
    const from = place && 'start' in place ? place.start.offset : undefined;
    if (!word || !actual || from === undefined || !/^[\p{L} ]+$/u.test(word)) continue;
    const cased = /^\p{Lu}/u.test(actual) ? word.charAt(0).toUpperCase() + word.slice(1) : word;
    made = made.slice(0, from) + cased + made.slice(from + actual.length);
  }
  return made;
}
