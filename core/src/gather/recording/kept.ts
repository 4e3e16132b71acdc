/** Bytes of a file that may be too large to hold: from a place on, so many, or fewer at its end. */
export type ReadAt = (from: number, length: number) => Uint8Array;

/** A caption as a container keeps it; times in milliseconds; the track it is of, and its language as a code, if that is said. */
export type KeptCaption = { text: string; startMs: number; endMs: number; track: number; language: string };
