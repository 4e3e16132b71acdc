import { type Check, type Found, PRACTICE } from '../check.ts';
import { phraseOf, saysPhrase } from '../phrase.ts';

export const phraseInDetails: Check = {
  name: 'phrase in title, slug and description',
  kind: 'findable',
  gravity: 'look',
  why: 'Title, address and description are what a result list shows of the post.',
  source: PRACTICE,
  run({ details, ...post }) {
    const phrase = phraseOf({ details, ...post });
    if (!phrase) return [];
    return (['title', 'slug', 'description'] as const).flatMap((detail): Found[] => {
      if (!details[detail].trim() || saysPhrase(details[detail], phrase)) return [];
      return [
        {
          place: { detail },
          says: `The ${detail} does not say “${phrase}”`,
          hint: 'It is the main phrase of the brief: what people look for.',
        },
      ];
    });
  },
};
