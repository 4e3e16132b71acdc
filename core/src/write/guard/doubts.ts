import { type Alignment, alignmentOf } from './alignment.ts';
import { denials } from './denials.ts';
import type { Known } from './known-facts.ts';
import type { Doubt, Statement } from './statement.ts';
import { unsaidFigures } from './unsaid-figures.ts';
import { unsaidNames } from './unsaid-names.ts';
import { unsaidQuotations } from './unsaid-quotations.ts';

// What a sentence denies can be held against what it rests on; where that is not known, against what says nearly the same.
const CLOSE = 0.75;

const isClose = (aligned: Alignment | null, { rests }: Statement): boolean =>
  rests.length > 0 || (aligned !== null && aligned.match.filter((m) => m >= 0).length >= CLOSE * aligned.own.length);

/** What in a statement nobody said, in its order. */
export function doubtsOf(statement: Statement, known: Known): Doubt[] {
  const aligned = alignmentOf(known.index, statement.text, statement.rests);
  return [
    ...unsaidFigures(statement, known, aligned),
    ...unsaidNames(statement, known, aligned),
    ...unsaidQuotations(statement, known),
    ...(isClose(aligned, statement) ? denials(aligned) : []),
  ].sort((a, b) => a.from - b.from);
}
