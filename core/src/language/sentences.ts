/** A sentence and where it stands: UTF-16 offsets, without the white space around it. */
export type Sentence = { text: string; from: number; to: number };

// Words whose full stop does not end a sentence (from memory; the usual abbreviations of English prose).
const ABBREVIATION = /(?:^|[\s(])(?:Mr|Mrs|Ms|Dr|Prof|St|Jr|Sr|vs|etc|e\.g|i\.e|approx|No|Fig|p|pp|cf|[A-Z])\.$/;

// An end mark, closing quotes or brackets, white space, then something that can open a sentence.
// It begins at the first of its marks only: tried at each of them, a line of dots would take the square of its length.
const END = /(?<![.!?…])[.!?…]+["'”’)\]]*(?=\s+["'“‘([]*[\p{Lu}\p{N}]|\s*$)/gu;

/**
 * Cuts text into sentences at its end marks; a blank line always ends one.
 * Intl.Segmenter is not used: it cuts after "Mr." and before lower-case words.
 */
export function sentences(text: string): Sentence[] {
  const found: Sentence[] = [];
  const add = (from: number, to: number) => {
    while (from < to && /\s/.test(text[from]!)) from++;
    while (to > from && /\s/.test(text[to - 1]!)) to--;
    if (to > from) found.push({ text: text.slice(from, to), from, to });
  };
  let blockStart = 0;
  for (const gap of [...text.matchAll(/\n\s*\n/g), null]) {
    const blockEnd = gap ? gap.index : text.length;
    const block = text.slice(blockStart, blockEnd);
    let start = 0;
    for (const end of block.matchAll(END)) {
      const stop = end.index + end[0].length;
      if (end[0] === '.' && ABBREVIATION.test(block.slice(Math.max(start, stop - 12), stop))) continue;
      add(blockStart + start, blockStart + stop);
      start = stop;
    }
    add(blockStart + start, blockEnd);
    blockStart = gap ? gap.index + gap[0].length : blockEnd;
  }
  return found;
}
