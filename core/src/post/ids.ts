import type { PostNode } from './schema.ts';
import { schema } from './schema.ts';
import { Fragment } from 'prosemirror-model';

/** Whether blocks of this type carry an id. */
export const hasId = (node: PostNode): boolean => 'id' in node.attrs;

/**
 * Where ids are missing or stand twice: the position of each such block. The first holder keeps its id.
 */
export function blocksWithoutOwnId(doc: PostNode): number[] {
  const seen = new Set<string>();
  const found: number[] = [];
  doc.descendants((node, pos) => {
    if (!hasId(node)) return !node.isTextblock;
    const id = node.attrs.id as string;
    if (!id || seen.has(id)) found.push(pos);
    seen.add(id);
    return !node.isTextblock;
  });
  return found;
}

/** The same post with an id on every block; `next` makes a new one each time it is called. */
export function withIds(doc: PostNode, next: () => string): PostNode {
  const seen = new Set<string>();
  const give = (node: PostNode): PostNode => {
    if (node.isText) return node;
    const children: PostNode[] = [];
    node.forEach((child) => void children.push(give(child)));
    const content = node.isTextblock ? node.content : Fragment.from(children);
    if (!hasId(node)) return node.copy(content);
    const own = node.attrs.id && !seen.has(node.attrs.id as string);
    const id = own ? (node.attrs.id as string) : next();
    seen.add(id);
    return node.type.create({ ...node.attrs, id }, content, node.marks);
  };
  return schema.node('doc', null, give(doc).content);
}
