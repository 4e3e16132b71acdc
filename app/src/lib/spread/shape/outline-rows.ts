import { branchEnd, outlineOf, type Section } from '@even-page/core/post/sections';
import type { PostNode } from '@even-page/core/post/schema';

/** A heading of the page as the tree shows it; `all` are the words of its branch, `number` its place among the sections (-1 for none). */
export type OutlineRow = Section & {
  children: boolean;
  all: number;
  note: string;
  target: number;
  number: number;
  /** Its place among its siblings from 1, and how many they are. */
  place: number;
  siblings: number;
};

/** The outline of a page as rows, in order. */
export function outlineRows(doc: PostNode, sections: readonly Section[]): OutlineRow[] {
  const parts = outlineOf(doc);
  return parts.map((part, i) => {
    const end = branchEnd(parts, i);
    const { note = '', target = 0 } = (part.id === 'lead' ? {} : doc.nodeAt(part.from)!.attrs) as { note?: string; target?: number };
    const siblings = siblingsOf(parts, i);
    return {
      ...part,
      children: part.id !== 'lead' && end > i + 1,
      all: parts.slice(i, part.id === 'lead' ? i + 1 : end).reduce((sum, p) => sum + p.words, 0),
      note,
      target,
      number: sections.findIndex((s) => s.id === part.id),
      place: siblings.indexOf(part) + 1,
      siblings: siblings.length,
    };
  });
}

/** The parts on the level of one, between the parts above them. */
function siblingsOf(parts: readonly Section[], i: number): Section[] {
  const { level } = parts[i]!;
  const first = parts.slice(0, i).findLastIndex((p) => p.level < level) + 1;
  const after = parts.slice(i).findIndex((p) => p.level < level);
  return parts.slice(first, after < 0 ? undefined : i + after).filter((p) => p.level === level);
}

/** The rows that are not folded away under another. */
export function unfolded(rows: readonly OutlineRow[], folded: ReadonlySet<string>): OutlineRow[] {
  const above: OutlineRow[] = [];
  return rows.filter((row) => {
    while (above.length && above.at(-1)!.level >= row.level) above.pop();
    const isHidden = above.some((r) => folded.has(r.id));
    above.push(row);
    return !isHidden;
  });
}

/** What a row is called. */
export const rowName = (row: OutlineRow): string => row.heading || (row.id === 'lead' ? 'Introduction' : 'Heading without words');
