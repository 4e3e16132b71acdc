import { phrasePlaces } from '../../language/phrase-places.ts';
import { picturesOf } from '../../post/pictures.ts';
import { type Check, type Found, PRACTICE } from '../check.ts';
import { phraseAt, phraseOf } from '../phrase.ts';
import { isHeading, isProse } from '../stretches.ts';

export const phraseOnPage: Check = {
  name: 'phrase on the page',
  kind: 'findable',
  gravity: 'look',
  why: 'Readers who looked for the phrase want to see at once that they are right here.',
  source: PRACTICE,
  run(post) {
    const phrase = phraseOf(post);
    const prose = post.stretches.filter(isProse);
    if (!phrase || !prose.length) return [];
    const headings = post.stretches.filter(isHeading);
    const pictures = picturesOf(post.doc).filter((picture) => picture.alt);
    const found: Found[] = [];
    if (!phraseAt(prose[0]!, phrase).length)
      found.push({
        place: { block: prose[0]!.block },
        says: `The first paragraph does not say “${phrase}”`,
        hint: 'Say early what the post is about.',
      });
    if (headings.length && !headings.some((h) => phraseAt(h, phrase).length))
      found.push({
        place: { block: headings[0]!.block },
        says: `No heading says “${phrase}”`,
        hint: 'One of them can, in whatever form of its words.',
      });
    if (pictures.length && !pictures.some((picture) => phrasePlaces(picture.alt, [phrase]).length))
      found.push({
        place: { block: pictures[0]!.id },
        says: `No alternative text says “${phrase}”`,
        hint: 'Where a picture shows it, its alternative text can say so.',
      });
    return found;
  },
};
