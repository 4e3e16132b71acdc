import { altFaults } from '../../dress/index.ts';
import { picturesOf } from '../../post/pictures.ts';
import type { Check } from '../check.ts';

export const pictureTextWell: Check = {
  name: 'alternative text said well',
  kind: 'pictures',
  gravity: 'look',
  why: 'A file name, “picture of” or the same words twice tell nobody what is seen.',
  source: 'W3C WAI, An alt Decision Tree; common practice, no source',
  run({ doc }) {
    const pictures = picturesOf(doc);
    return pictures.flatMap((picture) => {
      if (!picture.alt.trim() && !picture.isDecorative) return [];
      const others = pictures.filter((other) => other !== picture).map((other) => other.alt);
      const [fault] = altFaults(picture, others);
      if (!fault) return [];
      return [{ place: { block: picture.id }, says: `The alternative text “${picture.alt || 'none'}” could be better`, hint: fault }];
    });
  },
};
