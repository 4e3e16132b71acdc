// Makes the captions of the demo's talk from its script: words timed as a calm speaker says them, cut blindly
// into cues of two short lines, as captions come from a recording. Run: npx tsx demo/make-captions.ts
import { readFileSync, writeFileSync } from 'node:fs';

const WORD_MS = 300;
const LETTER_MS = 22;
const SENTENCE_PAUSE_MS = 420;
const PARAGRAPH_PAUSE_MS = 1600;
const LINE = 40;

const folder = new URL('.', import.meta.url);
const script = readFileSync(new URL('script/knife-evening.txt', folder), 'utf8');

type Said = { text: string; from: number; to: number };
const said: Said[] = [];
let clock = 2600;
for (const paragraph of script.trim().split(/\n\n+/)) {
  for (const text of paragraph.split(/\s+/)) {
    const from = clock;
    clock += WORD_MS + LETTER_MS * text.length;
    said.push({ text, from, to: clock });
    if (/[.?!]$/.test(text)) clock += SENTENCE_PAUSE_MS;
    else if (/,$/.test(text)) clock += SENTENCE_PAUSE_MS / 4;
  }
  clock += PARAGRAPH_PAUSE_MS;
}

const cues: { lines: string[]; from: number; to: number }[] = [];
let cue: (typeof cues)[number] | null = null;
said.forEach((word, i) => {
  const pause = i ? word.from - said[i - 1]!.to : 0;
  const line = cue?.lines.at(-1) ?? '';
  const longer = line ? `${line} ${word.text}` : word.text;
  if (!cue || pause > 1000 || (longer.length > LINE && cue.lines.length === 2)) {
    cue = { lines: [word.text], from: word.from, to: word.to };
    cues.push(cue);
  } else if (longer.length > LINE) cue.lines.push(word.text);
  else cue.lines[cue.lines.length - 1] = longer;
  cue.to = word.to;
});

const stamp = (ms: number) => {
  const s = Math.floor(ms / 1000);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${two(Math.floor(s / 3600))}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)},${String(Math.floor(ms) % 1000).padStart(3, '0')}`;
};
const srt = cues.map((c, i) => {
  // Every so often the program that made the captions left an empty line inside a cue.
  const lines = i % 29 === 17 && c.lines.length === 2 ? [c.lines[0], '', '', c.lines[1]] : c.lines;
  return `${i + 1}\n${stamp(c.from)} --> ${stamp(c.to)}\n${lines.join('\n')}\n`;
});
writeFileSync(new URL('material/knife-evening.srt', folder), `${srt.join('\n')}\n`);
