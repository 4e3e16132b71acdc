import { Fragment } from 'prosemirror-model';
import type { Origin, PostNode } from './schema.ts';

/** Whether blocks of this type are tied to the material. */
export const hasOrigins = (node: PostNode): boolean => 'origins' in node.attrs;

/** The same post with every block of words given the attributes `give` returns for it, in document order. */
export function mapWords(doc: PostNode, give: (block: PostNode, n: number) => Record<string, unknown>): PostNode {
  let n = 0;
  const map = (node: PostNode): PostNode => {
    if (hasOrigins(node)) return node.type.create({ ...node.attrs, ...give(node, n++) }, node.content, node.marks);
    if (node.isTextblock || node.isLeaf) return node;
    const children: PostNode[] = [];
    node.forEach((child) => void children.push(map(child)));
    return node.copy(Fragment.from(children));
  };
  return map(doc);
}

/** Names the source in origin marks that were read before it had an id. */
export function tieToSource(doc: PostNode, source: string): PostNode {
  return mapWords(doc, (block) => ({
    origins: (block.attrs.origins as Origin[]).map((o) => ({ ...o, source: o.source || source })),
  }));
}
