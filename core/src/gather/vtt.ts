import type { Format } from './format.ts';
import { plainCueText, readCues, voicesOf } from './captions.ts';

/** WebVTT captions (W3C): the `WEBVTT` line, cues with `<v Name>` voices; notes, styles and regions carry no words. */
export const vtt: Format = {
  kind: 'captions-vtt',
  label: 'captions',
  extensions: ['vtt'],
  readings: [],
  fits: ({ text }) => /^WEBVTT(?:[ \t\n]|$)/.test(text()),
  read: (raw) => {
    const text = raw.text();
    const body = text
      .split(/\n{2,}/)
      .slice(1)
      .filter((block) => !/^(?:NOTE(?:\s|$)|STYLE\s*$|REGION\s*$)/m.test(block.split('\n')[0]!))
      .join('\n\n');
    const title = /^WEBVTT[ \t]+-?[ \t]*(\S.*)$/m.exec(text.split('\n')[0]!)?.[1];
    const passages = readCues(body, (cue) => {
      const [before = '', ...voices] = cue.split(/<v(?:\.[^\s>]*)?\s+(?=[^>]+>)/);
      if (!voices.length) return voicesOf(plainCueText(cue));
      const named = voices.map((part) => {
        const end = part.indexOf('>');
        return { text: plainCueText(part.slice(end + 1)), speaker: plainCueText(part.slice(0, end)).trim() };
      });
      return before.trim() ? [{ text: plainCueText(before) }, ...named] : named;
    });
    return { source: { kind: 'captions-vtt', passages, ...(title ? { title: title.trim() } : {}) } };
  },
};
