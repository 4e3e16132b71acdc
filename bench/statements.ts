// True statements and altered ones, made of the told talks by a seeded script: sentences as an editor wrote them, and the same
// with a number changed, a unit swapped, a name exchanged, a denial put in or taken out.
import { figuresIn } from '@even-page/core/language/figures';
import { type Part, sectioned, weighed, type Weighed } from '../core/training/told.ts';
import type { SourceProse } from '@even-page/core/shape';
import { type Known, knownFacts, namesIn } from '../core/src/write/guard/index.ts';

export type Kind = 'number' | 'unit' | 'name' | 'denial';
export type Made = { known: Known; text: string; kind: Kind | null; of: string; rests: number[] };

const SEED = 14;

/** A talk as material: its sentences as they were said. */
const materialOf = (talk: Weighed): SourceProse => ({
  source: 'talk',
  paragraphs: talk.map(({ speaker, text }, n) => ({ speaker, sentences: [{ text, first: n, last: n, from: 0, to: 0 }] })),
});

/** So many true statements and so many altered, evenly over the kinds, drawn from the talks of some parts. */
export function statements(parts: readonly Part[], count: number): Made[] {
  let state = SEED;
  const dice = (below: number) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
  const talks = parts.flatMap((part) => {
    const told = sectioned(part);
    return weighed(part).map((talk, i) => ({
      known: knownFacts([materialOf(talk)]),
      sentences: talk,
      opens: told[i]!.sentences.map((s) => s.opensParagraph),
    }));
  });
  // What a paragraph of a draft rests on is a paragraph of the talk.
  const paragraphAt = (opens: readonly boolean[], n: number) => {
    let [from, to] = [n, n + 1];
    while (from > 0 && !opens[from]) from--;
    while (to < opens.length && !opens[to]) to++;
    return Array.from({ length: to - from }, (_, k) => from + k);
  };
  const all = talks.flatMap(({ known, sentences, opens }) =>
    sentences.flatMap((s, n) => (s.written && s.weight >= 2 ? [{ known, text: s.written, rests: paragraphAt(opens, n) }] : [])),
  );
  for (let i = all.length - 1; i > 0; i--) {
    const k = dice(i + 1);
    [all[i], all[k]] = [all[k]!, all[i]!];
  }
  const truths = all.slice(0, count).map((s): Made => ({ ...s, kind: null, of: s.text }));
  const altered = (['number', 'unit', 'name', 'denial'] as const).flatMap((kind) =>
    all
      .flatMap(({ known, text, rests }): Made[] => {
        const made = ALTER[kind](text, known, dice);
        return made === null || made === text ? [] : [{ known, text: made, kind, of: text, rests }];
      })
      .slice(0, count / 4),
  );
  return [...truths, ...altered];
}

type Alter = (text: string, known: Known, dice: (below: number) => number) => string | null;

const UNITS = ['degrees', 'minutes', 'millimetres', 'pounds', 'litres', 'hours', 'grams', 'metres'];

const ALTER: Record<Kind, Alter> = {
  number(text, _, dice) {
    const figures = figuresIn(text).filter((f) => !f.isPlain && f.told >= 2 && Number.isInteger(f.told));
    const figure = figures[dice(figures.length)];
    if (!figure) return null;
    const digits = /\d+(?:,\d{3})*(?:\.\d+)?/.exec(figure.text);
    const other = figure.told + (dice(2) ? 1 : -1) * (1 + dice(Math.max(2, Math.floor(figure.told / 3))));
    const value = other < 2 ? figure.told + 3 : other;
    if (digits) return text.slice(0, figure.from) + figure.text.replace(digits[0], String(value)) + text.slice(figure.to);
    const NAMES = ['two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
    const word = NAMES.find((name) => new RegExp(`\\b${name}\\b`, 'i').test(figure.text));
    if (!word || /[ -]/.test(figure.text.replace(/ \p{L}+$/u, ''))) return null;
    const put = NAMES[(NAMES.indexOf(word) + 1 + dice(NAMES.length - 1)) % NAMES.length]!;
    return text.slice(0, figure.from) + figure.text.replace(new RegExp(`\\b${word}\\b`, 'i'), put) + text.slice(figure.to);
  },
  unit(text, _, dice) {
    const figures = figuresIn(text).filter((f) => f.isMeasure && !f.isPlain && /\p{L}{3,}$/u.test(f.text) && f.unit !== 'clock');
    const figure = figures[dice(figures.length)];
    const unit = figure && /\p{L}+$/u.exec(figure.text)![0];
    if (!figure || !UNITS.some((u) => u.startsWith(unit!.slice(0, 4)))) return null;
    const others = UNITS.filter((u) => !u.startsWith(unit!.slice(0, 4)));
    return text.slice(0, figure.from) + figure.text.replace(unit!, others[dice(others.length)]!) + text.slice(figure.to);
  },
  name(text, known, dice) {
    const names = namesIn(text, known);
    const name = names[dice(names.length)];
    if (!name) return null;
    const others = namesOf(known).filter((other) => other !== name.text && !text.includes(other));
    const other = others[dice(others.length)];
    return other ? text.slice(0, name.from) + other + text.slice(name.to) : null;
  },
  denial(text) {
    if (/\b(?:no|nobody|nothing|none|neither|nor|without)\b|\?/i.test(text)) return null;
    const denied: readonly [RegExp, string][] = [
      [/\b(is|are|was|were|can|should|must|will|would|could|do|does|did)( not|n['’]t)\b/, '$1'],
      [/\b[Nn]ever\b/, 'always'],
      [/\bcannot\b/, 'can'],
      [/\bDon['’]t (\p{Ll})/u, 'Do $1'],
      [/\b(is|are|was|were|can|should|must|will|would|could)\b(?! not|[’'])/, '$1 not'],
    ];
    const [pattern, put] = denied.find(([p]) => p.test(text)) ?? [];
    return pattern ? text.replace(pattern, put!) : null;
  },
};

const kept = new WeakMap<Known, string[]>();

/** The names of a talk. */
function namesOf(known: Known): string[] {
  let names = kept.get(known);
  if (!names)
    kept.set(known, (names = [...new Set(known.index.sentences.flatMap((s) => namesIn(s.text, known).map((w) => w.text)))].sort()));
  return names;
}
