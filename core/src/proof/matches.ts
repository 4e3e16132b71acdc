import type { Found, Ready } from './check.ts';
import { placeIn } from './place.ts';
import type { Stretch } from './stretches.ts';

/** What a check says of one match; nothing where it is none after all. */
type Saying = (match: RegExpExecArray, stretch: Stretch) => Omit<Found, 'place'> | null;

/** What a pattern finds in the words of a page. The pattern is global; what it finds takes time in step with the text. */
export function matches({ stretches }: Pick<Ready, 'stretches'>, pattern: RegExp, saying: Saying): Found[] {
  return stretches.flatMap((stretch) =>
    Array.from(stretch.text.matchAll(pattern)).flatMap((match) => {
      const said = saying(match, stretch);
      return said ? [{ place: placeIn(stretch, match.index, match.index + match[0].length), ...said }] : [];
    }),
  );
}
