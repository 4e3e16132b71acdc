import { object, string } from 'yup';
import { Complaint } from '../complaint.ts';
import type { Format } from './formats.ts';
import { wordCount } from '../language/words.ts';
import { withoutStyles } from './captions.ts';
import { cuesOf } from './spoken-cues.ts';
import type { Passage, SpokenWord } from './source.ts';

/**
 * A transcript as data. Our own shape, as a transcriber answers:
 * `{"title"?, "words": [{"text", "startMs", "endMs", "speaker"?}]}`.
 * Others are read by the names of their fields: a list, at whatever depth, of words or of segments, each with its
 * words under `text`, `word`, `content`, `transcript` or `punctuated_word`, and its times under `start...`, `end...`,
 * `from`, `to` or `offsets`, in seconds or, where the name ends in `ms` or the figures are whole and large, in milliseconds.
 */
export const transcript: Format = {
  kind: 'transcript',
  fits: ({ text }) => /^\s*[[{]/.test(text().slice(0, 200)) && findItems(parse(text())) !== null,
  read: ({ text }) => {
    const data = parse(text());
    const items = findItems(data)!;
    const title = titleSchema.isValidSync(data) ? data.title?.trim() : undefined;
    const passages = items.some((item) => /\s/.test(item.text.trim())) ? segments(items) : cuesOf(items.map(wordOf));
    if (!passages.length) throw new Complaint('No words with times were found in this transcript.');
    return { source: { kind: 'transcript', passages, ...(title ? { title } : {}) } };
  },
};

const titleSchema = object({ title: string().optional() });

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    // One value a line (JSON Lines).
    try {
      return text
        .split('\n')
        .filter((line) => line.trim())
        .map((line) => JSON.parse(line) as unknown);
    } catch {
      return null;
    }
  }
}

const TEXT = /^(?:punctuated_word|text|word|content|transcript|value|utterance)$/i;
const START = /^(?:start(?:_?time|_?ms|_?s(?:ec(?:onds)?)?)?|from|begin|offset|ts)$/i;
const END = /^(?:end(?:_?time|_?ms|_?s(?:ec(?:onds)?)?)?|to|stop|end_ts)$/i;
const DURATION = /^(?:duration|dur|length)(?:_?ms|_?s)?$/i;
const SPEAKER = /^(?:speaker|voice|name|speaker_?(?:name|label|id)|channel)$/i;

type Item = { text: string; startMs: number; endMs: number; speaker?: string };
type Fields = Record<string, unknown>;

const MOST_DEEP = 12;

/** The longest list of words or segments with times in the data; words are preferred to the segments around them. */
function findItems(data: unknown): Item[] | null {
  const lists: Fields[][] = [];
  const walk = (value: unknown, depth: number) => {
    if (depth > MOST_DEEP || value === null || typeof value !== 'object') return;
    if (Array.isArray(value)) {
      // An item may lie in a field of its entry, and a list begin with an entry that is none: `[{type, data: {start, ...}}]`.
      const items = value.flatMap((v: unknown) => [v, ...(isFields(v) ? Object.values(v) : [])].filter(isItem).slice(0, 1));
      if (items.length && items.length >= value.length - 1) lists.push(items);
    }
    for (const inner of Object.values(value)) walk(inner, depth + 1);
  };
  walk(data, 0);
  if (!lists.length) return null;
  const byNames = new Map<string, Fields[]>();
  // The words of each segment lie in a list of their own: those of one shape belong together.
  for (const list of lists) {
    const shape = Object.keys(list[0]!).sort().join();
    byNames.set(shape, [...(byNames.get(shape) ?? []), ...list]);
  }
  const best = [...byNames.values()].sort((a, b) => b.length - a.length)[0]!;
  return read(best);
}

const field = (item: Fields, names: RegExp) =>
  Object.entries(item).find(([key, value]) => names.test(key) && value !== null && value !== '');
const seconds = (value: unknown): number =>
  typeof value === 'string' ? Number(value.replace(/s$/, '')) : typeof value === 'number' ? value : NaN;

const isFields = (value: unknown): value is Fields => value !== null && typeof value === 'object' && !Array.isArray(value);

function isItem(item: unknown): item is Fields {
  return isFields(item) && typeof field(item, TEXT)?.[1] === 'string' && Number.isFinite(seconds(field(item, START)?.[1]));
}

function read(list: readonly Fields[]): Item[] {
  const starts = list.map((item) => field(item, START)!);
  // Whole figures so far apart that nobody speaks so slowly are milliseconds, whatever they are called.
  const isWhole = starts.every(([, value]) => Number.isInteger(seconds(value)));
  const said = list.reduce((sum, item) => sum + wordCount(String(field(item, TEXT)![1])), 0);
  const span = Math.max(...starts.map(([, value]) => seconds(value)));
  const inMs = starts.every(([key]) => /ms$/i.test(key)) || (isWhole && span > 1000 && said / span < SLOWEST);
  const scale = inMs ? 1 : 1000;
  return list
    .map((item, i) => {
      const startMs = Math.max(0, Math.round(seconds(starts[i]![1]) * scale));
      const end = field(item, END);
      const length = field(item, DURATION);
      const endMs = end ? seconds(end[1]) * scale : length ? startMs + seconds(length[1]) * scale : startMs;
      const speaker = field(item, SPEAKER)?.[1];
      return {
        text: withoutStyles(String(field(item, TEXT)![1])).trim(),
        startMs,
        endMs: Number.isFinite(endMs) ? Math.max(startMs, Math.round(endMs)) : startMs,
        ...(typeof speaker === 'string' || typeof speaker === 'number' ? { speaker: speakerName(speaker) } : {}),
      };
    })
    .filter((item) => item.text);
}

// Words a second: a recording that is mostly silence still has more.
const SLOWEST = 0.05;

const speakerName = (speaker: string | number) => (/^\d+$/.test(String(speaker)) ? `Speaker ${Number(speaker) + 1}` : String(speaker));

const segments = (items: readonly Item[]): Passage[] => items.map((item) => ({ ...item }));

const wordOf = ({ text, startMs, endMs, speaker }: Item): SpokenWord => ({ text, startMs, endMs, ...(speaker ? { speaker } : {}) });
