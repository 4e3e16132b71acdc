import { diceOf } from '../language/dice.ts';
import { kindOf } from './blocks/index.ts';
import type { PostNode } from './schema.ts';
import { plainText } from './sections.ts';

/** The words of a block; of a picture or a clip its caption, or what it shows. */
export function blockText(block: PostNode): string {
  return kindOf(block)?.textOf?.(block) ?? plainText(block);
}

// Blocks that share fewer words are two blocks, not one that was changed.
const LIKE = 0.5;

/** For each older block the number of the newer one it became: of the same id, else of the same file, else of the same words, else of words like its own. */
export function counterparts(older: readonly PostNode[], newer: readonly PostNode[]): (number | null)[] {
  const left = new Set(newer.keys());
  const found: (number | null)[] = older.map(() => null);
  const pair = (find: (block: PostNode) => number | undefined) =>
    older.forEach((block, i) => {
      const n = found[i] === null ? find(block) : undefined;
      if (n !== undefined && left.delete(n)) found[i] = n;
    });
  const byId = new Map(newer.map((block, n) => [block.attrs.id as string, n]));
  pair((block) => (block.attrs.id ? byId.get(block.attrs.id as string) : undefined));
  const byFile = numbersBy(left, (n) => filesOf(newer[n]!));
  pair((block) =>
    filesOf(block)
      .flatMap((file) => byFile.get(file) ?? [])
      .find((n) => left.has(n) && newer[n]!.type === block.type),
  );
  const byText = numbersBy(left, (n) => [keyOf(newer[n]!)]);
  pair((block) => byText.get(keyOf(block))?.find((n) => left.has(n)));
  const words = newer.map((block) => wordsOf(blockText(block)));
  const byWord = numbersBy(left, (n) => words[n]!);
  pair((block) => {
    const own = wordsOf(blockText(block));
    const shared = new Map<number, number>();
    for (const word of own) for (const n of byWord.get(word) ?? []) shared.set(n, (shared.get(n) ?? 0) + 1);
    const isLike = (n: number) => diceOf(shared.get(n) ?? 0, own.size, words[n]!.size) >= LIKE;
    return [...left].find((n) => newer[n]!.type === block.type && isLike(n));
  });
  return found;
}

/** The files a block is nothing without. */
const filesOf = (block: PostNode): string[] =>
  Object.entries(kindOf(block)?.files ?? {}).flatMap(([name, kind]) => (kind === 'whole' ? [block.attrs[name] as string] : []));

const keyOf = (block: PostNode): string => `${block.type.name} ${blockText(block)}`;

/** The numbers of things by each of their names. */
function numbersBy(numbers: Iterable<number>, namesOf: (n: number) => Iterable<string>): Map<string, number[]> {
  const found = new Map<string, number[]>();
  for (const n of numbers) {
    for (const name of namesOf(n)) {
      const own = found.get(name);
      if (own) own.push(n);
      else found.set(name, [n]);
    }
  }
  return found;
}

const wordsOf = (text: string): Set<string> => new Set(text.toLowerCase().match(/[\p{L}\p{N}]+/gu));
