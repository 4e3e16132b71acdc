import { readFileSync } from 'node:fs';
import { isContentWord } from '@even-page/core/language/terms';

const evening = readFileSync(new URL('../demo/material/knife-evening.srt', import.meta.url), 'utf8');
const said = evening
  .split(/\n\n+/)
  .map((block) => block.split('\n').slice(2).join('\n'))
  .filter((words) => words.trim());

const pad = (n: number) => String(n).padStart(2, '0');
const time = (s: number) => `${pad(Math.floor(s / 3600))}:${pad(Math.floor(s / 60) % 60)}:${pad(s % 60)},000`;

/**
 * A caption file of so many hours: 1,200 cues and about 9,000 words an hour, made of the demo's talk. Each time
 * it comes round again its content words are others, as another subject would have.
 */
export function talkOfHours(hours: number): Uint8Array {
  const cues = Array.from({ length: hours * 1200 }, (_, i) => {
    const round = Math.floor(i / said.length);
    const words = said[i % said.length]!.replace(/\p{L}{4,}/gu, (word) =>
      round && isContentWord(word) ? `${word}${'abcdefghij'[round % 10]}o` : word,
    );
    return `${i + 1}\n${time(i * 3)} --> ${time(i * 3 + 3)}\n${words}\n`;
  });
  return new TextEncoder().encode(cues.join('\n'));
}

const WORDS_A_CUE = 12;

/** Words as captions of twelve words each, one word after another without pauses, in WebVTT. */
export function captionsOf(said: readonly string[], msAWord: number): string {
  const stamp = (ms: number) => `${time(Math.floor(ms / 1000)).slice(0, 8)}.${String(Math.round(ms % 1000)).padStart(3, '0')}`;
  let vtt = 'WEBVTT\n\n';
  for (let k = 0; k < said.length; k += WORDS_A_CUE) {
    const cue = said.slice(k, k + WORDS_A_CUE);
    vtt += `${stamp(k * msAWord)} --> ${stamp((k + cue.length) * msAWord)}\n${cue.join(' ')}\n\n`;
  }
  return vtt;
}
