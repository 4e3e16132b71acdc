import { Fragment } from 'prosemirror-model';
import type { PostNode } from './schema.ts';

/** A picture on a page; `href` is where a click on it leads, if anywhere. */
export type PictureAttrs = { id: string; src: string; alt: string; caption: string; href: string };

/** The pictures of a page, in order. */
export function picturesOf(doc: PostNode): PictureAttrs[] {
  const found: PictureAttrs[] = [];
  doc.descendants((node) => {
    if (node.type.name === 'picture') found.push(node.attrs as PictureAttrs);
    return !node.isTextblock;
  });
  return found;
}

/** The same page with the address of every picture given anew; one that is given none is taken out. */
export function mapPictures(doc: PostNode, address: (src: string) => string | null): PostNode {
  const map = (node: PostNode): PostNode | null => {
    if (node.type.name === 'picture') {
      const src = address(node.attrs.src as string);
      return src === null ? null : node.type.create({ ...node.attrs, src });
    }
    if (node.isTextblock || node.isLeaf) return node;
    const children = node.children.map(map).filter((child) => child !== null);
    // A list item or a quotation that held only the picture stays, with room to write.
    return node.copy(Fragment.from(children.length || !node.childCount ? children : node.type.schema.nodes.paragraph!.create()));
  };
  return map(doc)!;
}
