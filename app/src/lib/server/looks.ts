import type { Details } from '@even-page/core/post/details';
import { filesOf } from '@even-page/core/post/pictures';
import type { PostNode } from '@even-page/core/post/schema';
import { sectionsOf, wordsIn } from '@even-page/core/post/sections';
import { figuresOf, type Finding, proof, type Proofed } from '@even-page/core/proof';

/** What the Desk knows of a page: its figures, the gravest finding and how many more there are. */
export type Looks = {
  words: number;
  sectionWords: number[];
  first: Pick<Finding, 'gravity' | 'says' | 'hint'> | null;
  more: number;
  /** The addresses of the files the page names, its cover too; none in rows of before. */
  files?: string[];
};

/** Looks a page through with every check there is. How long that takes is for the page to say. */
export function looksOf(post: Proofed): Looks {
  const { doc, details } = post;
  const [first, ...more] = proof(post).findings;
  return {
    words: figuresOf(doc).words,
    sectionWords: sectionWords(doc),
    first: first ? { gravity: first.gravity, says: first.says, hint: first.hint } : null,
    more: more.length,
    files: namedFiles({ doc, details }),
  };
}

/** The figures of a page that nobody has looked through yet. */
export function figuresAlone(doc: PostNode, details?: Details): Looks {
  return {
    words: doc.children.reduce((sum, block) => sum + wordsIn(block), 0),
    sectionWords: sectionWords(doc),
    first: { gravity: 'look', says: 'Not looked through yet', hint: 'Open it at Proof.' },
    more: 0,
    files: namedFiles({ doc, details }),
  };
}

const namedFiles = ({ doc, details }: { doc: PostNode; details?: Details }): string[] => [
  ...new Set([...filesOf(doc), ...(details?.cover ? [details.cover] : [])]),
];

const sectionWords = (doc: PostNode): number[] => sectionsOf(doc).map((s) => s.words);
