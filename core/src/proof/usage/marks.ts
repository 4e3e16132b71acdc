import type { Usage } from './usage.ts';

// A quotation of several paragraphs opens each of them and closes the last: one that opens a text may go on behind it.
const OPENED = [
  ['“', '”', 'A quotation is opened and not closed.'],
  ['(', ')', 'A bracket is opened and not closed.'],
] as const;

/** Marks that do not belong: two full stops, and what is opened and not closed (common practice, no source). */
export function marksIn(text: string): Usage[] {
  const twice = Array.from(text.matchAll(/(?<=[\p{L}\p{N})”"])(?<!\betc)\.\.(?![./\p{L}\p{N}])/gu), ({ index }): Usage => ({
    rule: 'grammar',
    from: index,
    to: index + 2,
    says: 'One full stop is enough.',
    instead: ['.'],
  }));
  const open = OPENED.flatMap(([opens, closes, says]): Usage[] => {
    const last = text.lastIndexOf(opens);
    // Smileys and the like stand at an end.
    return last > 0 && !text.includes(closes, last) && /[\p{L}\p{N}]/u.test(text.charAt(last + 1))
      ? [{ rule: 'grammar', from: last, to: last + 1, says, instead: [] }]
      : [];
  });
  return [...twice, ...open];
}
