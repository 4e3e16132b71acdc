import { isContentWord, stem } from '../language/terms.ts';
import { words } from '../language/words.ts';
import type { Part } from './parts.ts';

/** How often each stem stands in some words. */
export type Counts = ReadonlyMap<string, number>;

/** A stretch of a page about one thing: what stands below a heading, or one paragraph of it. */
export type Passage = { heading: string; isSection: boolean; words: number; counts: Counts };

// Shorter stretches say too little to be told by.
const FEWEST_WORDS = 12;
// What a heading says counts for so much (titles and headings count most: common practice, no source).
const HEADING_TIMES = 3;

// A part of a page never changes: another stands in its place.
const known = new WeakMap<Part, { words: number; counts: Counts }>();

function countsOf(part: Part): { words: number; counts: Counts } {
  let found = known.get(part);
  if (!found) {
    const all = words(part.text);
    const counts = new Map<string, number>();
    for (const { text } of all) if (isContentWord(text)) counts.set(stem(text), (counts.get(stem(text)) ?? 0) + 1);
    known.set(part, (found = { words: all.length, counts }));
  }
  return found;
}

/** The sections of a page, and the paragraphs of those that have several. */
export function passagesOf(parts: readonly Part[]): Passage[] {
  const found: Passage[] = [];
  let heading: Part | null = null;
  let texts: Part[] = [];
  const close = () => {
    const section = together(heading, texts);
    if (section.words >= FEWEST_WORDS) found.push({ ...section, isSection: true });
    if (texts.length > 1)
      for (const text of texts) {
        const paragraph = together(null, [text]);
        if (paragraph.words >= FEWEST_WORDS) found.push({ ...paragraph, heading: heading?.text ?? '', isSection: false });
      }
  };
  for (const part of parts) {
    if (!part.level) {
      texts.push(part);
      continue;
    }
    close();
    [heading, texts] = [part, []];
  }
  close();
  return found;
}

// As long as the same parts stand together, what they say is the same.
const joined = new WeakMap<Part, { heading: Part | null; texts: readonly Part[]; said: Omit<Passage, 'isSection'> }[]>();

function together(heading: Part | null, texts: readonly Part[]): Omit<Passage, 'isSection'> {
  const [first] = texts;
  if (!first) return { heading: heading?.text ?? '', words: 0, counts: new Map() };
  const before = joined.get(first) ?? [];
  const same = before.find(
    (b) => b.heading === heading && b.texts.length === texts.length && b.texts.every((text, n) => text === texts[n]),
  );
  if (same) return same.said;
  const said = summed(heading, texts);
  joined.set(first, [{ heading, texts, said }, ...before.slice(0, 2)]);
  return said;
}

function summed(heading: Part | null, texts: readonly Part[]): Omit<Passage, 'isSection'> {
  const counts = new Map<string, number>();
  const add = (more: Counts, times: number) => {
    for (const [stem, n] of more) counts.set(stem, (counts.get(stem) ?? 0) + times * n);
  };
  let sum = 0;
  for (const text of texts) {
    add(countsOf(text).counts, 1);
    sum += countsOf(text).words;
  }
  if (heading && sum) add(countsOf(heading).counts, HEADING_TIMES);
  return { heading: heading?.text ?? '', words: sum, counts };
}
