import { sentences } from '../../../language/sentences.ts';
import { showTime } from '../../../language/times.ts';
import { wordCount } from '../../../language/words.ts';
import { wordsBlocks } from '../blocks.ts';
import type { GuardCheck } from '../finding.ts';

const FEWEST_WORDS = 4;
const SHOWN = 4;

/** What rests on the material, what rests on none of it, and passages that do not exist. */
export const rests: GuardCheck = ({ doc, unknown, missing, known }) => {
  if (!known.index.sentences.length) return [];
  const blocks = wordsBlocks(doc).filter(({ node, text }) => node.type.name !== 'heading' && wordCount(text) >= FEWEST_WORDS);
  const tied = blocks.filter((b) => b.origins.length);
  const count = (of: typeof blocks) => of.reduce((sum, { text }) => sum + sentences(text).length, 0);
  const times = [
    ...new Set(tied.flatMap((b) => b.origins.map((o) => (o.startMs === undefined ? `¶ ${o.first + 1}` : showTime(o.startMs))))),
  ];
  return [
    ...missing.map((says) => ({
      check: 'rests',
      gravity: 'look' as const,
      block: null,
      from: 0,
      to: 0,
      says: 'The material does not give all that was asked',
      hint: says,
    })),
    ...unknown.map((id) => ({
      check: 'rests',
      gravity: 'must' as const,
      block: null,
      from: 0,
      to: 0,
      says: `There is no passage “${id}”`,
      hint: 'The drafter made its source up.',
    })),
    ...blocks
      .filter((b) => !b.origins.length)
      .map(({ n, text }) => ({
        check: 'rests',
        gravity: 'look' as const,
        block: n,
        from: 0,
        to: text.length,
        says: 'This rests on no passage',
        hint: `“${text.slice(0, 90)}${text.length > 90 ? '…' : ''}”`,
      })),
    ...(tied.length
      ? [
          {
            check: 'rests',
            gravity: 'fine' as const,
            block: null,
            from: 0,
            to: 0,
            says: `${count(tied)} of ${count(blocks)} sentences rest on the material`,
            hint: `${times.slice(0, SHOWN).join(', ')}${times.length > SHOWN ? ` and ${times.length - SHOWN} more` : ''}; the marks go along.`,
          },
        ]
      : []),
  ];
};
