import { type ReadingCounts, readingCounts, type ReadingLevels, readingLevels, sumOfCounts } from '../language/reading-levels.ts';
import { clipsOf, picturesOf } from '../post/pictures.ts';
import type { PostNode } from '../post/schema.ts';
import { plainText, sectionsOf, wordsIn } from '../post/sections.ts';

const WORDS_PER_MINUTE = 230;
// Fewer words say nothing of how they read.
const FEWEST_WORDS = 5;

/** The figures of a page. */
export type Figures = {
  words: number;
  sentences: number;
  /** Minutes of reading, at 230 words a minute (common practice, no source). */
  minutes: number;
  /** How its prose reads: its paragraphs, without headings and code. */
  levels: ReadingLevels | null;
  pictures: number;
  clips: number;
  /** The grade of each paragraph of 5 words or more, in order, with its block. */
  grades: { block: string; grade: number }[];
  /** Each section by its number: its heading, its words, and the grade of its prose. */
  sections: { heading: string; words: number; grade: number | null }[];
};

// A paragraph never changes: another stands in its place.
const counted = new WeakMap<PostNode, ReadingCounts>();

function countsOf(paragraph: PostNode): ReadingCounts {
  let counts = counted.get(paragraph);
  if (!counts) counted.set(paragraph, (counts = readingCounts(plainText(paragraph))));
  return counts;
}

/** The paragraphs of a page, wherever they stand in it, and where. */
function paragraphsOf(doc: PostNode): { node: PostNode; pos: number }[] {
  const found: { node: PostNode; pos: number }[] = [];
  doc.descendants((node, pos) => {
    if (node.type.name === 'paragraph' && node.content.size) found.push({ node, pos });
    return !node.isTextblock;
  });
  return found;
}

/** What the reading levels of the prose of a page are made of: its paragraphs, without headings and code. */
export const proseCounts = (doc: PostNode): ReadingCounts => sumOfCounts(paragraphsOf(doc).map(({ node }) => countsOf(node)));

/** Counts words, time and reading levels of a page. */
export function figuresOf(doc: PostNode): Figures {
  const words = doc.children.reduce((sum, block) => sum + wordsIn(block), 0);
  const paragraphs = paragraphsOf(doc);
  const prose = sumOfCounts(paragraphs.map(({ node }) => countsOf(node)));
  const grades = paragraphs.flatMap(({ node }) => {
    const counts = countsOf(node);
    return counts.words >= FEWEST_WORDS ? [{ block: node.attrs.id as string, grade: readingLevels(counts)!.kincaid }] : [];
  });
  const sections = sectionsOf(doc).map(({ heading, words, from, to }) => {
    const own = sumOfCounts(paragraphs.filter(({ pos }) => pos >= from && pos < to).map(({ node }) => countsOf(node)));
    return { heading, words, grade: readingLevels(own)?.kincaid ?? null };
  });
  return {
    words,
    sentences: prose.sentences,
    minutes: Math.max(words ? 1 : 0, Math.round(words / WORDS_PER_MINUTE)),
    levels: readingLevels(prose),
    pictures: picturesOf(doc).length,
    clips: clipsOf(doc).length,
    grades,
    sections,
  };
}
