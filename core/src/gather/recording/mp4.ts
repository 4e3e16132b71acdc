import type { KeptCaption, ReadAt } from './kept.ts';

const HOLDERS = new Set(['moov', 'trak', 'mdia', 'minf', 'stbl', 'mvex']);
// No list of samples of a text track is longer than this.
const MOST_BYTES = 8 << 20;

type Track = Partial<Record<'tkhd' | 'hdlr' | 'mdhd' | 'stsd' | 'stts' | 'stsz' | 'stsc' | 'stco' | 'co64', DataView>>;

/** A run of samples of one track in a fragment: where its bytes begin, and what the fragment says of them. */
type Fragment = { moof: number; tfhd: DataView; tfdt?: DataView; trun?: DataView };

/** The captions of an MP4 file (ISO/IEC 14496-12; 3GPP timed text `tx3g`, WebVTT `wvtt`). Throws a RangeError when it is cut short. */
export function mp4Captions(read: ReadAt, size: number): KeptCaption[] {
  const tracks: Track[] = [];
  const fragments: Fragment[] = [];
  const usual = new Map<number, DataView>();
  let moof = 0;
  const walk = (from: number, to: number): void => {
    for (let at = from; at + 8 <= to;) {
      const head = viewOf(read(at, 16));
      const type = letters(head, 4);
      const short = head.getUint32(0);
      const [length, body] = short === 1 ? [Number(head.getBigUint64(8)), at + 16] : [short === 0 ? to - at : short, at + 8];
      if (length < 8) throw new RangeError('no box');
      if (type === 'trak') tracks.push({});
      if (type === 'moof') moof = at;
      if (HOLDERS.has(type) || type === 'moof' || type === 'traf') walk(body, at + length);
      else if (type === 'trex') {
        const view = viewOf(read(body, at + length - body));
        usual.set(view.getUint32(4), view);
      } else if (type === 'tfhd') fragments.push({ moof, tfhd: viewOf(read(body, at + length - body)) });
      else if (/^(?:tfdt|trun)$/.test(type) && fragments.length && length <= MOST_BYTES) {
        const view = viewOf(read(body, at + length - body));
        const open = fragments.at(-1)!;
        // Several runs in one fragment: each is one more, with the same head.
        if (type === 'trun' && open.trun) fragments.push({ ...open, trun: view });
        else open[type as 'tfdt' | 'trun'] = view;
      } else if (/^(?:tkhd|hdlr|mdhd|stsd|stts|stsz|stsc|stco|co64)$/.test(type) && tracks.length && length <= MOST_BYTES)
        tracks.at(-1)![type as keyof Track] = viewOf(read(body, at + length - body));
      at += length;
    }
  };
  walk(0, size);
  return tracks.flatMap((track) => [...captionsOf(track, read), ...fragmentCaptions(track, fragments, usual, read)]);
}

const viewOf = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
const letters = (view: DataView, at: number) => String.fromCharCode(...[0, 1, 2, 3].map((i) => view.getUint8(at + i)));

function captionsOf(track: Track, read: ReadAt): KeptCaption[] {
  const kind = kindOf(track);
  const { stts, stsz, stsc, stco, co64 } = track;
  if (!kind || !stts || !stsz || !stsc || !(stco || co64) || !stts.getUint32(4)) return [];
  const { wordsOf, scale, ...own } = kind;
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
      if (text.trim()) found.push({ text, startMs: (time / scale) * 1000, endMs: ((time + duration) / scale) * 1000, ...own });
      at += length;
      time += duration;
    }
  }
  return found;
}

/** What is known of a track of captions: its number and language, how long a second is, and how its words are kept; null for others. */
function kindOf({ tkhd, hdlr, mdhd, stsd }: Track) {
  if (!hdlr || !mdhd || !stsd || !/^(?:text|sbtl|subt|clcp)$/.test(letters(hdlr, 8))) return null;
  const wordsOf = { tx3g: timedText, text: timedText, wvtt: webvtt }[letters(stsd, 12)];
  if (!wordsOf) return null;
  const isLong = mdhd.getUint8(0) === 1;
  // Three letters of five bits, from 0x60 up.
  const packed = mdhd.getUint16(isLong ? 32 : 20);
  const language = [10, 5, 0].map((shift) => String.fromCharCode(((packed >> shift) & 31) + 0x60)).join('');
  const track = tkhd ? tkhd.getUint32(tkhd.getUint8(0) === 1 ? 20 : 12) : 0;
  return { track, language: /^[a-z]{3}$/.test(language) ? language : '', scale: mdhd.getUint32(isLong ? 20 : 12), wordsOf };
}

// Flags of the boxes of fragments (ISO/IEC 14496-12, 8.8.7 and 8.8.8).
const HEAD = { base: 0x1, description: 0x2, duration: 0x8, size: 0x10, flags: 0x20 };
const RUN = { offset: 0x1, firstFlags: 0x4, duration: 0x100, size: 0x200, flags: 0x400, composition: 0x800 };

/** The captions of a track that lie in fragments. */
function fragmentCaptions(track: Track, fragments: readonly Fragment[], usual: ReadonlyMap<number, DataView>, read: ReadAt): KeptCaption[] {
  const kind = kindOf(track);
  if (!kind) return [];
  const { wordsOf, scale, ...own } = kind;
  const found: KeptCaption[] = [];
  let time = 0;
  for (const { moof, tfhd, tfdt, trun } of fragments) {
    if (tfhd.getUint32(4) !== own.track || !trun) continue;
    const has = tfhd.getUint32(0) & 0xffffff;
    let at = 8;
    const next = (flag: number, bytes = 4) => (has & flag ? (at += bytes) - bytes : -1);
    const base = next(HEAD.base, 8);
    next(HEAD.description);
    const [durationAt, sizeAt] = [next(HEAD.duration), next(HEAD.size)];
    const trex = usual.get(own.track);
    const given = (place: number, inTrex: number) => (place >= 0 ? tfhd.getUint32(place) : (trex?.getUint32(inTrex) ?? 0));
    const [duration, size] = [given(durationAt, 12), given(sizeAt, 16)];
    if (tfdt) time = tfdt.getUint8(0) === 1 ? Number(tfdt.getBigUint64(4)) : tfdt.getUint32(4);
    const says = trun.getUint32(0) & 0xffffff;
    let place = 8;
    let bytesAt = base >= 0 ? Number(tfhd.getBigUint64(base)) : moof;
    if (says & RUN.offset) bytesAt += trun.getInt32((place += 4) - 4);
    if (says & RUN.firstFlags) place += 4;
    for (let i = 0; i < trun.getUint32(4); i++) {
      const lasts = says & RUN.duration ? trun.getUint32((place += 4) - 4) : duration;
      const length = says & RUN.size ? trun.getUint32((place += 4) - 4) : size;
      if (says & RUN.flags) place += 4;
      if (says & RUN.composition) place += 4;
      const text = length <= MOST_BYTES ? wordsOf(viewOf(read(bytesAt, length))) : '';
      if (text.trim()) found.push({ text, startMs: (time / scale) * 1000, endMs: ((time + lasts) / scale) * 1000, ...own });
      bytesAt += length;
      time += lasts;
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
