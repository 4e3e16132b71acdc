import { dice } from '../language/dice.ts';
import type { PostNode } from './schema.ts';
import { plainText } from './sections.ts';

/** The words of a block; of a picture its caption, or what it shows. */
export function blockText(block: PostNode): string {
  if (block.type.name === 'picture') return (block.attrs.caption as string) || (block.attrs.alt as string) || 'A picture';
  return plainText(block);
}

// Blocks that share fewer words are two blocks, not one that was changed.
const LIKE = 0.5;

/** For each older block the number of the newer one it became: of the same id, else of the same words, else of words like its own. */
export function counterparts(older: readonly PostNode[], newer: readonly PostNode[]): (number | null)[] {
  const left = new Set(newer.keys());
  const found: (number | null)[] = older.map(() => null);
  const pair = (fits: (block: PostNode, other: PostNode) => boolean) =>
    older.forEach((block, i) => {
      if (found[i] !== null) return;
      for (const n of left) {
        if (!fits(block, newer[n]!)) continue;
        found[i] = n;
        left.delete(n);
        return;
      }
    });
  const byId = new Map(newer.map((block, n) => [block.attrs.id as string, n]));
  older.forEach((block, i) => {
    const n = block.attrs.id ? byId.get(block.attrs.id as string) : undefined;
    if (n === undefined || !left.delete(n)) return;
    found[i] = n;
  });
  pair((block, other) => block.type === other.type && blockText(block) === blockText(other));
  pair((block, other) => block.type === other.type && dice(wordsOf(blockText(block)), wordsOf(blockText(other))) >= LIKE);
  return found;
}

const wordsOf = (text: string): Set<string> => new Set(text.toLowerCase().match(/[\p{L}\p{N}]+/gu));
