import type { Format } from './formats.ts';
import { plainCueText, readCues } from './captions.ts';
import { splitSpeaker } from './speaker.ts';

/** WebVTT captions (W3C): the `WEBVTT` line, cues with `<v Name>` voices; notes, styles and regions carry no words. */
export const vtt: Format = {
  kind: 'captions-vtt',
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
      const voice = /<v(?:\.[^\s>]*)?\s+([^>]+)>/.exec(cue)?.[1];
      const words = plainCueText(cue);
      return voice ? { text: words, speaker: voice.trim() } : splitSpeaker(words);
    });
    return { source: { kind: 'captions-vtt', passages, ...(title ? { title: title.trim() } : {}) } };
  },
};
