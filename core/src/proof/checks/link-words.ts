import { normal } from '../../language/terms.ts';
import type { Check } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { linksOf } from '../links-of.ts';
import { placeIn } from '../place.ts';

const SAYS_NOTHING =
  /^(?:(?:click|tap|press|look|see|read)?\s*(?:right\s+)?(?:here|this|this link|this page|link|more|read more|learn more|find out more|more info(?:rmation)?|details|website|web ?page|page)|click|download|pdf)\.?$/;

export const linkWords: Check = {
  name: 'link words',
  kind: 'everyone',
  gravity: 'look',
  why: 'Links are listed and read aloud without what stands around them.',
  source: 'WCAG 2.2, 2.4.4 and 2.4.9',
  run: eachStretch((stretch) =>
    linksOf(stretch).flatMap(({ words, from, to, href }) => {
      const said = normal(words.trim());
      if (!SAYS_NOTHING.test(said) && said !== normal(href)) return [];
      return [
        {
          place: placeIn(stretch, from, to),
          says: said === normal(href) ? 'A link shows its bare address' : `“${words}” does not say where the link leads`,
          hint: 'Let the words name what is found there.',
        },
      ];
    }),
  ),
};
