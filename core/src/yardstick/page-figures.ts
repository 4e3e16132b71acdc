import { readingLevels } from '../language/reading-levels.ts';
import type { PostNode } from '../post/schema.ts';
import { picturesOf } from '../post/pictures.ts';
import { wordsIn } from '../post/sections.ts';
import { linksInAndOut, proseCounts } from '../proof/index.ts';
import { partsOf, questionsIn } from './parts.ts';

/** What is counted on a page, on a reference page and on the draft alike. `grade` is Flesch-Kincaid's, in school years. */
export type PageFigures = {
  words: number;
  headings: number;
  paragraphs: number;
  lists: number;
  tables: number;
  pictures: number;
  linksInside: number;
  linksOutside: number;
  questions: number;
  grade: number | null;
};

/** Counts a page. A link is inside where it names no host, or one of those given. */
export function pageFigures(doc: PostNode, hosts: readonly string[]): PageFigures {
  const figures = { headings: 0, paragraphs: 0, lists: 0, tables: 0 };
  doc.descendants((node, _pos, parent) => {
    const { name } = node.type;
    if (name === 'heading') figures.headings++;
    if (name === 'paragraph' && parent === doc && node.content.size) figures.paragraphs++;
    if (name === 'bulletList' || name === 'orderedList') figures.lists++;
    if (name === 'table') figures.tables++;
    return !node.isTextblock;
  });
  return {
    words: doc.children.reduce((sum, block) => sum + wordsIn(block), 0),
    ...figures,
    pictures: picturesOf(doc).length,
    ...linksInAndOut(doc, hosts),
    questions: questionsIn(partsOf(doc)).length,
    grade: readingLevels(proseCounts(doc))?.kincaid ?? null,
  };
}
