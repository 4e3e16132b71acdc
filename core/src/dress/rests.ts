import { sectionsOf, wordsIn } from '../post/sections.ts';
import type { Origin, PostNode } from '../post/schema.ts';

/** How many words a reader goes on through without anything to rest the eye (common practice, no source: the most a section has). */
export const MOST_WITHOUT_REST = 350;

const RESTS = new Set([
  'picture',
  'pictureRow',
  'clip',
  'table',
  'pullQuote',
  'note',
  'bulletList',
  'orderedList',
  'blockquote',
  'codeBlock',
]);

/** Blocks on end with nothing to rest the eye: how many words, in which section, and the block after which something would halve it. */
export type Stretch = { words: number; section: string; first: string; middle: string };

/** The stretches of a page with nothing to rest the eye that have more words than `most`, in order. */
export function stretchesWithoutRest(doc: PostNode, most = MOST_WITHOUT_REST): Stretch[] {
  const found: Stretch[] = [];
  let run: { id: string; words: number; isHeading: boolean; pos: number }[] = [];
  const sections = sectionsOf(doc);
  const end = () => {
    const words = run.reduce((sum, block) => sum + block.words, 0);
    if (words > most) {
      let before = 0;
      const middle = run.find((block) => !block.isHeading && (before += block.words) >= words / 2) ?? run.at(-1)!;
      const section = sections.find((s) => middle.pos >= s.from && middle.pos < s.to);
      found.push({ words, section: section?.heading ?? '', first: run[0]!.id, middle: middle.id });
    }
    run = [];
  };
  doc.forEach((block, pos) => {
    if (RESTS.has(block.type.name)) end();
    else run.push({ id: block.attrs.id as string, words: wordsIn(block), isHeading: block.type.name === 'heading', pos });
  });
  end();
  return found;
}

/** A place for a clip: the block it would follow, and why there. */
export type ClipPlace = { after: string; why: string };

/**
 * Where a clip may stand, best first: where its own words are told, after the first paragraph, in the middle of the longest
 * stretch with nothing to look at (common practice, no source).
 * @param told the source the clip is of and where in it the clip begins, in milliseconds, if it is of the material
 */
export function clipPlaces(doc: PostNode, told?: { source: string; startMs: number }): ClipPlace[] {
  const places: ClipPlace[] = [];
  const add = (after: string | undefined, why: string) => {
    if (after && !places.some((place) => place.after === after)) places.push({ after, why });
  };
  if (told) add(toldAt(doc, told), 'where its words are told');
  const first = doc.children.find((block) => block.type.name === 'paragraph' && block.content.size);
  add(first?.attrs.id as string | undefined, 'after the first paragraph');
  const longest = stretchesWithoutRest(doc, 0).sort((a, b) => b.words - a.words)[0];
  if (longest) add(longest.middle, `in the middle of ${longest.words} words with nothing to look at`);
  return places;
}

/** The block told from the place of a source nearest to a time. */
function toldAt(doc: PostNode, { source, startMs }: { source: string; startMs: number }): string | undefined {
  let best: { id: string; off: number } | undefined;
  doc.forEach((block) => {
    for (const origin of (block.attrs.origins ?? []) as Origin[]) {
      if (origin.source !== source || origin.startMs === undefined) continue;
      const off = Math.abs(origin.startMs - startMs);
      if (!best || off < best.off) best = { id: block.attrs.id as string, off };
    }
  });
  return best?.id;
}
