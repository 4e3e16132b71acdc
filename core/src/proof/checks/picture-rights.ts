import { rightsWanting } from '../../dress/index.ts';
import { picturesOf } from '../../post/pictures.ts';
import { type Check, PRACTICE } from '../check.ts';

export const pictureRights: Check = {
  name: 'picture rights',
  kind: 'pictures',
  gravity: 'look',
  why: 'A picture nobody was asked for can cost more than the post earns.',
  source: PRACTICE,
  run: ({ doc, rights }) =>
    picturesOf(doc).flatMap(({ id, src }) => {
      const known = rights?.[src];
      const wanting = known && rightsWanting(known);
      return wanting ? [{ place: { block: id }, says: wanting, hint: 'Say in Dress whose it is, or take another picture.' }] : [];
    }),
};
