import { sentences } from '../language/sentences.ts';
import { wordCount } from '../language/words.ts';
import { plainText } from '../post/sections.ts';
import type { Check, Finding } from './finding.ts';

/** The most words a sentence has before it is worth a look (common practice, no source). */
export const LONG_SENTENCE = 40;

/** Sentences that have to be read twice. */
export const longSentences: Check = {
  name: 'long sentence',
  run: ({ doc }) => {
    const found: Omit<Finding, 'check'>[] = [];
    // An item of a list has no id of its own: the finding names the nearest block that has one.
    doc.descendants((node, _pos, parent) => {
      if (!node.isTextblock || node.type.name === 'codeBlock') return true;
      const block = (node.attrs.id || parent?.attrs.id) as string;
      for (const s of sentences(plainText(node))) {
        const count = wordCount(s.text);
        if (count <= LONG_SENTENCE) continue;
        found.push({
          gravity: 'look',
          place: { block, from: s.from, to: s.to },
          says: `A sentence of ${count} words`,
          hint: `“${s.text.split(/\s+/).slice(0, 9).join(' ')}…” Up to ${LONG_SENTENCE} words can be read in one go.`,
        });
      }
      return false;
    });
    return found;
  },
};
