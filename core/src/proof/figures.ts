import { type ReadingCounts, readingCounts, type ReadingLevels, readingLevels, sumOfCounts } from '../language/reading-levels.ts';
import { clipsOf, picturesOf } from '../post/pictures.ts';
import type { PostNode } from '../post/schema.ts';
import { plainText, sectionsOf, wordsIn } from '../post/sections.ts';
import { hardSentences, type ReadSentence, readSentences } from './hard-sentences.ts';
import { linksInAndOut, linksOf } from './links-of.ts';
import { stretchesOf } from './stretches.ts';

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
  /** How many words each sentence of the prose has, in order; and the hardest of them, with what makes them hard. */
  lengths: { block: string; words: number }[];
  hard: Pick<ReadSentence, 'place' | 'text' | 'because'>[];
  /** Where pictures, clips and links fall, as a share of the words before them, 0 to 1. */
  along: { what: 'picture' | 'clip' | 'link'; at: number; block: string }[];
  /** Links to the house itself and to elsewhere. */
  linksInside: number;
  linksOutside: number;
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

/** Counts words, time and reading levels of a page. A link is inside where it names no host, or one of those given. */
export function figuresOf(doc: PostNode, hosts: readonly string[] = []): Figures {
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
  const read = readSentences(stretchesOf(doc));
  return {
    words,
    sentences: prose.sentences,
    minutes: Math.max(words ? 1 : 0, Math.round(words / WORDS_PER_MINUTE)),
    levels: readingLevels(prose),
    pictures: picturesOf(doc).length,
    clips: clipsOf(doc).length,
    grades,
    lengths: read.map(({ block, words }) => ({ block, words })),
    hard: hardSentences(read).map(({ place, text, because }) => ({ place, text, because })),
    along: alongOf(doc, words),
    ...linksInAndOut(doc, hosts),
    sections,
  };
}

function alongOf(doc: PostNode, all: number): Figures['along'] {
  const found: Figures['along'] = [];
  let before = 0;
  for (const block of doc.children) {
    const at = all ? before / all : 0;
    const id = block.attrs.id as string;
    const { name } = block.type;
    if (name === 'picture' || name === 'pictureRow') found.push({ what: 'picture', at, block: id });
    if (name === 'clip') found.push({ what: 'clip', at, block: id });
    const links = stretchesOf(doc.type.create(null, [block])).flatMap(linksOf);
    for (const [n] of links.entries())
      found.push({ what: 'link', at: all ? (before + (wordsIn(block) * n) / links.length) / all : 0, block: id });
    before += wordsIn(block);
  }
  return found;
}
