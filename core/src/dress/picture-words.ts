import { isContentWord, stem } from '../language/terms.ts';
import { words } from '../language/words.ts';

// A word of the heading counts as much as three of the text.
const HEADING_WEIGHT = 3;

/**
 * The words a picture for a section is looked for by: those its heading and its text say most, the best first, in the form
 * they are first said in.
 * @returns at most `most` words in lower case
 */
export function pictureWords(heading: string, text: string, most = 3): string[] {
  const counted = new Map<string, { word: string; weight: number }>();
  const add = (said: string, weight: number) => {
    for (const { text: word } of words(said)) {
      if (!isContentWord(word)) continue;
      const key = stem(word);
      const known = counted.get(key);
      if (known) known.weight += weight;
      else counted.set(key, { word: word.toLowerCase(), weight });
    }
  };
  add(heading, HEADING_WEIGHT);
  add(text, 1);
  return [...counted.values()]
    .sort((a, b) => b.weight - a.weight)
    .slice(0, most)
    .map(({ word }) => word);
}
