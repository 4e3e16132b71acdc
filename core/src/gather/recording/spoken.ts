import type { Passage } from '../source.ts';

/** A stretch of a passage's text that is spoken at one time: UTF-16 offsets. */
export type SpokenStretch = { from: number; to: number };

/** When a letter of a passage is spoken, in milliseconds: by the times of its words, or by its share of the whole. */
export function timeAt({ text, startMs = 0, endMs = startMs, wordsMs }: Passage, offset: number): number {
  const all = stretches(text);
  const word = Math.max(
    0,
    all.findIndex((s) => offset < s.to),
  );
  const known = wordsMs?.[2 * word];
  if (known !== undefined) return known;
  return startMs + ((all[word]?.from ?? 0) / Math.max(1, text.length)) * (endMs - startMs);
}

/** The word of a passage that is spoken at a time; null before it begins and after it ends. */
export function wordAt(passage: Passage, ms: number): SpokenStretch | null {
  const { text, startMs = 0, endMs = startMs, wordsMs } = passage;
  if (ms < startMs || ms > endMs) return null;
  const all = stretches(text);
  if (wordsMs) {
    const n = all.findLastIndex((_, i) => (wordsMs[2 * i] ?? Infinity) <= ms);
    return all[n] ?? null;
  }
  const at = ((ms - startMs) / Math.max(1, endMs - startMs)) * text.length;
  return all.find((s) => at < s.to + 1) ?? null;
}

/** The number of the passage that is spoken at a time, the last that has begun; -1 before the first. */
export function passageAtTime(passages: readonly Passage[], ms: number): number {
  let low = 0;
  let high = passages.length - 1;
  let found = -1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    if ((passages[middle]!.startMs ?? Infinity) <= ms) {
      found = middle;
      low = middle + 1;
    } else high = middle - 1;
  }
  return found;
}

const stretches = (text: string): SpokenStretch[] =>
  Array.from(text.matchAll(/\S+/g), (m) => ({ from: m.index, to: m.index + m[0].length }));
