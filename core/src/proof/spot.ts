import type { PostNode } from '../post/schema.ts';
import type { FindingPlace } from './place.ts';

/** The place of a block that is known by its number in the page. */
export function placeOfBlock(doc: PostNode, n: number | null): FindingPlace {
  const block = n === null ? null : doc.maybeChild(n);
  return block ? { block: block.attrs.id as string } : null;
}
