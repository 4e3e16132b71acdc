import { Schema, type Mark, type Node as PostNode } from 'prosemirror-model';
import { address, type ElementLike, originLabel, type Origin } from './attributes.ts';
import { isSafeAddress } from './address.ts';
import { blockSpecs } from './blocks/index.ts';
import { FORMAT, upToDate } from './format.ts';

export { originLabel };
export type { Mark, Origin, PostNode };

const nodes = {
  // The format its JSON is in, so that every place that keeps a page keeps that too.
  doc: { content: 'block+', attrs: { format: { default: FORMAT, validate: 'number' } } },
  ...blockSpecs(),
  text: { group: 'inline' },
  hardBreak: { group: 'inline', inline: true, selectable: false, parseDOM: [{ tag: 'br' }], toDOM: () => ['br'] as const },
};

/** The post: a flat run of blocks in which headings open sections. One schema for editor, server and files. */
export const schema = new Schema({
  nodes,
  marks: {
    link: {
      attrs: { href: { validate: address }, title: { default: '', validate: 'string' } },
      inclusive: false,
      parseDOM: [
        {
          tag: 'a[href]',
          getAttrs: (dom: ElementLike) => {
            const href = dom.getAttribute('href')!;
            return isSafeAddress(href) && { href, title: dom.getAttribute('title') ?? '' };
          },
        },
      ],
      toDOM: (mark) => ['a', { href: mark.attrs.href as string, ...(mark.attrs.title ? { title: mark.attrs.title } : {}) }, 0],
    },
    emphasis: { parseDOM: [{ tag: 'em' }, { tag: 'i' }], toDOM: () => ['em', 0] },
    strong: {
      parseDOM: [{ tag: 'strong' }, { tag: 'b' }],
      toDOM: () => ['strong', 0],
    },
    strikethrough: { parseDOM: [{ tag: 'del' }, { tag: 's' }, { tag: 'strike' }], toDOM: () => ['del', 0] },
    highlight: { parseDOM: [{ tag: 'mark' }], toDOM: () => ['mark', 0] },
    code: { parseDOM: [{ tag: 'code' }], toDOM: () => ['code', 0] },
  },
});

/** A page with nothing on it yet. */
export function emptyDoc(): PostNode {
  return schema.nodes.doc.createAndFill()!;
}

/** Reads a post from its JSON, of today's format or an older one, and checks every attribute. Throws a RangeError when it is not a post. */
export function docFromJSON(json: unknown): PostNode {
  const doc = schema.nodeFromJSON(upToDate(json));
  doc.check();
  return doc;
}
