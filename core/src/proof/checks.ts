import { description } from './description.ts';
import type { Check, Finding, Proofed } from './finding.ts';
import { emptyHeadings, skippedLevels } from './headings.ts';
import { pictureRights, pictureText } from './pictures.ts';
import { readingGrade } from './reading.ts';
import { longSentences } from './sentences.ts';
import { title } from './title.ts';
import { wordCountInRange } from './word-count.ts';

/** Every check there is, in the order findings are shown. */
export const CHECKS: readonly Check[] = [
  title,
  emptyHeadings,
  pictureText,
  pictureRights,
  skippedLevels,
  wordCountInRange,
  readingGrade,
  description,
  longSentences,
];

/** Runs every check on a post: what must be fixed comes first. */
export function proof(post: Proofed): Finding[] {
  const found = CHECKS.flatMap((check) => check.run(post).map((f) => ({ check: check.name, ...f })));
  return [...found.filter((f) => f.gravity === 'must'), ...found.filter((f) => f.gravity === 'look')];
}
