import { phrasePlaces } from '../../../language/phrase-places.ts';
import { wordsBlocks } from '../blocks.ts';
import type { GuardCheck } from '../finding.ts';

/** Words that House style or the brief never uses; each once a block. */
export const neverUsed: GuardCheck = ({ doc, asked }) =>
  wordsBlocks(doc).flatMap(({ n, text }) =>
    asked.never.flatMap((words) =>
      phrasePlaces(text, [words])
        .slice(0, 1)
        .map((found) => ({
          check: 'never used',
          gravity: 'look' as const,
          block: n,
          from: found.from,
          to: found.to,
          says: `“${found.text}” is never used here`,
          hint: 'House style or the brief says so. Say it in plain words.',
        })),
    ),
  );
