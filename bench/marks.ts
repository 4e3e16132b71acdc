import { readFileSync } from 'node:fs';
import type { Passage } from '../core/src/gather/source.ts';
import { normal } from '@even-page/core/language/terms';
import { words } from '@even-page/core/language/words';
import { materialOf } from '../core/src/tidy/finder.ts';
import { usualHouse } from '../core/src/tidy/house.ts';
import { sentenceMarks } from '../core/src/tidy/marks/finder.ts';
import type { MarksModel } from '../core/src/tidy/marks/model.ts';
import { markedWords, MARKS } from '../core/training/marks.ts';
import { BROWN_DOCUMENTS, brownText } from './brown.ts';
import { score, type Score } from './score.ts';

/** How well the marks of texts are put back once they were taken out. */
export type MarkScores = Record<'end' | 'comma' | 'question' | 'name', Score>;

/** Documents of the kinds the network was trained on, which it has not seen (core/training/held-out.ts). */
export const unseenDocuments = (): string[] =>
  readFileSync(new URL('texts/unseen-documents.txt', import.meta.url), 'utf8').split('\n\n=====\n\n');

/** Documents of genres it was never trained on: every fourth of the Brown corpus. */
export const unseenGenres = (): string[] => BROWN_DOCUMENTS.filter((_, i) => i % 4 === 1).map(brownText);

// A pause is heard at so many sentence ends, and at so many other places.
const AT_ENDS = 0.7;
const ELSEWHERE = 0.08;

type Gold = { said: string[]; end: boolean[]; comma: boolean[]; question: boolean[]; isName: (boolean | null)[] };

function goldOf(text: string): Gold {
  const all = markedWords(text);
  const is = (name: (typeof MARKS)[number]) => all.map((w) => MARKS[w.mark] === name);
  const question = is('question');
  return {
    said: all.map((w) => w.word),
    end: is('stop').map((stop, i) => stop || question[i]!),
    comma: is('comma'),
    question,
    isName: all.map((w) => (w.name < 0 ? null : w.name === 1)),
  };
}

/** Scores over documents. `pauses` puts in simulated pauses; `known` gives their own names as House style's. */
export function markScores(texts: readonly string[], model: MarksModel, { pauses = false, known = false } = {}): MarkScores {
  let state = 7;
  const random = () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
  const found = { end: [] as boolean[], comma: [] as boolean[], question: [] as boolean[], name: [] as boolean[] };
  const wanted = { end: [] as boolean[], comma: [] as boolean[], question: [] as boolean[], name: [] as boolean[] };
  for (const text of texts) {
    const gold = goldOf(text);
    if (gold.said.length < 50) continue;
    const heard = gold.end.map((is) => random() < (is ? AT_ENDS : ELSEWHERE));
    const names = known ? namesIn(text) : [];
    const marks = restored(gold.said, pauses ? heard : null, names, model);
    found.end.push(...marks.map((m) => m.after === '.' || m.after === '?'));
    found.question.push(...marks.map((m) => m.after === '?'));
    found.comma.push(...marks.map((m) => m.after === ','));
    wanted.end.push(...gold.end);
    wanted.comma.push(...gold.comma);
    wanted.question.push(...gold.question);
    gold.isName.forEach((is, i) => {
      if (is === null) return;
      wanted.name.push(is);
      found.name.push(marks[i]!.isCapital && !(i && /[.?]/.test(marks[i - 1]!.after)));
    });
  }
  return {
    end: score(found.end, wanted.end),
    comma: score(found.comma, wanted.comma),
    question: score(found.question, wanted.question),
    name: score(found.name, wanted.name),
  };
}

/** The scores of two simple ways for sentence ends: every fifteen words, and before so, and, but and now. */
export function simpleScores(texts: readonly string[]): { every15: Score; beforeWords: Score } {
  const wanted: boolean[] = [];
  const every15: boolean[] = [];
  const beforeWords: boolean[] = [];
  for (const text of texts) {
    const { said, end } = goldOf(text);
    wanted.push(...end);
    every15.push(...said.map((_, i) => i % 15 === 14));
    beforeWords.push(...said.map((_, i) => /^(?:so|and|but|now)$/.test(said[i + 1] ?? '')));
  }
  return { every15: score(every15, wanted), beforeWords: score(beforeWords, wanted) };
}

/** The names of a text: capitals inside its sentences, those side by side together. */
function namesIn(text: string): string[] {
  const all = markedWords(text);
  const found = words(text);
  const names = new Set<string>();
  for (let i = 0; i < all.length; i++) {
    if (all[i]!.name !== 1) continue;
    const first = i;
    while (all[i + 1]?.name === 1 && text.slice(found[i]!.to, found[i + 1]!.from) === ' ') i++;
    names.add(text.slice(found[first]!.from, found[i]!.to));
  }
  return [...names];
}

/** What the finder puts after each word, and whether it gives it a capital. */
function restored(said: readonly string[], heard: readonly boolean[] | null, names: readonly string[], model: MarksModel) {
  const text = said.join(' ');
  let clock = 0;
  const wordsMs = said.flatMap((_, i) => {
    const from = clock;
    clock += 250;
    const to = clock;
    clock += heard?.[i] ? 600 : 30;
    return [from, to];
  });
  const passage: Passage = heard ? { text, startMs: 0, endMs: clock, wordsMs } : { text };
  const source = { kind: heard ? ('transcript' as const) : ('text' as const), passages: [passage] };
  const edits = sentenceMarks(materialOf(source, { house: { ...usualHouse(), names: [...names] }, model }));
  const after = new Map(edits.filter((e) => e.from === e.to).map((e) => [e.from, e.after]));
  const capitals = new Set(edits.filter((e) => e.from < e.to).map((e) => e.from));
  let at = 0;
  return said.map((word) => {
    const from = at;
    at += word.length + 1;
    return { after: after.get(from + word.length) ?? '', isCapital: capitals.has(from), word: normal(word) };
  });
}
