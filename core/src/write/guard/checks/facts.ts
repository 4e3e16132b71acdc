import { sentences } from '../../../language/sentences.ts';
import { wordsBlocks } from '../blocks.ts';
import { doubtsOf } from '../doubts.ts';
import { heard } from '../heard.ts';
import type { GuardCheck, GuardFinding } from '../finding.ts';
import { type Known, sentencesOf } from '../known-facts.ts';
import type { Doubt } from '../statement.ts';

/** Figures, names, quotations and denials that the material does not bear out. */
export const facts: GuardCheck = ({ doc, known }) => {
  if (!known.index.sentences.length) return [];
  return wordsBlocks(doc).flatMap(({ n, node, text, origins, beside }) => {
    const rests = sentencesOf(known, origins);
    const isHeading = node.type.name === 'heading';
    return sentences(text).flatMap((sentence) =>
      doubtsOf({ text: sentence.text, rests, ...(beside ? { beside } : {}) }, known)
        .filter((doubt) => !isHeading || doubt.kind === 'figure' || doubt.kind === 'name')
        .map((doubt) => saidOf(doubt, n, sentence.from, known)),
    );
  });
};

function saidOf(doubt: Doubt, block: number, at: number, known: Known): GuardFinding {
  const place = { block, from: at + doubt.from, to: at + doubt.to };
  const fix = { label: 'Take it out', take: 'sentence' } as const;
  if (doubt.kind === 'denial')
    return { check: 'facts', gravity: 'look', ...place, says: 'The material may say the opposite', hint: heard(doubt.near, known), fix };
  if (doubt.elsewhere !== null)
    return {
      check: 'facts',
      gravity: 'look',
      ...place,
      says: `“${doubt.says}” is said of something else`,
      hint: heard([doubt.elsewhere], known),
      fix,
    };
  return { check: 'facts', gravity: 'must', ...place, says: `“${doubt.says}”: nobody said this`, hint: heard(doubt.near, known), fix };
}
