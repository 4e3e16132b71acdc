import type { Source } from '../gather/index.ts';
import { terms } from '../language/terms.ts';
import type { Origin, PostNode } from '../post/schema.ts';

// Fewer content words say too little to judge by.
const FEWEST_TERMS = 5;
// A paragraph that shares so little with its passages says something else (own choice, tried on the demo's pieces).
const HOLDS = 0.25;

/** What is known of blocks looked at before: whether their origin marks hold. */
export type TiesSeen = WeakMap<PostNode, boolean>;

/**
 * The ids of the paragraphs edited so far that their origin marks may no longer hold: less than a quarter of their
 * content words, by stem, stand in the passages they are tied to.
 * @param held kept from one call to the next, so that only what changed is looked at
 */
export function looseTies(doc: PostNode, sources: readonly { id: string; source: Source }[], held: TiesSeen = new WeakMap()): string[] {
  const passages = new Map(sources.map(({ id, source }) => [id, source.passages]));
  const termsOf = ({ source, first, last }: Origin) => (passages.get(source) ?? []).slice(first, last + 1).flatMap((p) => terms(p.text));
  const found: string[] = [];
  doc.descendants((node) => {
    if (!node.isTextblock) return true;
    if (!held.has(node)) held.set(node, holds(node, termsOf));
    if (!held.get(node)) found.push(node.attrs.id as string);
    return false;
  });
  return found;
}

function holds(block: PostNode, termsOf: (origin: Origin) => string[]): boolean {
  const origins = (block.attrs.origins ?? []) as Origin[];
  if (!origins.length || block.type.name === 'heading') return true;
  const written = new Set(terms(block.textContent));
  if (written.size < FEWEST_TERMS) return true;
  const said = new Set(origins.flatMap(termsOf));
  return [...written].filter((term) => said.has(term)).length >= written.size * HOLDS;
}
