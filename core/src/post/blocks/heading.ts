import type { Heading } from 'mdast';
import { type ElementLike, PART, WORDS, wordsOfDOM, wordsToDOM } from '../attributes.ts';
import { type BlockKind, saidInBoth } from './kind.ts';

export const heading: BlockKind = {
  spec: {
    group: 'block',
    content: 'inline*',
    // What the writer wants of the section below: a note, and a length in words; 0 when none is said.
    attrs: {
      ...WORDS,
      ...PART,
      level: { default: 2, validate: 'number' },
      note: { default: '', validate: 'string' },
      target: { default: 0, validate: 'number' },
    },
    defining: true,
    parseDOM: [1, 2, 3, 4, 5, 6].map((level) => ({
      tag: `h${level}`,
      getAttrs: (dom: ElementLike) => ({
        level,
        note: dom.getAttribute('data-note') ?? '',
        target: Math.max(0, Number(dom.getAttribute('data-target')) || 0),
        ...wordsOfDOM(dom),
      }),
    })),
    toDOM: (node) => {
      const { level, note, target } = node.attrs as { level: number; note: string; target: number };
      return [`h${level}`, { ...wordsToDOM(node), ...(note && { 'data-note': note }), ...(target && { 'data-target': target }) }, 0];
    },
  },
  toMdast: (node, out) => ({ type: 'heading', depth: node.attrs.level as 2, children: out.words(node) }),
  fromMdast: {
    heading: (node: Heading, read) => [read.nodes.heading!.create({ level: node.depth }, read.words(node)), ...read.pictures(node)],
  },
  said: saidInBoth('level'),
};
