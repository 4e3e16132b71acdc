import { Fragment } from 'prosemirror-model';
import type { PostNode } from './schema.ts';

/** A picture on a page. */
export type PictureAttrs = { id: string; src: string; alt: string; caption: string };

/** The pictures of a page, in order. */
export function picturesOf(doc: PostNode): PictureAttrs[] {
  const found: PictureAttrs[] = [];
  doc.descendants((node) => {
    if (node.type.name === 'picture') found.push(node.attrs as PictureAttrs);
    return !node.isTextblock;
  });
  return found;
}

/** The same page with the address of every picture given anew. */
export function mapPictures(node: PostNode, address: (src: string) => string): PostNode {
  if (node.type.name === 'picture') return node.type.create({ ...node.attrs, src: address(node.attrs.src as string) });
  if (node.isTextblock || node.isLeaf) return node;
  const children: PostNode[] = [];
  node.forEach((child) => void children.push(mapPictures(child, address)));
  return node.copy(Fragment.from(children));
}
