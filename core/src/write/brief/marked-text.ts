import { Fragment } from 'prosemirror-model';
import { postToMarkdown } from '../../post/markdown.ts';
import { hasOrigins } from '../../post/origins.ts';
import { type Origin, type PostNode, schema } from '../../post/schema.ts';

/** Blocks as Markdown, each with the numbers of the passages it rests on behind it. */
export function markedText(doc: PostNode, passages: readonly { id: string; origin: Origin }[]): string {
  const marked = (node: PostNode): PostNode => {
    if (node.isTextblock) {
      const ids = hasOrigins(node) && node.type.name !== 'heading' ? idsOf(node.attrs.origins as Origin[], passages) : [];
      return ids.length ? node.copy(node.content.append(Fragment.from(schema.text(` [${ids.join(', ')}]`)))) : node;
    }
    if (node.isLeaf) return node;
    const children: PostNode[] = [];
    node.forEach((child) => void children.push(marked(child)));
    return node.copy(Fragment.from(children));
  };
  // Markdown's own sign for a bracket that is no link is for readers of Markdown, not of numbers.
  return postToMarkdown(marked(doc))
    .replace(/\\(\[p\d+(?:, p\d+)*)\\?\]/g, '$1]')
    .trim();
}

/** The numbers of the passages that origin marks lie in. */
function idsOf(origins: readonly Origin[], passages: readonly { id: string; origin: Origin }[]): string[] {
  return passages
    .filter((p) => origins.some((o) => o.source === p.origin.source && o.first <= p.origin.last && o.last >= p.origin.first))
    .map((p) => p.id);
}
