import { Fragment } from 'prosemirror-model';
import { kindOf } from './blocks/index.ts';
import type { ClipAttrs } from './blocks/clip.ts';
import type { PictureAttrs } from './blocks/picture.ts';
import type { PostNode } from './schema.ts';

export type { ClipAttrs, PictureAttrs };

function attrsOf(doc: PostNode, type: string): unknown[] {
  const found: unknown[] = [];
  doc.descendants((node) => {
    if (node.type.name === type) found.push(node.attrs);
    return !node.isTextblock;
  });
  return found;
}

/** The pictures of a page, in order. */
export const picturesOf = (doc: PostNode): PictureAttrs[] => attrsOf(doc, 'picture') as PictureAttrs[];

/** The clips of a page, in order. */
export const clipsOf = (doc: PostNode): ClipAttrs[] => attrsOf(doc, 'clip') as ClipAttrs[];

/** A picture that a page shows, and in what shape. */
export type ShownPicture = { src: string; alt: string; fileName: string; shape: 'whole' | 'row' };

/** Every picture a page shows, the stills of its clips too, each once for a shape. */
export function shownPictures(doc: PostNode): ShownPicture[] {
  const found = new Map<string, ShownPicture>();
  const show = (picture: ShownPicture) => {
    const key = `${picture.shape} ${picture.src}`;
    if (!found.has(key)) found.set(key, picture);
  };
  doc.descendants((node, _, parent) => {
    if (node.type.name === 'picture') {
      const { src, alt, fileName } = node.attrs as PictureAttrs;
      show({ src, alt, fileName, shape: parent?.type.name === 'pictureRow' && parent.childCount > 1 ? 'row' : 'whole' });
    }
    if (node.type.name === 'clip' && node.attrs.poster) {
      const { poster, title } = node.attrs as ClipAttrs;
      show({ src: poster, alt: title, fileName: '', shape: 'whole' });
    }
    return !node.isTextblock;
  });
  return [...found.values()];
}

/** The addresses of the files a page names: of its pictures, its clips and their stills, each once. */
export function filesOf(doc: PostNode): string[] {
  const found = new Set<string>();
  doc.descendants((node) => {
    for (const name of Object.keys(kindOf(node)?.files ?? {})) if (node.attrs[name]) found.add(node.attrs[name] as string);
    return !node.isTextblock;
  });
  return [...found];
}

/** The same page with every address of a file given anew; a block whose file is given none is taken out. */
export function mapFiles(doc: PostNode, address: (src: string) => string | null): PostNode {
  const map = (node: PostNode): PostNode | null => {
    const files = Object.entries(kindOf(node)?.files ?? {});
    if (files.length) {
      const attrs = { ...node.attrs };
      for (const [name, kind] of files) {
        const given = attrs[name] ? address(attrs[name] as string) : '';
        if (given === null && kind === 'whole') return null;
        // A picture may lead to itself in full.
        if (attrs.href === attrs[name] && attrs.href) attrs.href = given ?? '';
        attrs[name] = given ?? '';
      }
      return node.type.create(attrs, node.content, node.marks);
    }
    if (node.isTextblock || node.isLeaf) return node;
    const children = node.children.map(map).filter((child) => child !== null);
    if (node.type.name === 'pictureRow') return children.length > 1 ? node.copy(Fragment.from(children)) : (children[0] ?? null);
    // A list item or a quotation that held only the picture stays, with room to write.
    return node.copy(Fragment.from(children.length || !node.childCount ? children : node.type.schema.nodes.paragraph!.create()));
  };
  return map(doc)!;
}
