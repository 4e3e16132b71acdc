import { showTime } from '@even-page/core/language/times';
import type { Command } from './command.ts';
import { pageOf } from './sections.ts';

/** The sections of a file. */
export const shape: Command = (request) => {
  const { sections } = pageOf(request);
  return {
    data: { sections },
    text: sections
      .map(
        (s, i) =>
          `${i + 1}. ${s.heading || 'Introduction'} (${s.words} words${s.startMs === null ? '' : `, from ${showTime(s.startMs)}`})\n`,
      )
      .join(''),
  };
};
