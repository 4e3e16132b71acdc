import { normal } from '../../../language/terms.ts';
import { words } from '../../../language/words.ts';
import { wordsBlocks } from '../blocks.ts';
import type { GuardCheck } from '../finding.ts';

const plain = (heading: string): string =>
  words(heading)
    .map((w) => normal(w.text))
    .join(' ');

/** Headings that a reference page has word for word. */
export const headings: GuardCheck = ({ doc, asked }) => {
  const theirs = new Set(asked.headings.map(plain));
  return wordsBlocks(doc).flatMap(({ n, node, text }) =>
    node.type.name === 'heading' && theirs.has(plain(text))
      ? [
          {
            check: 'headings',
            gravity: 'look' as const,
            block: n,
            from: 0,
            to: text.length,
            says: `“${text}” is a reference page’s heading`,
            hint: 'Word it as your own.',
          },
        ]
      : [],
  );
};
