import { diffWords } from 'diff';
import { type Check, PRACTICE } from '../check.ts';
import { unsaid } from '../unsaid.ts';

export const unsaidQuotation: Check = {
  name: 'quotation nobody said',
  kind: 'truth',
  gravity: 'must',
  why: 'Words between quotation marks are somebody’s own, to the letter.',
  source: PRACTICE,
  run: (post) =>
    unsaid(post, 'quotation', ({ says: quoted, meant }) => {
      if (!meant) return { says: NOBODY, hint: 'Listen again and take the words as they were said, or take the marks away.' };
      const ending = /[.,!?…]*$/.exec(quoted)![0];
      return { says: NOBODY, hint: differences(quoted, meant), fix: { label: 'Take it as it was said', text: `“${meant}${ending}”` } };
    }),
};

const NOBODY = 'A quotation nobody said like this';
// So many differences are told one by one.
const MOST_TOLD = 3;

/** What a quotation has otherwise than it was said, in a sentence or more. */
function differences(quoted: string, said: string): string {
  const parts = diffWords(quoted.replace(/[.,!?…]+$/, ''), said, { ignoreCase: true });
  const told: string[] = [];
  parts.forEach(({ added, removed, value }, n) => {
    const [before, next] = [parts[n - 1], parts[n + 1]];
    if (removed) told.push(next?.added ? `“${value.trim()}” was said as “${next.value.trim()}”` : `“${value.trim()}” was not said`);
    else if (added && !before?.removed) told.push(`“${value.trim()}” was said too`);
  });
  return told.length > MOST_TOLD ? `It was said: “${said}”.` : `${told.join('; ')}.`;
}
