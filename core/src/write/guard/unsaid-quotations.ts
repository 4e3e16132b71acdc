import { type Known, normalWords } from './known-facts.ts';
import type { Doubt, Statement } from './statement.ts';

// Fewer words in quotation marks are a term, not what somebody said.
const FEWEST_WORDS = 4;
const QUOTED = /[“"]([^“”"]+)[”"]/gu;

/** Words in quotation marks that nobody said so. */
export function unsaidQuotations({ text }: Statement, known: Known): Doubt[] {
  return [...text.matchAll(QUOTED)].flatMap((m): Doubt[] => {
    const said = normalWords(m[1]!);
    if (said.length < FEWEST_WORDS || known.run.includes(` ${said.join(' ')} `)) return [];
    return [{ kind: 'quotation', from: m.index, to: m.index + m[0].length, says: m[1]!, elsewhere: null, near: [] }];
  });
}
