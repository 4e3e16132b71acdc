import { DESCRIPTION_LENGTH } from '../post/details.ts';
import type { Check } from './finding.ts';

const { least, most } = DESCRIPTION_LENGTH;

/** The description is what search pages show under the title. */
export const description: Check = {
  name: 'description',
  run: ({ details }) => {
    const length = details.description.trim().length;
    if (length > 0 && length <= most) return [];
    return [
      {
        gravity: 'look',
        place: { detail: 'description' },
        says: length ? `The description is ${length} characters` : 'The post has no description',
        hint: `${least} to ${most} characters are shown whole under the title in searches.`,
      },
    ];
  },
};
