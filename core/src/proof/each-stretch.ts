import type { Found, Ready } from './check.ts';
import { placeIn } from './place.ts';
import type { Stretch } from './stretches.ts';

/**
 * A check that looks at each stretch of words by itself: what was found in one holds until other words stand there.
 * @param on what else it depends on, as a word; nothing for most
 */
export function eachStretch(find: (stretch: Stretch, post: Ready) => Found[], on: (post: Ready) => string = () => '') {
  const seen = new WeakMap<Stretch, { on: string; found: Found[] }>();
  return (post: Ready): Found[] => {
    const now = on(post);
    return post.stretches.flatMap((stretch) => {
      const last = seen.get(stretch);
      if (last?.on === now) return last.found;
      const found = find(stretch, post);
      seen.set(stretch, { on: now, found });
      return found;
    });
  };
}

/** What a check says of one match; nothing where it is none after all. */
type Saying = (match: RegExpExecArray, stretch: Stretch) => Omit<Found, 'place'> | null;

/** A check for what a pattern finds in the words of a page. The pattern is global, and takes time in step with the text. */
export const eachMatch = (pattern: RegExp, saying: Saying) =>
  eachStretch((stretch) =>
    Array.from(stretch.text.matchAll(pattern)).flatMap((match) => {
      const said = saying(match, stretch);
      return said ? [{ place: placeIn(stretch, match.index, match.index + match[0].length), ...said }] : [];
    }),
  );
