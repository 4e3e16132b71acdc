import { type Check, PRACTICE } from '../check.ts';
import { eachMatch } from '../each-stretch.ts';

const SIGNS = [
  // HTML: tags and signs by name.
  /<\/?(?:p|br|div|span|b|i|em|strong|a|h[1-6]|ul|ol|li|img|font|u|table|t[dr])\b[^<>]*>/u,
  /&(?:nbsp|amp|lt|gt|quot|mdash|ndash|#\d+);/u,
  // Markdown: bold, whole or begun; headings, links and pictures, code, rows of tables.
  /\*\*[^*\n]+\*\*/u,
  /(?<![\p{L}\p{N}*])\*\*(?=[\p{L}\p{N}])/u,
  /(?<!\S)#{1,6}\s(?=\p{L})/u,
  /!?\[[^\]\n]+\]\([^)\s]+\)/u,
  /(?<!\S)```/u,
  /^\|[^|\n]+\|[^\n]*\|\s*$/u,
  // Fields of templates.
  /\{\{[^}]+\}\}/u,
];
const STRAY = new RegExp(SIGNS.map(({ source }) => source).join('|'), 'gmu');

export const strayMarkup: Check = {
  name: 'stray markup',
  kind: 'whole',
  gravity: 'must',
  why: 'Signs of a markup that were not read as such stand on the page as they are.',
  source: PRACTICE,
  run: eachMatch(STRAY, ({ 0: words }) => ({ says: `“${words}” is markup`, hint: 'Readers see these signs. Take them out.' })),
};
