import type { Details } from '../post/details.ts';
import type { PostNode } from '../post/schema.ts';
import type { Stretch } from './stretches.ts';

/**
 * Where a finding is: a detail of the post, or a block of its page, with a stretch inside it if it is narrower. `from` and
 * `to` count as positions do in the page, from where the content of the block begins.
 */
export type FindingPlace = { detail: keyof Details } | { block: string; from?: number; to?: number } | null;

/** The number of the block of the page that each block stands in, or is, by its id. */
export const blockNumbers = (doc: PostNode): Map<string, number> =>
  new Map(
    doc.children.flatMap((block, n) => {
      const ids = [block.attrs.id as string];
      block.descendants((node) => {
        if (node.attrs.id) ids.push(node.attrs.id as string);
        return !node.isTextblock;
      });
      return ids.map((id) => [id, n] as const);
    }),
  );

/** The place of a block that is known by its number; none where there is no such block. */
export function placeOfBlock(doc: PostNode, n: number | null): FindingPlace {
  const block = n === null ? null : doc.maybeChild(n);
  return block ? { block: block.attrs.id as string } : null;
}

/** The place of some letters of a stretch. */
export const placeIn = ({ block, at }: Stretch, from: number, to: number): FindingPlace => ({ block, from: at + from, to: at + to });
