import { altFaults, rightsWanting } from '../dress/index.ts';
import { picturesOf, type PictureAttrs } from '../post/pictures.ts';
import type { Check, Finding } from './finding.ts';

type Found = Omit<Finding, 'check'>;

const of = ({ id }: PictureAttrs, gravity: Found['gravity'], says: string, hint: string): Found => ({
  ...{ gravity, says, hint },
  place: { block: id },
});

/** Every picture says what is seen on it, unless it only adorns (WCAG 2.2, 1.1.1), and says it well (common practice, no source). */
export const pictureText: Check = {
  name: 'alternative text',
  run({ doc }) {
    const pictures = picturesOf(doc);
    return pictures.flatMap((picture) => {
      if (!picture.alt.trim() && !picture.isDecorative)
        return [of(picture, 'must', 'A picture has no alternative text', 'Say what is seen on it, for readers who cannot see it.')];
      const others = pictures.filter((other) => other !== picture).map((other) => other.alt);
      const [fault] = altFaults(picture, others);
      return fault ? [of(picture, 'look', `The alternative text “${picture.alt || 'none'}” could be better`, fault)] : [];
    });
  },
};

/** Every picture of the house may be shown, as far as is known of it (common practice, no source). */
export const pictureRights: Check = {
  name: 'picture rights',
  run: ({ doc, rights }) =>
    picturesOf(doc).flatMap((picture) => {
      const known = rights?.[picture.src];
      const wanting = known && rightsWanting(known);
      return wanting ? [of(picture, 'look', wanting, 'Say in Dress whose it is, or take another picture.')] : [];
    }),
};
