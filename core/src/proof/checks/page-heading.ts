import { plainHeading } from '../../language/plain-heading.ts';
import { type Check, PRACTICE } from '../check.ts';
import { placeIn } from '../place.ts';
import { isHeading } from '../stretches.ts';

export const pageHeading: Check = {
  name: 'heading of another page',
  kind: 'own',
  gravity: 'must',
  why: 'A heading taken word for word from somebody else’s page gives away where the rest is from.',
  source: PRACTICE,
  run: ({ stretches, pageHeadings }) =>
    stretches.flatMap((stretch) => {
      const title = isHeading(stretch) && pageHeadings?.get(plainHeading(stretch.text));
      if (!title) return [];
      return [
        {
          place: placeIn(stretch, 0, stretch.text.length),
          says: `“${stretch.text}” is a heading of “${title}”`,
          hint: 'Say it in words of your own.',
        },
      ];
    }),
};
