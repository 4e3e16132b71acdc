import type { Format } from './format.ts';
import { plainCueText, readCues, voicesOf } from './captions.ts';

/** SubRip captions: number, `00:00:01,000 --> 00:00:02,000`, words, empty line. */
export const srt: Format = {
  kind: 'captions-srt',
  label: 'captions',
  extensions: ['srt'],
  readings: [],
  fits: ({ text }) => /^\s*[\d:.,]+\s*-->\s*[\d:.,]+/m.test(text()),
  read: ({ text }) => ({
    source: {
      kind: 'captions-srt',
      passages: readCues(text(), (raw) => voicesOf(plainCueText(raw).replace(/\{\\[^}]*\}/g, ''))),
    },
  }),
};
