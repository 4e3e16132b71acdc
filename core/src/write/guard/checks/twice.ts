import { dice } from '../../../language/dice.ts';
import { terms } from '../../../language/terms.ts';
import { wordsBlocks } from '../blocks.ts';
import type { GuardCheck } from '../finding.ts';

const FEWEST_STEMS = 6;
// From here on two paragraphs say the same (own choice, tried on the demo's pieces).
const ALIKE = 0.6;

/** Paragraphs that say what another says already. */
export const twice: GuardCheck = ({ doc, others }) => {
  const stems = (text: string) => new Set(terms(text));
  const said = others.flatMap((other) => wordsBlocks(other).map(({ text }) => ({ where: 'on the page', text, stems: stems(text) })));
  return wordsBlocks(doc).flatMap(({ n, text }) => {
    const own = stems(text);
    if (own.size < FEWEST_STEMS) return [];
    const same = said.find((other) => other.stems.size >= FEWEST_STEMS && dice(own, other.stems) >= ALIKE);
    said.push({ where: 'above', text, stems: own });
    if (!same) return [];
    return [
      {
        check: 'twice',
        gravity: 'look' as const,
        block: n,
        from: 0,
        to: text.length,
        says: `This is said already, ${same.where}`,
        hint: `“${same.text.slice(0, 90)}${same.text.length > 90 ? '…' : ''}”`,
        fix: { label: 'Take it out' as const, take: 'block' as const },
      },
    ];
  });
};
