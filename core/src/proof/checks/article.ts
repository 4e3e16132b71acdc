import { type Check } from '../check.ts';
import { eachMatch } from '../each-stretch.ts';

// Spelt with a vowel and said without one, and the other way round; as far as they are common.
const SAID_CONSONANT = /^(?:u(?:ni(?!n|m|mp)|s(?:e|u|a)|t(?:e|i)|r(?:a|i)n|k)|eu|ewe|one(?:s|$|-)|once|ouija)/i;
const SAID_VOWEL = /^(?:hour|heir|honou?r|honest)/i;

/** Whether a word is said with a vowel at its start; null where it cannot be told, as for letters and figures. */
function saidWithVowel(word: string): boolean | null {
  if (/^(?:8|11(?!\d)|18(?!\d))/.test(word)) return true;
  if (/^\d/.test(word)) return false;
  // Capitals may be said letter by letter, or as a word.
  if (/^\p{Lu}{2,}|^\p{L}(?:[-.]|$)|^\p{L}\d/u.test(word)) return null;
  if (SAID_VOWEL.test(word)) return true;
  return /^[aeiou]/i.test(word) && !SAID_CONSONANT.test(word);
}

export const article: Check = {
  name: 'article',
  kind: 'language',
  gravity: 'must',
  why: 'A and an are chosen by how the next word is said.',
  source: 'Oxford style for “a” and “an”, from memory',
  run: eachMatch(/(?<![\p{L}\p{N}’'.-])(an?)(?=\s+([\p{L}\p{N}][\p{L}\p{N}’'.-]*))/giu, ({ 1: said, 2: next }) => {
    const isAn = said!.length === 2;
    const vowel = saidWithVowel(next!);
    if (vowel === null || vowel === isAn || (said === 'A' && /^(?:and|or|in|is|are)$/i.test(next!))) return null;
    const right = isAn ? said!.slice(0, 1) : `${said!}n`;
    return {
      says: `“${said} ${next}”`,
      hint: `Before “${next}” it is “${right.toLowerCase()}”.`,
      fix: { label: `Make it ${right}`, text: right },
    };
  }),
};
