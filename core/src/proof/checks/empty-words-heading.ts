import { plainHeading } from '../../language/plain-heading.ts';
import { type Check, PRACTICE } from '../check.ts';
import { eachStretch } from '../each-stretch.ts';
import { placeIn } from '../place.ts';
import { isHeading } from '../stretches.ts';

// Headings that could stand over anything (own list); those of standing parts are none.
const ANYTHING =
  /^(?:overview|more|more (?:information|details)|other|others|miscellaneous|general|details|information|background|notes?|part (?:one|two|three|\d)|section \d+|chapter \d+|untitled|next|continued|the (?:first|second|third|next) (?:part|thing)|some thoughts|thoughts|stuff|things)$/;

export const emptyWordsHeading: Check = {
  name: 'heading nobody looks for',
  kind: 'findable',
  gravity: 'look',
  why: 'Readers and result lists go from heading to heading: one that could stand over anything leads to nothing.',
  source: PRACTICE,
  run: eachStretch((stretch) =>
    isHeading(stretch) && ANYTHING.test(plainHeading(stretch.text))
      ? [
          {
            place: placeIn(stretch, 0, stretch.text.length),
            says: `“${stretch.text}” could stand over anything`,
            hint: 'Say what the section is about, as somebody would look for it.',
          },
        ]
      : [],
  ),
};
