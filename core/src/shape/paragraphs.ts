import { wordCount } from '../language/words.ts';
import { type ProseSentence, saidOf } from '../tidy/index.ts';
import { announcementOf } from './cut/announcements.ts';

/** A sentence of a section: the source and the paragraph of it that it came from, and who says it. */
export type Placed = { source: string; paragraph: string; sentence: ProseSentence; speaker?: string };

// A paragraph of a page has two to five sentences, and no more than so many words (common practice, no source).
const FEWEST = 2;
const MOST = 5;
const MOST_WORDS = 95;
const TURNS = /^(?:ordinal|another|show|look|sequence|how-about|wish|cleft|question)$/;
const OPENS = /\b(?:now|okay|ok|right|all right|so now|but|well|anyway)\b/;

/**
 * The sentences of a section of talk in paragraphs: a new one where another source or another voice begins, and at a turn
 * of thought once there is enough in the last; not at each "so".
 */
export function paragraphsOfTalk(section: readonly Placed[]): Placed[][] {
  const made: Placed[][] = [];
  let words = 0;
  section.forEach((placed, i) => {
    const current = made.at(-1);
    const before = section[i - 1];
    const size = wordCount(placed.sentence.text);
    const { frame, opener } = announcementOf(saidOf(placed.sentence));
    const turns = TURNS.test(frame) || OPENS.test(opener) || placed.paragraph !== before?.paragraph;
    // What is left behind alone would be a paragraph of one sentence.
    const isLast = i === section.length - 1;
    const isFull =
      current !== undefined &&
      (words + size > MOST_WORDS ||
        current.length >= MOST ||
        (turns && current.length > FEWEST) ||
        (turns && current.length === FEWEST && words > 40));
    const isOther = before !== undefined && (before.source !== placed.source || before.speaker !== placed.speaker);
    if (!current || isOther || (isFull && !(isLast && words + size <= 1.3 * MOST_WORDS))) {
      made.push([placed]);
      words = size;
    } else {
      current.push(placed);
      words += size;
    }
  });
  return made;
}
