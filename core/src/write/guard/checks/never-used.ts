import { normal } from '../../../language/terms.ts';
import { wordsBlocks } from '../blocks.ts';
import type { GuardCheck } from '../finding.ts';

const FIRST_OR_LAST = /^[\p{L}\p{N}]|[\p{L}\p{N}]$/u;

/** Words that House style or the brief never uses. */
export const neverUsed: GuardCheck = ({ doc, asked }) => {
  const wanted = asked.never.filter((words) => words.trim()).map((words) => normal(words.trim()));
  return wordsBlocks(doc).flatMap(({ n, text }) => {
    const plain = text.toLowerCase().replaceAll('’', "'");
    return wanted.flatMap((words) => {
      const at = placeOf(plain, words);
      if (at < 0) return [];
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

/** Where words stand as whole words. */
function placeOf(text: string, words: string): number {
  for (let at = text.indexOf(words); at >= 0; at = text.indexOf(words, at + 1)) {
    const [before, after] = [text[at - 1] ?? '', text[at + words.length] ?? ''];
    if (!FIRST_OR_LAST.test(before) && !FIRST_OR_LAST.test(after)) return at;
  }
  return -1;
}
