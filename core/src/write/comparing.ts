import { diffArrays, diffWordsWithSpace } from 'diff';
import { blockText, counterparts } from '../post/counterparts.ts';
import type { PostNode } from '../post/schema.ts';
import { outlineOf, plainText, sectionsOf } from '../post/sections.ts';

/** Words of a block: both have them, only the newer has them, only the older had them. */
export type Words = { text: string; how: 'same' | 'new' | 'gone' };

/** A block of two versions side by side: how it changed, and its words. `level` is that of a heading. */
export type Compared = {
  how: 'same' | 'changed' | 'new' | 'gone' | 'moved';
  type: string;
  level?: number;
  /** The section it stands in: the id of its heading, or `lead`. */
  section: string;
  words: Words[];
  /** Its place among the blocks of the older, and of the newer. */
  was: number | null;
  is: number | null;
};

/**
 * Two versions of a page as one run of blocks. A block is known by its id; where an older version had other ids, by
 * its words. What was moved stands where it is now, and is said to be moved.
 */
export function compare(older: PostNode, newer: PostNode): Compared[] {
  const newKeys = newer.children.map((_, n) => `new ${n}`);
  const oldKeys = counterparts(older.children, newer.children).map((n, i) => (n === null ? `old ${i}` : newKeys[n]!));
  const was = new Map(older.children.map((block, i) => [oldKeys[i]!, block]));
  const is = new Map(newer.children.map((block, i) => [newKeys[i]!, block]));
  const sections = { older: sectionIds(older), newer: sectionIds(newer) };
  const found: Compared[] = [];
  const oldPlaces = new Map(oldKeys.map((key, i) => [key, i]));
  const newPlaces = new Map(newKeys.map((key, i) => [key, i]));
  const add = (key: string, how: Compared['how'], block: PostNode, section: string, words: Words[]) =>
    found.push({
      how,
      type: block.type.name,
      ...(block.type.name === 'heading' ? { level: block.attrs.level as number } : {}),
      section,
      words,
      was: oldPlaces.get(key) ?? null,
      is: newPlaces.get(key) ?? null,
    });
  let [a, b] = [0, 0];
  for (const run of diffArrays(oldKeys, newKeys)) {
    for (const key of run.value) {
      if (run.removed) {
        const section = sections.older[a++]!;
        // What only moved is shown where it is now.
        if (!is.has(key)) add(key, 'gone', was.get(key)!, section, [{ text: textOf(was.get(key)!), how: 'gone' }]);
        continue;
      }
      if (!run.added) a++;
      const section = sections.newer[b++]!;
      const [before, now] = [was.get(key), is.get(key)!];
      if (!before) add(key, 'new', now, section, [{ text: textOf(now), how: 'new' }]);
      else if (isAlike(before, now)) add(key, run.added ? 'moved' : 'same', now, section, [{ text: textOf(now), how: 'same' }]);
      else add(key, 'changed', now, section, wordsBetween(textOf(before), textOf(now)));
    }
  }
  return found;
}

/** The words of a block as they are shown: a list with its bullets or numbers. */
function textOf(block: PostNode): string {
  const { name } = block.type;
  if (name !== 'bulletList' && name !== 'orderedList') return blockText(block);
  const first = (block.attrs.start as number | undefined) ?? 1;
  return block.children.map((item, i) => `${name === 'bulletList' ? '•' : `${first + i}.`} ${plainText(item)}`).join('\n');
}

/** How much two versions differ, in words put in and taken out. */
export function changedWords(compared: readonly Compared[]): { put: number; taken: number } {
  const count = (how: Words['how']) =>
    compared.reduce(
      (sum, block) =>
        sum + block.words.filter((w) => w.how === how).reduce((n, w) => n + (w.text.match(/\S*\p{L}\S*|\d+(?!\.)\S*/gu)?.length ?? 0), 0),
      0,
    );
  return { put: count('new'), taken: count('gone') };
}

/**
 * The page with one section as another version has it: in its place, or, where the page has it no more, behind the
 * section that came before it there. The page itself when that version has no such section.
 */
export function withSectionOf(doc: PostNode, other: PostNode, id: string): PostNode {
  const theirs = sectionsOf(other);
  const at = theirs.findIndex((s) => s.id === id);
  if (at < 0) return doc;
  const content = other.content.cut(theirs[at]!.from, theirs[at]!.to);
  const ours = sectionsOf(doc);
  const own = ours.find((s) => s.id === id);
  const before = theirs.slice(0, at).findLast((s) => ours.some((o) => o.id === s.id));
  const place = own?.from ?? (before ? ours.find((o) => o.id === before.id)!.to : id === 'lead' ? 0 : doc.content.size);
  return doc.copy(
    doc.content
      .cut(0, place)
      .append(content)
      .append(doc.content.cut(own?.to ?? place)),
  );
}

/** Whether two blocks are the same but for their ids. */
const isAlike = (a: PostNode, b: PostNode): boolean => a.type.create({ ...a.attrs, id: b.attrs.id }, a.content, a.marks).eq(b);

// Where less stayed, words put in between words taken out are no sentence any more: one follows the other.
const READS = 0.4;
const WITHIN = 0.85;

function wordsBetween(before: string, now: string): Words[] {
  const words = diffWordsWithSpace(before, now).map(({ value, added, removed }): Words => ({
    text: value,
    how: added ? 'new' : removed ? 'gone' : 'same',
  }));
  const stayed = words.reduce((sum, w) => sum + (w.how === 'same' ? w.text.length : 0), 0);
  const [less, more] = [before.length, now.length].sort((a, b) => a - b) as [number, number];
  // One that was only cut, or only grew, reads as it is.
  if (stayed >= READS * more || stayed >= WITHIN * less) return words;
  return [
    { text: before, how: 'gone' },
    { text: now, how: 'new' },
  ];
}

function sectionIds(doc: PostNode): string[] {
  const sections = outlineOf(doc).filter((s) => s.id === 'lead' || s.level <= 2);
  const ids: string[] = [];
  doc.forEach((_, pos) => void ids.push(sections.findLast((s) => s.from <= pos)?.id ?? 'lead'));
  return ids;
}
