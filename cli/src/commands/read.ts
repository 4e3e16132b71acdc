import { durationMs } from '@even-page/core/gather';
import { showTime } from '@even-page/core/language/times';
import type { Command } from './command.ts';

/** The passages of a file, numbered from 0 in file order. */
export const read: Command = ({ source }) => ({
  data: {
    kind: source.kind,
    ...(source.title === undefined ? {} : { title: source.title }),
    durationMs: durationMs(source),
    passages: source.passages.map((p, index) => ({ index, ...p })),
  },
  text: source.passages
    .map((p) => {
      const time = p.startMs === undefined ? '' : `${showTime(p.startMs)}\t`;
      return `${time}${p.speaker ? `${p.speaker}: ` : ''}${p.text.replace(/\s+/g, ' ')}\n`;
    })
    .join(''),
});
