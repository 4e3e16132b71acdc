const WORD = /[\p{L}\p{N}]+(?:[’'.,-][\p{L}\p{N}]+)*/gu;

/** A word and where it stands: UTF-16 offsets into the text it was found in. */
export type Word = { text: string; from: number; to: number };

/** Finds the words of a text. Apostrophes, hyphens and figures such as 1,200 stay inside one word. */
export function words(text: string): Word[] {
  return Array.from(text.matchAll(WORD), (m) => ({
    text: m[0],
    from: m.index,
    to: m.index + m[0].length,
  }));
}

/** How many words a text has. */
export function wordCount(text: string): number {
  return text.match(WORD)?.length ?? 0;
}
