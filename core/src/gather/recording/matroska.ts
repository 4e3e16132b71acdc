import type { KeptCaption, ReadAt } from './kept.ts';

// Elements of Matroska (RFC 9559) by their identifiers.
const SEGMENT = 0x18538067;
const INFO = 0x1549a966;
const SCALE = 0x2ad7b1;
const TRACKS = 0x1654ae6b;
const TRACK = 0xae;
const NUMBER = 0xd7;
const CODEC = 0x86;
const LANGUAGE = 0x22b59c;
const LANGUAGE_TAG = 0x22b59d;
const CLUSTER = 0x1f43b675;
const CLUSTER_TIME = 0xe7;
const GROUP = 0xa0;
const BLOCK = 0xa1;
const SIMPLE_BLOCK = 0xa3;
const DURATION = 0x9b;

const HOLDERS = new Set([SEGMENT, INFO, TRACKS, TRACK, CLUSTER, GROUP]);
// As WebVTT in WebM and as Matroska's own text tracks are named.
const TEXT_CODEC = /^(?:S_TEXT\/(?:UTF8|WEBVTT|ASCII)|D_WEBVTT\/(?:SUBTITLES|CAPTIONS))/;
// How much is read at once to look through, and how much of a block is looked at to see whose it is.
const WINDOW = 1 << 20;

/** The captions of a WebM or Matroska file. Throws a RangeError when it is cut short. */
export function matroskaCaptions(read: ReadAt, size: number): KeptCaption[] {
  const bytes = windowed(read);
  const found: KeptCaption[] = [];
  const text = new Map<number, { language: string; isNamed: boolean }>();
  let scaleNs = 1_000_000;
  let clusterTime = 0;
  let track = { number: 0, codec: '', language: '' };
  let waiting: { at: number; length: number } | null = null;
  let duration = 0;

  const take = (at: number, length: number, units: number) => {
    const number = vint(bytes, at, true);
    const own = text.get(number.value);
    if (!own) return;
    const head = bytes(at + number.length, 3);
    const time = (((head[0]! << 8) | head[1]!) << 16) >> 16;
    const payload = bytes(at + number.length + 3, length - number.length - 3);
    const ms = (scaleNs / 1e6) * (clusterTime + time);
    const words = new TextDecoder('utf-8').decode(payload);
    const { language } = own;
    found.push({
      text: own.isNamed ? cueOf(words) : words,
      startMs: ms,
      endMs: ms + (scaleNs / 1e6) * units,
      track: number.value,
      language,
    });
  };

  const walk = (from: number, to: number): void => {
    for (let at = from; at < to;) {
      const id = vint(bytes, at, false);
      const length = vint(bytes, at + id.length, true);
      const body = at + id.length + length.length;
      // A length of ones says that nobody knew it yet: it runs to the end.
      const end = length.unknown ? to : Math.min(to, body + length.value);
      if (id.value === CLUSTER) clusterTime = 0;
      if (id.value === TRACK) track = { number: 0, codec: '', language: '' };
      if (id.value === GROUP) [waiting, duration] = [null, 0];
      if (HOLDERS.has(id.value)) {
        walk(body, end);
        if (id.value === TRACK && TEXT_CODEC.test(track.codec))
          text.set(track.number, { language: track.language, isNamed: track.codec.startsWith('D_WEBVTT') });
        if (id.value === GROUP && waiting) take((waiting as { at: number }).at, (waiting as { length: number }).length, duration);
        // Without text tracks there is nothing to look for in the rest.
        if (id.value === TRACKS && !text.size) return;
      } else if (id.value === SCALE) scaleNs = unsigned(bytes(body, end - body));
      else if (id.value === NUMBER) track.number = unsigned(bytes(body, end - body));
      else if (id.value === CODEC) track.codec = new TextDecoder('utf-8').decode(bytes(body, end - body));
      else if (id.value === LANGUAGE || id.value === LANGUAGE_TAG)
        track.language = new TextDecoder('utf-8').decode(bytes(body, end - body));
      else if (id.value === CLUSTER_TIME) clusterTime = unsigned(bytes(body, end - body));
      else if (id.value === BLOCK) waiting = { at: body, length: end - body };
      else if (id.value === DURATION) duration = unsigned(bytes(body, end - body));
      else if (id.value === SIMPLE_BLOCK) take(body, end - body, 0);
      at = end;
    }
  };
  walk(0, size);
  return found;
}

// WebVTT in WebM keeps the name of a cue and its settings on lines before its words.
const cueOf = (payload: string) => (/^[^\n]*\n[^\n]*\n/.test(payload) ? payload.replace(/^[^\n]*\n[^\n]*\n/, '') : payload);

/** Reads a file through a window, so that a walk in small steps does not ask for each. */
function windowed(read: ReadAt): ReadAt {
  let start = 0;
  let held: Uint8Array = new Uint8Array(0);
  return (from, length) => {
    if (length > WINDOW) return whole(read(from, length), length);
    if (from < start || from + length > start + held.length) [start, held] = [from, read(from, WINDOW)];
    return whole(held.subarray(from - start, from - start + length), length);
  };
}

function whole(bytes: Uint8Array, length: number): Uint8Array {
  if (bytes.length < length) throw new RangeError('cut short');
  return bytes;
}

const unsigned = (bytes: Uint8Array) => bytes.reduce((value, byte) => value * 256 + byte, 0);

/** A number of one to eight bytes whose first bit set says how many (RFC 8794, section 4); an identifier keeps that bit. */
function vint(bytes: ReadAt, at: number, isValue: boolean): { value: number; length: number; unknown: boolean } {
  const first = bytes(at, 1)[0]!;
  const length = Math.clz32(first) - 23;
  if (length > 8) throw new RangeError('no number');
  const all = bytes(at, length);
  const mask = isValue ? (1 << (8 - length)) - 1 : 255;
  const rest = all.subarray(1);
  return {
    value: rest.reduce((value, byte) => value * 256 + byte, first & mask),
    length,
    unknown: isValue && (first & mask) === mask && rest.every((byte) => byte === 255),
  };
}
