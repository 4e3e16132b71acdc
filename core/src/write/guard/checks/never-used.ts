import { phrasePlaces, plainLetters } from '../../../language/phrase-places.ts';
import { wordsBlocks } from '../blocks.ts';
import type { GuardCheck } from '../finding.ts';

/** Words that House style or the brief never uses. */
export const neverUsed: GuardCheck = ({ doc, asked }) => {
  const wanted = asked.never.map((words) => plainLetters(words.trim()));
  return wordsBlocks(doc).flatMap(({ n, text }) => {
    const plain = plainLetters(text);
    return wanted.flatMap((words) => {
      const [at] = phrasePlaces(plain, words);
      if (at === undefined) return [];
      const to = at + words.length;
      return [
        {
          check: 'never used',
          gravity: 'look' as const,
          block: n,
          from: at,
          to,
          says: `“${text.slice(at, to)}” is never used here`,
          hint: 'House style or the brief says so. Say it in plain words.',
        },
      ];
    });
  });
};
