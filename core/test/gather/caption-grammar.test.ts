import { expect } from 'chai';
import fc from 'fast-check';
import { readText } from './read-text.ts';
import { WORDS_OF_CUES } from './cue-words.ts';

const read = (text: string) => readText(new TextEncoder().encode(text)).source.passages;
const pad = (n: number, width = 2) => String(n).padStart(width, '0');

/** A time as its format writes it; WebVTT may leave hours of 0 out. */
function time(ms: number, mark: '.' | ',', hours: boolean): string {
  const h = Math.floor(ms / 3_600_000);
  const rest = `${pad(Math.floor(ms / 60_000) % 60)}:${pad(Math.floor(ms / 1000) % 60)}${mark}${pad(ms % 1000, 3)}`;
  return h || hours ? `${pad(h)}:${rest}` : rest;
}

const cue = fc.record({
  startMs: fc.integer({ min: 0, max: 400 * 3_600_000 }),
  lengthMs: fc.nat(9000),
  words: fc.constantFrom(...WORDS_OF_CUES),
  named: fc.boolean(),
  hours: fc.boolean(),
});
const cues = fc.array(cue, { minLength: 1, maxLength: 12 });
const lineEnd = fc.constantFrom('\n', '\r\n', '\r');
const gap = fc.integer({ min: 1, max: 3 });

// What the grammar of W3C WebVTT (section 4.1, "Syntax of WebVTT files") lets a cue say besides its words.
const identifier = fc.constantFrom('', '1\n', 'intro\n', 'cue 7 of 9\n');
const settings = fc.constantFrom('', ' align:start', ' line:63% position:72% align:start', ' vertical:rl region:fred', '\tsize:50%');
const comment = fc.constantFrom('', 'NOTE one line\n\n', 'NOTE\nseveral\nlines\n\n');
const dress = fc.constantFrom<(words: string) => string>(
  (w) => w,
  (w) => `<i>${w}</i>`,
  (w) => `<c.yellow.bg_blue>${w}</c>`,
  (w) => `<00:00:05.000>${w}`,
  (w) => `<lang en-GB>${w}</lang>`,
  (w) => `<ruby>${w}<rt></rt></ruby>`,
);

describe('the grammar of captions', () => {
  it('of WebVTT (W3C, section 4.1) is read in every form it can take', () => {
    fc.assert(
      fc.property(cues, identifier, settings, comment, dress, lineEnd, gap, (list, id, set, note, dressed, end, lines) => {
        const blocks = list.map(
          (c) =>
            `${note}${id}${time(c.startMs, '.', c.hours)} --> ${time(c.startMs + c.lengthMs, '.', c.hours)}${set}\n${dressed(c.words.replace(/&/g, '&amp;'))}`,
        );
        const text = `WEBVTT\n\n${blocks.join('\n'.repeat(lines + 1))}\n`;
        expect(read(text.replaceAll('\n', end)).map(({ text, startMs, endMs }) => ({ text, startMs, endMs }))).to.deep.equal(
          list.map((c) => ({ text: c.words, startMs: c.startMs, endMs: c.startMs + c.lengthMs })),
        );
      }),
      { numRuns: 400 },
    );
  });

  it('of SubRip (number, times with a comma, words, empty line; no standard but common practice) is read the same', () => {
    fc.assert(
      fc.property(cues, lineEnd, gap, (list, end, lines) => {
        const text = list
          .map(
            (c, i) =>
              `${i + 1}\n${time(c.startMs, ',', true)} --> ${time(c.startMs + c.lengthMs, ',', true)}\n${c.named ? `<b>${c.words}</b>` : c.words}`,
          )
          .join('\n'.repeat(lines + 1));
        expect(read(text.replaceAll('\n', end)).map(({ text, startMs, endMs }) => ({ text, startMs, endMs }))).to.deep.equal(
          list.map((c) => ({ text: c.words, startMs: c.startMs, endMs: c.startMs + c.lengthMs })),
        );
      }),
      { numRuns: 400 },
    );
  });
});
