import { normal, stem } from './terms.ts';
import { type Word, words } from './words.ts';

/**
 * A figure in a text: its number as told, its value, what it counts, and where it stands (UTF-16 offsets, sign and unit included). Of measures
 * `value` is in the base of their kind (seconds, millimetres, grams, millilitres, pence) and `unit` names the kind; of all else
 * `unit` is the stem of the word that follows, or empty. `isPlain` when the word could as well be no figure ("one", "a").
 */
export type Figure = {
  text: string;
  told: number;
  value: number;
  unit: string;
  isMeasure: boolean;
  isPlain: boolean;
  from: number;
  to: number;
};

const SMALL =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen';
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety';
const NAMED = new Map<string, number>([
  ...SMALL.split(' ').map((word, n) => [word, n] as const),
  ...TENS.split(' ').map((word, n) => [word, (n + 2) * 10] as const),
]);
const SCALES = new Map([
  ['hundred', 100],
  ['thousand', 1000],
  ['million', 1_000_000],
]);
const PARTS = new Map([
  ['half', 0.5],
  ['quarter', 0.25],
  ['quarters', 0.25],
  ['third', 1 / 3],
  ['thirds', 1 / 3],
]);
const AS_WORDS = new Map([
  ['once', 1],
  ['twice', 2],
  ['couple', 2],
  ['pair', 2],
  ['both', 2],
  ['dozen', 12],
]);

// Measures by their kind, each with how many of the base it is (SI; pounds and ounces are the avoirdupois ones).
const MEASURES: Readonly<Record<string, readonly [kind: string, each: number]>> = {
  ...kind('time', {
    second: 1,
    sec: 1,
    s: 1,
    minute: 60,
    min: 60,
    hour: 3600,
    hr: 3600,
    h: 3600,
    day: 86_400,
    week: 604_800,
    fortnight: 1_209_600,
  }),
  ...kind('months', { month: 1, year: 12, decade: 120, century: 1200 }),
  ...kind('length', {
    millimetre: 1,
    millimeter: 1,
    mm: 1,
    mil: 1,
    mill: 1,
    centimetre: 10,
    centimeter: 10,
    cm: 10,
    metre: 1000,
    meter: 1000,
    m: 1000,
    kilometre: 1_000_000,
    kilometer: 1_000_000,
    km: 1_000_000,
    inch: 25.4,
    foot: 304.8,
    feet: 304.8,
    ft: 304.8,
    yard: 914.4,
    mile: 1_609_344,
  }),
  ...kind('weight', {
    gram: 1,
    gramme: 1,
    g: 1,
    kilo: 1000,
    kilogram: 1000,
    kg: 1000,
    tonne: 1_000_000,
    ounce: 28.35,
    oz: 28.35,
    stone: 6350,
  }),
  ...kind('volume', {
    millilitre: 1,
    milliliter: 1,
    ml: 1,
    centilitre: 10,
    cl: 10,
    litre: 1000,
    liter: 1000,
    l: 1000,
    pint: 568,
    gallon: 4546,
  }),
  ...kind('money', { penny: 1, pence: 1, p: 1, pound: 100, quid: 100, '£': 100, euro: 100, '€': 100, dollar: 100, $: 100, cent: 1 }),
  ...kind('degrees', { degree: 1, '°': 1, celsius: 1 }),
  ...kind('percent', { percent: 1, '%': 1, 'per cent': 1 }),
  ...kind('watts', { watt: 1, w: 1, kilowatt: 1000, kw: 1000 }),
  ...kind('volts', { volt: 1, v: 1 }),
  ...kind('amps', { amp: 1, ampere: 1 }),
};

function kind(name: string, each: Record<string, number>): Record<string, [string, number]> {
  return Object.fromEntries(Object.entries(each).map(([unit, size]) => [unit, [name, size]]));
}

const MONTHS = 'january february march april may june july august september october november december'.split(' ');
// Between a figure and what it counts.
const BETWEEN = new Set(['of', 'a', 'an', 'the', 'more', 'or', 'and', 'full', 'square', 'cubic', 'good', 'whole']);

/** What a word says of how things are measured; undefined when it is no measure. */
function measureOf(word: string): readonly [string, number] | undefined {
  const n = normal(word);
  for (const form of n.length > 2 ? [n, n.replace(/s$/, ''), n.replace(/es$/, '')] : [n])
    if (Object.hasOwn(MEASURES, form)) return MEASURES[form];
  return undefined;
}

/** The figures of a text, in its order: digits and words alike, "1,200" and "twelve hundred", "7:30" and "half past seven". */
export function figuresIn(text: string): Figure[] {
  const all = words(text);
  const found: Figure[] = [];
  for (let i = 0; i < all.length;) {
    const run = clock(text, all, i) ?? digits(text, all, i) ?? inWords(text, all, i);
    if (!run) {
      i++;
      continue;
    }
    for (const value of run.values) found.push(counted(text, all, i, run, value));
    i = run.next;
  }
  return found;
}

type Run = { values: number[]; next: number; isPlain: boolean; unit?: string };

const isJoined = (text: string, a: Word, b: Word | undefined, by: RegExp): boolean => b !== undefined && by.test(text.slice(a.to, b.from));

/** "7:30", "half past seven", "quarter to nine": hours, with the minutes as hundredths. */
function clock(text: string, all: readonly Word[], i: number): Run | null {
  const [one, two, three] = [all[i]!, all[i + 1], all[i + 2]];
  // Captions write "8 30" for "8:30".
  if (/^\d{1,2}$/.test(one.text) && two && /^[0-5]\d$/.test(two.text) && isJoined(text, one, two, /^[: ]$/))
    return { values: [Number(one.text) + Number(two.text) / 100], next: i + 2, isPlain: false, unit: 'clock' };
  const part = normal(one.text);
  // "Half eight" is half past eight.
  const early = part === 'half' && two && (NAMED.get(normal(two.text)) ?? (/^\d{1,2}$/.test(two.text) ? Number(two.text) : undefined));
  if (early) return { values: [early + 0.3], next: i + 2, isPlain: false, unit: 'clock' };
  const hour = three && (NAMED.get(normal(three.text)) ?? (/^\d{1,2}$/.test(three.text) ? Number(three.text) : undefined));
  if (hour === undefined || !two || !/^(?:half|quarter)$/.test(part) || !/^(?:past|to)$/i.test(two.text)) return null;
  const past = normal(two.text) === 'past';
  return { values: [part === 'half' ? hour + 0.3 : past ? hour + 0.15 : hour - 1 + 0.45], next: i + 3, isPlain: false, unit: 'clock' };
}

const COINED = /^(?:euros?|pounds?|quid|dollars?|bucks?)$/;

/** Figures in digits: "1,200", "2.50", "15-20", "1990s", "12mm", "3 million". */
function digits(text: string, all: readonly Word[], i: number): Run | null {
  const word = all[i]!;
  const m = /^(\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+(?:\.\d+)?)(?:-(\d+(?:\.\d+)?))?(?:-?(\p{L}+))?$/u.exec(word.text);
  if (!m) return null;
  const [point, decimals] = [all[i + 1], all[i + 2]];
  if (point && decimals && normal(point.text) === 'point' && /^\d+$/.test(decimals.text) && /^\d+$/.test(word.text))
    return { values: [Number(`${word.text}.${decimals.text}`)], next: i + 3, isPlain: false };
  if (/^\d+$/.test(word.text) && isJoined(text, word, point, /^ $/)) {
    const behind = all.slice(i + 1, i + 4).map((w) => normal(w.text));
    // "1 and a half", "3 euro 50".
    if (behind.join(' ') === 'and a half') return { values: [Number(word.text) + 0.5], next: i + 4, isPlain: false };
    if (COINED.test(behind[0]!) && decimals && isJoined(text, point!, decimals, /^ $/) && /^\d\d$/.test(decimals.text))
      return { values: [Number(word.text) + Number(decimals.text) / 100], next: i + 3, isPlain: false, unit: behind[0]! };
  }
  const scale = all[i + 1] && isJoined(text, word, all[i + 1], /^[ -]$/) ? SCALES.get(normal(all[i + 1]!.text)) : undefined;
  const values = [m[1]!, m[2]].filter((v) => v !== undefined).map((v) => Number(v.replaceAll(',', '')) * (scale ?? 1));
  const tail = m[3] && !/^(?:st|nd|rd|th|s|am|pm)$/.test(m[3]) ? m[3] : undefined;
  return { values, next: i + (scale ? 2 : 1), isPlain: false, ...(tail ? { unit: tail } : {}) };
}

/** Figures in words: "fifteen", "a hundred and twenty-two", "two and a half", "half an hour". */
function inWords(text: string, all: readonly Word[], at: number): Run | null {
  let [sum, part, i, seen] = [0, 0, at, 0];
  let plain = true;
  let unit: string | undefined;
  let last: 'small' | 'tens' | 'scale' | null = null;
  for (; i < all.length; i++) {
    if (i > at && !isJoined(text, all[i - 1]!, all[i], /^[ -]$/)) break;
    const [first, ...rest] = normal(all[i]!.text).split('-');
    const named = NAMED.get(first!);
    const next = all[i + 1] && normal(all[i + 1]!.text);
    if (named !== undefined && !(seen && last === 'small') && !(last === 'tens' && named >= 10)) {
      // "eighteen ninety" would be a year; "twenty two" and "twenty-two" are one figure.
      part += named;
      const unitsOfIt = rest.length ? NAMED.get(rest[0]!) : undefined;
      if (rest.length && unitsOfIt === undefined) {
        unit = rest.join('-');
        plain = false;
        seen++;
        i++;
        break;
      }
      part += unitsOfIt ?? 0;
      last = named >= 20 && unitsOfIt === undefined ? 'tens' : 'small';
      plain &&= named === 1 && !rest.length;
    } else if (SCALES.has(first!) && (seen || first !== 'million')) {
      const scale = SCALES.get(first!)!;
      if (scale === 100) part = (part || 1) * 100;
      else [sum, part] = [sum + (part || 1) * scale, 0];
      last = 'scale';
      plain = false;
    } else if (seen && first === 'and' && last === 'scale' && next && NAMED.has(next.split('-')[0]!)) continue;
    else if (seen && first === 'and' && next && (PARTS.has(next) || /^an?$/.test(next))) {
      const skip = PARTS.has(next) ? 1 : 2;
      const of = all[i + skip] && PARTS.get(normal(all[i + skip]!.text));
      if (!of) break;
      part += of;
      i += skip + 1;
      plain = false;
      break;
    } else if (!seen && /^an?$/.test(first!) && next && (SCALES.has(next) || AS_WORDS.has(next))) continue;
    else if (!seen && AS_WORDS.has(first!)) {
      part += AS_WORDS.get(first!)!;
      plain = first !== 'dozen';
      i++;
      seen++;
      break;
    } else if (PARTS.has(first!) && (!seen || part < 4) && first !== 'third') {
      part = seen ? part * PARTS.get(first!)! : PARTS.get(first!)!;
      seen++;
      i++;
      plain = false;
      break;
    } else break;
    seen++;
  }
  if (seen) return { values: [sum + part], next: i, isPlain: plain, ...(unit ? { unit } : {}) };
  // "An hour" is one hour.
  if (/^an?$/i.test(all[at]!.text) && all[at + 1] && measureOf(all[at + 1]!.text)) return { values: [1], next: at + 1, isPlain: true };
  return null;
}

function counted(text: string, all: readonly Word[], i: number, run: Run, value: number): Figure {
  const first = all[i]!;
  const lastWord = all[run.next - 1]!;
  let [from, to] = [first.from, lastWord.to];
  const plain = (unit: string) => ({
    text: text.slice(from, to),
    told: value,
    value,
    unit,
    isMeasure: false,
    isPlain: run.isPlain,
    from,
    to,
  });
  const measured = (of: readonly [string, number]) => ({ ...plain(of[0]), value: round(value * of[1]), isMeasure: true });
  if (run.unit === 'clock') return { ...plain('clock'), isMeasure: true };
  const before = text[from - 1] === ' ' ? text[from - 2] : text[from - 1];
  if (before && /[£€$]/.test(before)) {
    from -= text[from - 1] === ' ' ? 2 : 1;
    return measured(MEASURES[before]!);
  }
  const sign = /^ ?(%|°)/.exec(text.slice(to));
  if (sign) {
    to += sign[0].length;
    return measured(MEASURES[sign[1]!]!);
  }
  if (run.unit) {
    const own = measureOf(run.unit);
    return own ? measured(own) : plain(stem(run.unit));
  }
  for (let k = run.next, gap = lastWord; k < all.length && k < run.next + 4; gap = all[k]!, k++) {
    const word = all[k]!;
    if (!/^[ -]$/.test(text.slice(gap.to, word.from))) break;
    const n = normal(word.text);
    if (n === 'per' && all[k + 1]?.text === 'cent') {
      to = all[k + 1]!.to;
      return measured(MEASURES.percent!);
    }
    const own = measureOf(n);
    // "Five to six millimetres": the first takes the unit of the second.
    if (own && (n.length > 1 || k === run.next)) {
      to = word.to;
      return measured(own);
    }
    const isOther = NAMED.has(n.split('-')[0]!) || /^\d/.test(n) || PARTS.has(n) || n === 'to';
    if (isOther) continue;
    if (BETWEEN.has(n)) continue;
    if (MONTHS.includes(n)) return { ...plain(n), isMeasure: true };
    return plain(stem(n));
  }
  const previous = all[i - 1] && normal(all[i - 1]!.text);
  if (previous && MONTHS.includes(previous)) return { ...plain(previous), isMeasure: true };
  return plain('');
}

const round = (value: number): number => Math.round(value * 1000) / 1000;
