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
  const first = tied.firstChild!;
  // A title stands above the words, as a heading of the first level or as a line of its own.
  const isHeading = first.type === schema.nodes.heading && first.attrs.level === 1;
  const headed = isHeading || (!!stated.title && first.type === schema.nodes.paragraph && plainText(first).trim() === stated.title.trim());
  const own = headed ? plainText(first).trim() : '';
  const { details, cut } = fitDetails({ ...stated, ...(stated.title || own ? { title: stated.title || own } : {}) });
  const { title } = details;
  const body = headed && title === own ? tied.content.cut(first.nodeSize) : tied.content;
  return {
    source: { kind, passages, ...(title ? { title } : {}) },
    draft: {
      doc: body.childCount ? schema.node('doc', null, body) : schema.node('doc', null, [schema.node('paragraph')]),
      details,
    },
    ...(cut.length ? { notes: cut } : {}),
  };
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
