import type { Source } from '../gather/index.ts';
import type { PostNode } from '../post/schema.ts';
import { stretchesOf } from './stretches.ts';

// A draft of which more than so much of the page is made is the page itself.
const MOSTLY = 0.6;

/** Whether somebody talks in a source: it carries times, or says who speaks. */
export const isTalk = ({ passages }: Source): boolean => passages.some(({ startMs, speaker }) => startMs !== undefined || !!speaker);

/**
 * The sources a page is held against, by their ids: all of them; but a draft that stands on the page as it came says nothing for
 * itself where there is talk to hold it against.
 */
export function witnesses(doc: PostNode, sources: readonly { id: string; source: Source }[]): string[] {
  if (!sources.some(({ source }) => isTalk(source))) return sources.map(({ id }) => id);
  const stretches = stretchesOf(doc);
  const shareOf = (id: string) =>
    stretches.filter(({ origins }) => origins.some(({ source }) => source === id)).length / Math.max(1, stretches.length);
  return sources.filter(({ id, source }) => isTalk(source) || shareOf(id) < MOSTLY).map(({ id }) => id);
}
