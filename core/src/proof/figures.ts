import { readability } from '../language/readability.ts';
import { clipsOf, picturesOf } from '../post/pictures.ts';
import type { PostNode } from '../post/schema.ts';
import { plainText } from '../post/sections.ts';

const WORDS_PER_MINUTE = 230;

/** The figures of a page. */
export type Figures = {
  words: number;
  sentences: number;
  /** Minutes of reading, at 230 words a minute (common practice, no source). */
  minutes: number;
  ease: number | null;
  grade: number | null;
  pictures: number;
  clips: number;
  /** The grade of each paragraph of 5 words or more, in order, with its block. */
  grades: { block: string; grade: number }[];
};

/** The prose of a page: its paragraphs, without headings and code. */
export function proseText(doc: PostNode): string {
  return paragraphsOf(doc)
    .map((p) => p.text)
    .join('\n\n');
}

/** Counts words, time and reading levels of a page. */
export function figuresOf(doc: PostNode): Figures {
  const whole = readability(plainText(doc, '\n\n'));
  const prose = readability(proseText(doc));
  const grades = paragraphsOf(doc).flatMap(({ block, text }) => {
    const { words, grade } = readability(text);
    return words >= 5 && grade !== null ? [{ block, grade }] : [];
  });
  return {
    words: whole.words,
    sentences: prose.sentences,
    minutes: Math.max(whole.words ? 1 : 0, Math.round(whole.words / WORDS_PER_MINUTE)),
    ease: prose.ease,
    grade: prose.grade,
    pictures: picturesOf(doc).length,
    clips: clipsOf(doc).length,
    grades,
  };
}

function paragraphsOf(doc: PostNode) {
  const found: { block: string; text: string }[] = [];
  doc.descendants((node) => {
    if (node.type.name === 'paragraph' && node.content.size) found.push({ block: node.attrs.id, text: plainText(node) });
    return !node.isTextblock;
  });
  return found;
}
