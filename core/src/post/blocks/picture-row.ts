import type { Element } from 'hast';
import type { Parent } from 'mdast';
import { ID } from '../attributes.ts';
import { element } from '../element.ts';
import type { Node as PostNode } from 'prosemirror-model';
import type { BlockKind } from './kind.ts';
import { classesOf, figureOf, imageOf, type Picture, pictureNode, pictureOfFigure, pictureToMdast } from './picture.ts';

/** How many pictures stand in a row at most. */
export const MOST_IN_ROW = 4;

/** Pictures beside each other: in Markdown a paragraph of images and nothing else. */
export interface PictureRow extends Parent {
  type: 'pictureRow';
  children: Picture[] & Parent['children'];
}

declare module 'mdast' {
  interface BlockContentMap {
    pictureRow: PictureRow;
  }
  interface RootContentMap {
    pictureRow: PictureRow;
  }
}

const rowOf = (pictures: Picture[]): PictureRow => ({ type: 'pictureRow', children: pictures as PictureRow['children'] });

/** Two to four pictures as a row; any other number of them one under the other. */
export const inRow = (pictures: PostNode[]): PostNode[] =>
  pictures.length > 1 && pictures.length <= MOST_IN_ROW ? [pictures[0]!.type.schema.nodes.pictureRow!.create(null, pictures)] : pictures;

/** The row that a figure of figures is; null when it is none. */
export function rowOfFigure(node: Element): PictureRow | null {
  if (!classesOf(node).includes('row')) return null;
  const figures = node.children.filter((child) => child.type === 'element' && child.tagName === 'figure') as Element[];
  const pictures = figures.map(pictureOfFigure).filter((picture) => picture !== null);
  return pictures.length ? rowOf(pictures) : null;
}

export const pictureRow: BlockKind = {
  spec: {
    group: 'block',
    // One that is left with a single picture gives way to it (`withoutThinRows`).
    content: 'picture*',
    attrs: ID,
    parseDOM: [{ tag: 'figure[data-row]', priority: 60 }],
    toDOM: (node) => ['figure', { class: 'row', 'data-row': '', 'data-id': node.attrs.id as string }, 0],
  },
  toMdast: (node, out) => rowOf(node.children.map((picture) => pictureToMdast(picture, out, node.childCount))),
  fromMdast: {
    pictureRow: (node: PictureRow, read) => inRow(node.children.map((picture) => pictureNode(picture, read)).filter((n) => n !== null)),
  },
  toMarkdown: {
    pictureRow: (node: PictureRow, parent, state, info) => {
      const children = node.children.flatMap((picture, n) => [...(n ? [{ type: 'text' as const, value: ' ' }] : []), imageOf(picture)]);
      return state.handle({ type: 'paragraph', children }, parent, state, info);
    },
  },
  toHast: { pictureRow: (_, node: PictureRow) => element('figure', node.children.map(figureOf), { className: ['row'] }) },
};
