import { alignmentOf } from './alignment.ts';
import { denials } from './denials.ts';
import type { Known } from './known-facts.ts';
import type { Doubt, Statement } from './statement.ts';
import { unsaidFigures } from './unsaid-figures.ts';
import { unsaidNames } from './unsaid-names.ts';
import { unsaidQuotations } from './unsaid-quotations.ts';

/** What in a statement nobody said, in its order. */
export function doubtsOf(statement: Statement, known: Known): Doubt[] {
  const aligned = alignmentOf(known.index, statement.text, statement.rests);
  return [
    ...unsaidFigures(statement, known, aligned),
    ...unsaidNames(statement, known, aligned),
    ...unsaidQuotations(statement, known),
    ...denials(aligned),
  ].sort((a, b) => a.from - b.from);
}
