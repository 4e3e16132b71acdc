import { schema, type PostNode } from '@even-page/core/post/schema';

/** A page as the editor has it, as it goes between the threads. */
export type PageJson = { attrs?: Record<string, unknown>; content: object[] };

let blocks = new Map<string, PostNode>();

/** A page as the editor has it, of the same blocks as the one before where they have not changed: what is known of those holds. */
export function pageOf({ attrs, content }: PageJson): PostNode {
  const next = new Map<string, PostNode>();
  const children = content.map((json) => {
    const key = JSON.stringify(json);
    const block = blocks.get(key) ?? schema.nodeFromJSON(json);
    next.set(key, block);
    return block;
  });
  blocks = next;
  return schema.nodes.doc.create(attrs ?? null, children);
}
