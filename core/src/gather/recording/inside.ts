import { plainCueText } from '../captions.ts';
import type { Passage } from '../source.ts';
import { onceSaid } from '../rolling.ts';
import { settled, splitSpeaker } from '../speaker.ts';
import type { KeptCaption, ReadAt } from './kept.ts';
import { matroskaCaptions } from './matroska.ts';
import { mp4Captions } from './mp4.ts';

/** The captions of one track as passages, and the language they are in, as a code; empty when it is not said. */
export type Captions = { language: string; passages: Passage[] };

/** The captions that lie inside a recording (WebM and MP4), track by track; none where there are none or it is damaged. */
export function captionsInside(read: ReadAt, size: number, type: string): Captions[] {
  let kept: KeptCaption[];
  try {
    kept = type.endsWith('/webm') ? matroskaCaptions(read, size) : type.endsWith('/mp4') ? mp4Captions(read, size) : [];
  } catch (cause) {
    // A file that is cut short has no captions to be read; it may play all the same.
    if (cause instanceof RangeError) return [];
    throw cause;
  }
  const tracks = [...new Set(kept.map((caption) => caption.track))];
  return tracks.flatMap((track) => {
    const own = kept.filter((caption) => caption.track === track);
    const passages = passagesOf(own);
    return passages.length ? [{ language: own[0]!.language.replace(/^und$/, ''), passages }] : [];
  });
}

function passagesOf(kept: KeptCaption[]): Passage[] {
  const cues = kept
    .sort((a, b) => a.startMs - b.startMs)
    .flatMap(({ text, startMs, endMs }) => {
      const said = splitSpeaker(
        plainCueText(text)
          .replace(/\{\\[^}]*\}/g, '')
          .trim(),
      );
      return said.text ? [{ ...said, startMs: Math.round(startMs), endMs: Math.round(Math.max(startMs, endMs)) }] : [];
    });
  return settled(onceSaid(cues));
}
