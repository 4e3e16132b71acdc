import { Fragment } from 'prosemirror-model';
import { wordCount } from '../language/words.ts';
import { plainText } from '../post/sections.ts';
import { schema, type PostNode } from '../post/schema.ts';
import { turnIn } from '../post/turns.ts';

/** A paragraph that is wholly bold and stands where a heading would, by its id. */
export type BoldHeading = { id: string; text: string };

const MOST_WORDS = 12;
const FEWEST = 2;

/**
 * The paragraphs of a page that could be headings: short, bold from end to end, no sentence, with words below. One alone may be
 * words set off on purpose; nothing is offered for it.
 */
export function boldHeadings(doc: PostNode): BoldHeading[] {
  const blocks = doc.children;
  const found = blocks.flatMap((block, i): BoldHeading[] => {
    const text = plainText(block).trim();
    const isBold = block.childCount > 0 && block.children.every((child) => child.isText && schema.marks.strong.isInSet(child.marks));
    const isShort = wordCount(text) <= MOST_WORDS && !/[.,;:!]$/.test(text);
    const next = blocks[i + 1];
    const hasBelow = !!next && next.type !== schema.nodes.heading && !(next.isTextblock && !next.content.size);
    return block.type === schema.nodes.paragraph && isBold && isShort && hasBelow && !turnIn(block)
      ? [{ id: block.attrs.id as string, text }]
      : [];
  });
  return found.length >= FEWEST ? found : [];
}

/** The page with these paragraphs as headings of the second level. */
export function withBoldHeadings(doc: PostNode, headings: readonly BoldHeading[]): PostNode {
  const ids = new Set(headings.map(({ id }) => id));
  const blocks = doc.children.map((block) =>
    ids.has(block.attrs.id as string)
      ? schema.nodes.heading.create({ level: 2, id: block.attrs.id as string }, schema.text(plainText(block).trim()))
      : block,
  );
  return doc.copy(Fragment.from(blocks));
}
