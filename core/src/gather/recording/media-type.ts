import { beginsWith } from '../raw.ts';

/** A kind of recording: its media type, and whether there is something to see. */
export type MediaType = { type: string; isVideo: boolean };

/** Tells a recording from its first bytes (a few thousand do); null when it is none that a browser plays. */
export function mediaType(start: Uint8Array): MediaType | null {
  if (beginsWith(start, '\x1a\x45\xdf\xa3')) {
    // Its tracks say by the names of their codecs whether there is something to see.
    const names = String.fromCharCode(...start.subarray(0, 4096));
    const isHeardOnly = /A_(?:OPUS|VORBIS)/.test(names) && !names.includes('V_');
    return isHeardOnly ? { type: 'audio/webm', isVideo: false } : { type: 'video/webm', isVideo: true };
  }
  if (beginsWith(start, 'ftyp', 4)) {
    if (beginsWith(start, 'avif', 8) || beginsWith(start, 'heic', 8) || beginsWith(start, 'mif1', 8)) return null;
    return beginsWith(start, 'M4A', 8) ? { type: 'audio/mp4', isVideo: false } : { type: 'video/mp4', isVideo: true };
  }
  if (beginsWith(start, 'OggS')) return { type: 'audio/ogg', isVideo: false };
  if (beginsWith(start, 'RIFF') && beginsWith(start, 'WAVE', 8)) return { type: 'audio/wav', isVideo: false };
  if (beginsWith(start, 'ID3') || (start[0] === 0xff && (start[1]! & 0xe6) === 0xe2)) return { type: 'audio/mpeg', isVideo: false };
  return null;
}
