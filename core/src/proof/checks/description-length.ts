import { DESCRIPTION_LENGTH } from '../../post/details.ts';
import { type Check, PRACTICE } from '../check.ts';

const { least, most } = DESCRIPTION_LENGTH;

export const descriptionLength: Check = {
  name: 'description length',
  kind: 'findable',
  gravity: 'look',
  why: 'Result lists cut a description that is longer, and give away the room of one that is shorter.',
  source: PRACTICE,
  run({ details }) {
    const length = details.description.trim().length;
    if (!length || (length >= least && length <= most)) return [];
    return [
      {
        place: { detail: 'description' },
        says: `The description has ${length} characters`,
        hint: length > most ? `It is cut after ${most}: ${length - most} too many.` : `There is room for ${least} to ${most}.`,
      },
    ];
  },
};
