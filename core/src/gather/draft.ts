import { fitDetails, type Details } from '../post/details.ts';
import { hasOrigins, mapWords } from '../post/origins.ts';
import { schema, type PostNode } from '../post/schema.ts';
import { plainText } from '../post/sections.ts';
import type { Gathered } from './format.ts';
import type { Passage, SourceKind } from './source.ts';

/**
 * Material that has a structure, as a source with a passage for each block of words, and as the page itself,
 * each block tied to its passage. A first-level heading at the top, alone of its kind, is the title: it stands in
 * the details, not on the page a second time, unless it is longer than a title can be. What was cut is said.
 */
export function draftOf(kind: SourceKind, doc: PostNode, stated: Partial<Details> = {}): Gathered {
  const passages: Passage[] = [];
  const tied = mapWords(doc, (block) => {
    const text = plainText(block);
    if (!text.trim()) return {};
    passages.push({ text });
    return { origins: [{ source: '', first: passages.length - 1, last: passages.length - 1 }] };
  });
  const titleAt = placeOfTitle(tied, stated.title);
  const own = titleAt < 0 ? '' : plainText(tied.child(titleAt)).trim();
  const { details, cut } = fitDetails({ ...stated, ...(stated.title || own ? { title: stated.title || own } : {}) });
  const { title } = details;
  const blocks = tied.children.filter((_, n) => n !== titleAt || title !== own);
  return {
    source: { kind, passages, ...(title ? { title } : {}) },
    draft: {
      doc: schema.node('doc', null, blocks.length ? blocks : [schema.node('paragraph')]),
      details,
    },
    ...(cut.length ? { notes: cut } : {}),
  };
}

// A line or two may stand above the title, as the head of a page does.
const MOST_ABOVE = 2;

/** The place of the block that is the title: a heading of the first level at the top, or a line that says what is known to be it; -1 without one. */
function placeOfTitle(doc: PostNode, stated = ''): number {
  const isHeading = (block: PostNode) => block.type === schema.nodes.heading && block.attrs.level === 1;
  const isStated = (block: PostNode) => !!stated && block.isTextblock && plainText(block).trim() === stated.trim();
  const said = doc.children
    .slice(0, MOST_ABOVE + 1)
    .findIndex((block) => isStated(block) && (isHeading(block) || block === doc.firstChild));
  return said >= 0 ? said : isHeading(doc.firstChild!) ? 0 : -1;
}

/** The words of a page as plain text, a paragraph a block: what is left when a writer wants no structure. */
export function plainWords(doc: PostNode): string {
  const blocks: string[] = [];
  doc.descendants((node) => {
    if (hasOrigins(node) && node.content.size) blocks.push(plainText(node));
    return !node.isTextblock;
  });
  return blocks.join('\n\n');
}
