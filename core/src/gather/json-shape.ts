import { readTime } from '../language/times.ts';
import { wordCount } from '../language/words.ts';

type Fields = Record<string, unknown>;

/** A stretch of speech as a list of data has it: its words, and its times as they are written there, in seconds or thousandths. */
export type SpokenEntry = { text: string; start: number; end?: number; speaker?: string | number };

const MOST_DEEP = 12;
const FEWEST = 2;
// So many entries of a list must be of its shape.
const SHARE = 0.9;

/**
 * The longest list of data whose entries hold words and times that go on, whatever their fields are called; null when there is
 * none. Words are the field with most letters, the start a figure or a clock that never falls, the end one that is never before
 * it; both may stand in a list of two.
 */
export function spokenList(data: unknown): SpokenEntry[] | null {
  const lists = listsIn(data)
    .map(saidIn)
    .filter((said) => said !== null);
  return lists.sort((a, b) => lettersOf(b) - lettersOf(a))[0] ?? null;
}

const lettersOf = (said: readonly SpokenEntry[]) => said.reduce((sum, { text }) => sum + text.length, 0);

/** The words of data without times: every string of several words, in its order. */
export function wordsIn(data: unknown): string[] {
  const found: string[] = [];
  walk(data, (value) => {
    if (typeof value === 'string' && wordCount(value) >= 3 && !/^\w+:\/\//.test(value.trim())) found.push(value.trim());
  });
  return [...new Set(found)];
}

function walk(value: unknown, visit: (value: unknown) => void, depth = 0): void {
  visit(value);
  if (depth < MOST_DEEP && value !== null && typeof value === 'object')
    for (const inner of Object.values(value)) walk(inner, visit, depth + 1);
}

function listsIn(data: unknown): Fields[][] {
  const lists: Fields[][] = [];
  walk(data, (value) => {
    if (!Array.isArray(value)) return;
    const entries = value
      .filter((entry): entry is Fields => entry !== null && typeof entry === 'object' && !Array.isArray(entry))
      .map(flat);
    if (entries.length >= FEWEST && entries.length >= SHARE * value.length) lists.push(entries);
  });
  return lists;
}

/** An entry with the fields inside its fields beside its own, and lists of two figures as two fields. */
function flat(entry: Fields): Fields {
  const fields: Fields = {};
  const put = (value: unknown, name: string, depth: number) => {
    if (Array.isArray(value)) {
      if (value.length === 2 && value.every((v) => v === null || figureOf(v) !== null))
        value.forEach((v, i) => (fields[`${name}.${i}`] = v));
    } else if (value !== null && typeof value === 'object') {
      if (depth < 3) for (const [key, inner] of Object.entries(value)) put(inner, `${name}.${key}`, depth + 1);
    } else fields[name] = value;
  };
  for (const [key, value] of Object.entries(entry)) put(value, key, 0);
  return fields;
}

/** A time as it is written: a figure, a figure with its unit, or a clock; null for anything else. */
function figureOf(value: unknown): number | null {
  if (typeof value === 'number') return Number.isFinite(value) && value >= 0 ? value : null;
  if (typeof value !== 'string') return null;
  const plain = /^(\d+(?:\.\d+)?)\s*(?:s|sec|seconds)?$/.exec(value.trim());
  if (plain) return Number(plain[1]);
  const clock = readTime(value.trim());
  return clock === null ? null : clock / 1000;
}

function saidIn(entries: readonly Fields[]): SpokenEntry[] | null {
  const names = [...new Set(entries.flatMap((entry) => Object.keys(entry)))];
  const column = (name: string) => entries.map((entry) => entry[name]);
  const isText = (name: string) =>
    column(name).filter((v) => typeof v === 'string' && /\p{L}/u.test(v) && figureOf(v) === null).length >= SHARE * entries.length;
  const letters = (name: string) => column(name).reduce<number>((sum, v) => sum + (typeof v === 'string' ? v.length : 0), 0);
  const text = names.filter(isText).sort((a, b) => letters(b) - letters(a))[0];
  if (text === undefined) return null;
  const figures = names.filter(
    (name) => name !== text && column(name).filter((v) => figureOf(v) !== null).length >= SHARE * entries.length,
  );
  const at = (name: string, i: number) => figureOf(entries[i]![name]) ?? 0;
  const goesOn = (name: string) =>
    entries.every((_, i) => !i || entries[i]![name] === null || at(name, i) >= at(name, i - 1)) &&
    at(name, entries.length - 1) > at(name, 0);
  const times = figures.filter(goesOn);
  // A number that counts the entries is no time.
  const counts = (name: string) => entries.every((_, i) => at(name, i) === at(name, 0) + i);
  const named = (name: string) => /start|begin|from|time|offset|ts\b/i.test(name);
  const [start] = times
    .filter((name) => !counts(name) || named(name))
    .sort((a, b) => sum(a) - sum(b) || Number(named(b)) - Number(named(a)));
  function sum(name: string): number {
    return entries.reduce((total, _, i) => total + at(name, i), 0);
  }
  if (start === undefined) return null;
  const end = times.find((name) => name !== start && entries.every((_, i) => entries[i]![name] === null || at(name, i) >= at(start, i)));
  const speaker =
    names.find((name) => name !== text && /speaker|voice|who|person|channel/i.test(name) && !figures.includes(name)) ??
    names.find((name) => /speaker/i.test(name));
  return entries.flatMap((entry, i): SpokenEntry[] => {
    const words = entry[text];
    if (typeof words !== 'string' || !words.trim()) return [];
    const who = speaker === undefined ? undefined : entry[speaker];
    const stop = end === undefined || entry[end] === null ? undefined : at(end, i);
    return [
      {
        text: words.trim(),
        start: at(start, i),
        ...(stop === undefined ? {} : { end: stop }),
        ...(typeof who === 'string' || typeof who === 'number' ? { speaker: who } : {}),
      },
    ];
  });
}
