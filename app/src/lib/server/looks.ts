import type { Details } from '@even-page/core/post/details';
import type { PostNode } from '@even-page/core/post/schema';
import { sectionsOf, wordsIn } from '@even-page/core/post/sections';
import { figuresOf, type Finding, proof } from '@even-page/core/proof';

/** What the Desk knows of a page: its figures, the gravest finding and how many more there are. */
export type Looks = {
  words: number;
  sectionWords: number[];
  first: Pick<Finding, 'gravity' | 'says' | 'hint'> | null;
  more: number;
};

/** Looks a page through with every check there is. How long that takes is for the page to say. */
export function looksOf({ doc, details }: { doc: PostNode; details: Details }): Looks {
  const [first, ...more] = proof({ doc, details });
  return {
    words: figuresOf(doc).words,
    sectionWords: sectionWords(doc),
    first: first ? { gravity: first.gravity, says: first.says, hint: first.hint } : null,
    more: more.length,
  };
}

/** The figures of a page that nobody has looked through yet. */
export function figuresAlone(doc: PostNode): Looks {
  return {
    words: doc.children.reduce((sum, block) => sum + wordsIn(block), 0),
    sectionWords: sectionWords(doc),
    first: { gravity: 'look', says: 'Not looked through yet', hint: 'Open it at Proof.' },
    more: 0,
  };
}

const sectionWords = (doc: PostNode): number[] => sectionsOf(doc).map((s) => s.words);
