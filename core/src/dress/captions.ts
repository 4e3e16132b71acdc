import type { Passage } from '../gather/index.ts';

// Two lines of 42 letters are what fits under a picture and is read in time (common practice, no source).
const MOST_LETTERS = 84;

type Cue = { startMs: number; endMs: number; text: string; speaker: string };

/** A passage as cues no longer than can be read: cut between words, each from when it is said, or where its letters lie. */
function cuesOf({ text, startMs, endMs, speaker = '', wordsMs }: Passage, nextMs: number | undefined): Cue[] {
  if (startMs === undefined) return [];
  const end = endMs ?? nextMs ?? startMs + 400 * text.split(/\s+/).length;
  const words = text.split(/\s+/).filter(Boolean);
  const timeAt = (word: number, letters: number): number =>
    wordsMs?.[word * 2] ?? Math.round(startMs + ((end - startMs) * letters) / Math.max(1, text.length));
  const cues: Cue[] = [];
  let letters = 0;
  for (const [n, word] of words.entries()) {
    const open = cues.at(-1);
    if (open && open.text.length + 1 + word.length <= MOST_LETTERS) open.text += ` ${word}`;
    else {
      const at = n ? timeAt(n, letters) : startMs;
      if (open) open.endMs = at;
      cues.push({ startMs: at, endMs: end, text: word, speaker });
    }
    letters += word.length + 1;
  }
  return cues.filter((cue) => cue.endMs > cue.startMs);
}

const two = (n: number) => String(n).padStart(2, '0');

function timestamp(ms: number): string {
  const seconds = Math.floor(ms / 1000);
  return `${two(Math.floor(seconds / 3600))}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}.${String(Math.round(ms) % 1000).padStart(3, '0')}`;
}

// WebVTT (W3C), 4.2: what would be read as markup is written as references.
const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

/** The passages of a recording as captions in WebVTT; those without a time are not in it. */
export function captionFile(passages: readonly Passage[]): string {
  const cues = passages.flatMap((passage, n) => cuesOf(passage, passages[n + 1]?.startMs));
  const written = cues.map(
    ({ startMs, endMs, text, speaker }) =>
      `${timestamp(startMs)} --> ${timestamp(endMs)}\n${speaker ? `<v ${escaped(speaker)}>` : ''}${escaped(text)}\n`,
  );
  return `WEBVTT\n\n${written.join('\n')}`;
}
