/** A stretch of a source. Times are milliseconds from the start of the recording. */
export type Passage = {
  text: string;
  startMs?: number;
  endMs?: number;
  speaker?: string;
  /** When each of its words begins and ends, two figures a word, where the recording was heard word by word. */
  wordsMs?: number[];
  /** White space that followed it in the raw text, when it is more than its kind usually has. */
  after?: string;
};

/** One spoken word; times in milliseconds from the start of the recording. */
export type SpokenWord = { text: string; startMs: number; endMs: number; speaker?: string };

/** What a source is made of; the name of the format that was read (formats.ts), or `recording`. */
export type SourceKind = string;

/** One item of material as read: its passages in order. The raw bytes are kept elsewhere, unchanged. */
export type Source = {
  kind: SourceKind;
  passages: Passage[];
  /** The title the material itself carries, if it does. */
  title?: string;
};

/** How long the recording behind a source is, in milliseconds; null when it carries no times. */
export function durationMs(source: Source): number | null {
  let last: number | null = null;
  for (const p of source.passages) {
    const end = p.endMs ?? p.startMs;
    if (end !== undefined && (last === null || end > last)) last = end;
  }
  return last;
}

/** Whether a source is speech with times: its passages follow one another like lines, not like paragraphs. */
export function isTimed(source: Source): boolean {
  return source.passages.some((p) => p.startMs !== undefined);
}
