import type { KeptCaption, ReadAt } from './inside.ts';

const HOLDERS = new Set(['moov', 'trak', 'mdia', 'minf', 'stbl']);
// No list of samples of a text track is longer than this.
const MOST_BYTES = 8 << 20;

type Track = Partial<Record<'hdlr' | 'mdhd' | 'stsd' | 'stts' | 'stsz' | 'stsc' | 'stco' | 'co64', DataView>>;

/** The captions of an MP4 file (ISO/IEC 14496-12; 3GPP timed text `tx3g`, WebVTT `wvtt`). Throws a RangeError when it is cut short. */
export function mp4Captions(read: ReadAt, size: number): KeptCaption[] {
  const tracks: Track[] = [];
  const walk = (from: number, to: number): void => {
    for (let at = from; at + 8 <= to;) {
      const head = viewOf(read(at, 16));
      const type = letters(head, 4);
      const short = head.getUint32(0);
      const [length, body] = short === 1 ? [Number(head.getBigUint64(8)), at + 16] : [short === 0 ? to - at : short, at + 8];
      if (length < 8) throw new RangeError('no box');
      if (type === 'trak') tracks.push({});
      if (HOLDERS.has(type)) walk(body, at + length);
      else if (/^(?:hdlr|mdhd|stsd|stts|stsz|stsc|stco|co64)$/.test(type) && tracks.length && length <= MOST_BYTES)
        tracks.at(-1)![type as keyof Track] = viewOf(read(body, at + length - body));
      at += length;
    }
  };
  walk(0, size);
  return tracks.flatMap((track) => captionsOf(track, read));
}

const viewOf = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
const letters = (view: DataView, at: number) => String.fromCharCode(...[0, 1, 2, 3].map((i) => view.getUint8(at + i)));

function captionsOf({ hdlr, mdhd, stsd, stts, stsz, stsc, stco, co64 }: Track, read: ReadAt): KeptCaption[] {
  if (!hdlr || !mdhd || !stsd || !stts || !stsz || !stsc || !(stco || co64)) return [];
  if (!/^(?:text|sbtl|subt|clcp)$/.test(letters(hdlr, 8))) return [];
  const format = letters(stsd, 12);
  const wordsOf = { tx3g: timedText, text: timedText, wvtt: webvtt }[format];
  if (!wordsOf) return [];
  const scale = mdhd.getUint8(0) === 1 ? mdhd.getUint32(20) : mdhd.getUint32(12);
  const found: KeptCaption[] = [];
  const durations = samplesOf(stts);
  let sample = 0;
  let time = 0;
  const chunks = (stco ?? co64!).getUint32(4);
  let run = 0;
  for (let chunk = 1; chunk <= chunks; chunk++) {
    while (run + 1 < stsc.getUint32(4) && stsc.getUint32(8 + 12 * (run + 1)) <= chunk) run++;
    let at = stco ? stco.getUint32(8 + 4 * (chunk - 1)) : Number(co64!.getBigUint64(8 + 8 * (chunk - 1)));
    for (let i = 0; i < stsc.getUint32(8 + 12 * run + 4); i++, sample++) {
      const length = stsz.getUint32(4) || stsz.getUint32(12 + 4 * sample);
      const duration = durations(sample);
      const text = length <= MOST_BYTES ? wordsOf(viewOf(read(at, length))) : '';
      if (text.trim()) found.push({ text, startMs: (time / scale) * 1000, endMs: ((time + duration) / scale) * 1000 });
      at += length;
      time += duration;
    }
  }
  return found;
}

/** How long each sample lasts, as runs of equal ones list it. */
function samplesOf(stts: DataView): (sample: number) => number {
  let entry = 0;
  let until = stts.getUint32(8);
  return (sample) => {
    while (sample >= until && entry + 1 < stts.getUint32(4)) until += stts.getUint32(8 + 8 * ++entry);
    return stts.getUint32(12 + 8 * entry);
  };
}

const decode = (view: DataView, at: number, length: number) =>
  new TextDecoder('utf-8').decode(new Uint8Array(view.buffer, view.byteOffset + at, Math.min(length, view.byteLength - at)));

// 3GPP TS 26.245: the length of the words, then the words.
const timedText = (view: DataView) => (view.byteLength < 2 ? '' : decode(view, 2, view.getUint16(0)));

/** ISO/IEC 14496-30: cue boxes (vttc) with the words in a payload box (payl). */
function webvtt(view: DataView): string {
  const texts: string[] = [];
  for (let at = 0; at + 8 <= view.byteLength;) {
    const length = Math.max(8, view.getUint32(at));
    const type = letters(view, at + 4);
    if (type === 'payl') texts.push(decode(view, at + 8, length - 8));
    at += type === 'vttc' ? 8 : length;
  }
  return texts.join('\n');
}
