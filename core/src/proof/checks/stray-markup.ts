import { type Check, PRACTICE } from '../check.ts';
import { eachMatch } from '../each-stretch.ts';

const STRAY =
  /<\/?(?:p|br|div|span|b|i|em|strong|a|h[1-6]|ul|ol|li|img|font|u|table|t[dr])\b[^<>]*>|&(?:nbsp|amp|lt|gt|quot|mdash|ndash|#\d+);|\*\*[^*\n]+\*\*|(?<!\S)#{1,6}\s(?=\p{L})|!?\[[^\]\n]+\]\([^)\s]+\)|(?<!\S)```|\{\{[^}]+\}\}/gu;

export const strayMarkup: Check = {
  name: 'stray markup',
  kind: 'whole',
  gravity: 'must',
  why: 'Signs of a markup that were not read as such stand on the page as they are.',
  source: PRACTICE,
  run: eachMatch(STRAY, ({ 0: words }) => ({ says: `“${words}” is markup`, hint: 'Readers see these signs. Take them out.' })),
};
