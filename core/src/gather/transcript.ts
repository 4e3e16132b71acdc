import { object, string } from 'yup';
import { Complaint } from '../complaint.ts';
import type { Format } from './format.ts';
import { wordCount } from '../language/words.ts';
import { withoutStyles } from './captions.ts';
import { spokenList, wordsIn } from './json-shape.ts';
import { cuesOf } from './spoken-cues.ts';
import type { Passage, SpokenWord } from './source.ts';

/**
 * A transcript as data. Our own shape, as a transcriber answers:
 * `{"title"?, "words": [{"text", "startMs", "endMs", "speaker"?}]}`.
 * Others are read by the names of their fields: a list, at whatever depth, of words or of segments, each with its
 * words under `text`, `word`, `content`, `transcript` or `punctuated_word`, and its times under `start...`, `end...`,
 * `from`, `to` or `offsets`, in seconds or, where the name ends in `ms` or the figures are whole and large, in milliseconds.
 * Where no names are known, the shape of the data is gone by; where it has no times, its words are read.
 */
export const transcript: Format = {
  kind: 'transcript',
  label: 'transcript',
  extensions: ['json', 'jsonl'],
  readings: [],
  fits: ({ text }) => /^\s*[[{]/.test(text().slice(0, 200)) && parse(text()) !== null,
  read: ({ text }) => {
    const data = parse(text());
    const title = titleSchema.isValidSync(data) ? data.title?.trim() : undefined;
    const items = findItems(data) ?? itemsByShape(data);
    if (!items) {
      const passages = wordsIn(data).map((words) => ({ text: words }));
      if (!passages.length)
        throw new Complaint(
          'This file is data of a program, and holds no words that can be read: export its text or its captions, then bring that in.',
        );
      return { source: { kind: 'transcript', passages, ...(title ? { title } : {}) } };
    }
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

/** What a list says whose fields have names of their own. */
function itemsByShape(data: unknown): Item[] | null {
  const said = spokenList(data);
  if (!said) return null;
  const scale = scaleOf(
    said.map((s) => ({ start: s.start, text: s.text })),
    false,
  );
  return said.map(({ text, start, end = start, speaker }) => ({
    text: withoutStyles(text),
    startMs: Math.round(start * scale),
    endMs: Math.round(Math.max(start, end) * scale),
    ...(speaker === undefined ? {} : { speaker: speakerName(speaker) }),
  }));
}

/** What a figure of time is in milliseconds: whole ones so far apart that nobody speaks so slowly are milliseconds already. */
function scaleOf(said: readonly { start: number; text: string }[], isNamed: boolean): 1 | 1000 {
  const isWhole = said.every(({ start }) => Number.isInteger(start));
  const words = said.reduce((sum, { text }) => sum + wordCount(text), 0);
  const span = Math.max(...said.map(({ start }) => start));
  return isNamed || (isWhole && span > 1000 && words / span < SLOWEST) ? 1 : 1000;
}

function read(list: readonly Fields[]): Item[] {
  const starts = list.map((item) => field(item, START)!);
  const said = list.map((item, i) => ({ start: seconds(starts[i]![1]), text: String(field(item, TEXT)![1]) }));
  const scale = scaleOf(
    said,
    starts.every(([key]) => /ms$/i.test(key)),
  );
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
