import type { Passage, SpokenWord } from './source.ts';

// A passage of speech is as long as a caption: until a pause, a change of voice, a full stop, or enough words.
const PAUSE_MS = 700;
const ENOUGH_WORDS = 9;
const MOST_WORDS = 16;

/** Words with times as passages that remember the time of each of their words. */
export function cuesOf(words: readonly SpokenWord[]): Passage[] {
  const passages: Passage[] = [];
  let run: SpokenWord[] = [];
  const flush = () => {
    if (!run.length) return;
    const [first] = run;
    passages.push({
      text: run.map((w) => w.text).join(' '),
      startMs: first!.startMs,
      endMs: Math.max(...run.map((w) => w.endMs)),
      ...(first!.speaker ? { speaker: first!.speaker } : {}),
      wordsMs: run.flatMap((w) => [w.startMs, w.endMs]),
    });
    run = [];
  };
  for (const word of words) {
    const before = run.at(-1);
    if (
      before &&
      (word.startMs - before.endMs >= PAUSE_MS ||
        word.speaker !== before.speaker ||
        run.length >= MOST_WORDS ||
        (run.length >= ENOUGH_WORDS && /[.!?]$/.test(before.text)))
    ) {
      flush();
    }
    run.push(word);
  }
  flush();
  return passages;
}
