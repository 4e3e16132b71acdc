import type { List, ListItem } from 'mdast';
import { type ElementLike, ID } from '../attributes.ts';
import type { Node as PostNode } from 'prosemirror-model';
import { filled } from './filled.ts';
import { type BlockKind, type Out, saidInBoth } from './kind.ts';

function toList(node: PostNode, out: Out, kind: Pick<List, 'ordered' | 'start'>): List {
  const items = node.children.map(out.blocks);
  const spread = items.some((content) => content.filter((c) => c.type !== 'list').length > 1);
  return { type: 'list', ...kind, spread, children: items.map((children): ListItem => ({ type: 'listItem', spread, children })) };
}

export const bulletList: BlockKind = {
  spec: { group: 'block', content: 'listItem+', attrs: ID, parseDOM: [{ tag: 'ul' }], toDOM: () => ['ul', 0] },
  parts: { listItem: { content: 'block+', defining: true, parseDOM: [{ tag: 'li' }], toDOM: () => ['li', 0] } },
  toMdast: (node, out) => toList(node, out, { ordered: false }),
  fromMdast: {
    list(node: List, read) {
      const { listItem, orderedList, bulletList } = read.nodes;
      const items = node.children.map((item) => listItem!.create(null, filled(read.blocks(item), read)));
      if (!items.length) return [];
      return [node.ordered ? orderedList!.create({ start: node.start ?? 1 }, items) : bulletList!.create(null, items)];
    },
  },
};

export const orderedList: BlockKind = {
  spec: {
    group: 'block',
    content: 'listItem+',
    attrs: { ...ID, start: { default: 1, validate: 'number' } },
    parseDOM: [{ tag: 'ol', getAttrs: (dom: ElementLike) => ({ start: Number(dom.getAttribute('start') ?? 1) || 1 }) }],
    toDOM: (node) => ['ol', node.attrs.start === 1 ? {} : { start: node.attrs.start as number }, 0],
  },
  toMdast: (node, out) => toList(node, out, { ordered: true, start: node.attrs.start as number }),
  said: saidInBoth('start'),
};
