import type { Code } from 'mdast';
import { ID } from '../attributes.ts';
import { type BlockKind, saidInBoth } from './kind.ts';

export const codeBlock: BlockKind = {
  spec: {
    group: 'block',
    content: 'text*',
    marks: '',
    code: true,
    defining: true,
    attrs: { ...ID, language: { default: '', validate: 'string' } },
    parseDOM: [{ tag: 'pre', preserveWhitespace: 'full' }],
    toDOM: () => ['pre', ['code', 0]],
  },
  toMdast: (node) => ({ type: 'code', lang: (node.attrs.language as string) || null, value: node.textContent }),
  fromMdast: {
    code: (node: Code, read) => [read.nodes.codeBlock!.create({ language: node.lang ?? '' }, node.value ? read.text(node.value) : null)],
  },
  said: saidInBoth('language'),
};
