import { type Figure, figuresIn } from '../../language/figures.ts';
import { normal, terms } from '../../language/terms.ts';
import { words } from '../../language/words.ts';
import type { Origin } from '../../post/schema.ts';
import type { SourceProse } from '../../shape/index.ts';
import { indexOf, likestSentences, type MaterialIndex } from '../find-in-material.ts';
import type { Statement } from './statement.ts';

/** What is known: the material, and what the writer asks for, ready to hold statements against. */
export type Known = {
  index: MaterialIndex;
  figures: readonly Figure[][];
  /** In which sentences a figure of so much stands, and one of a measure. */
  told: ReadonlyMap<number, readonly number[]>;
  measures: ReadonlyMap<string, readonly number[]>;
  /** The words of each sentence in normal form, and who speaks. */
  said: readonly ReadonlySet<string>[];
  /** Who speaks, each under the names given. */
  voices: ReadonlySet<string>;
  /** In which sentences a word stands. */
  places: ReadonlyMap<string, number[]>;
  /** For each source, the sentence that holds a passage. */
  passages: ReadonlyMap<string, ReadonlyMap<number, readonly number[]>>;
  /** All that is said, one normal word after the other. */
  run: string;
  /** What the writer's own brief says: nobody has to have said it. */
  own: ReadonlySet<string>;
  ownFigures: readonly Figure[];
};

/** The same facts with what the writer's brief and outline say besides. */
export const withOwn = (known: Known, own: string): Known => ({ ...known, own: new Set(normalWords(own)), ownFigures: figuresIn(own) });

/** Makes material ready to hold statements against. `own`: what the writer's brief and outline say besides. */
export function knownFacts(materials: readonly SourceProse[], own = ''): Known {
  const index = indexOf(materials);
  const speakers = materials.flatMap((m) => m.paragraphs.flatMap((p) => p.sentences.map(() => p.speaker ?? '')));
  const said = index.sentences.map((s, n) => new Set(normalWords(`${s.text} ${speakers[n]!}`)));
  const places = new Map<string, number[]>();
  said.forEach((all, n) => {
    for (const word of all) {
      const at = places.get(word);
      if (at) at.push(n);
      else places.set(word, [n]);
    }
  });
  const figures = index.sentences.map((s) => figuresIn(s.text));
  const passages = new Map<string, Map<number, number[]>>();
  index.sentences.forEach(({ source, first, last }, n) => {
    const own = passages.get(source) ?? new Map<number, number[]>();
    passages.set(source, own);
    for (let k = first; k <= last; k++) own.set(k, [...(own.get(k) ?? []), n]);
  });
  return {
    index,
    passages,
    figures,
    told: placesBy(figures, (f) => f.told),
    measures: placesBy(figures, (f) => (f.isPlain ? null : measureOf(f))),
    said,
    voices: new Set(speakers),
    places,
    run: ` ${index.sentences.map((s) => normalWords(s.text).join(' ')).join(' ')} `,
    own: new Set(normalWords(own)),
    ownFigures: figuresIn(own),
  };
}

/** What a figure counts, as figures are told apart by it. */
export const measureOf = ({ unit, isMeasure }: Figure): string => `${isMeasure ? 'measure' : 'thing'} ${unit}`;

function placesBy<K>(figures: readonly Figure[][], by: (figure: Figure) => K | null): Map<K, number[]> {
  const places = new Map<K, number[]>();
  figures.forEach((all, n) => {
    for (const figure of all) {
      const key = by(figure);
      if (key === null) continue;
      const at = places.get(key);
      if (!at) places.set(key, [n]);
      else if (at.at(-1) !== n) at.push(n);
    }
  });
  return places;
}

/** The words of a text in the form they are compared in; a possessive counts as its owner. */
export const normalWords = (text: string): string[] => words(text).map((w) => normal(w.text).replace(/'s?$/, ''));

/** The sentences that origin marks name. */
export function sentencesOf(known: Known, origins: readonly Origin[]): number[] {
  const found = new Set<number>();
  for (const { source, first, last } of origins) {
    const own = known.passages.get(source);
    for (let k = first; k <= last; k++) for (const n of own?.get(k) ?? []) found.add(n);
  }
  return [...found];
}

/** How near to the sentence that is likest a fact must stand. */
const NEAR = 2;
const LIKEST = 5;
const COMMON = 0.08;
const FEWEST = 3;

const asked = new WeakMap<MaterialIndex, { stems: string; found: number[] }>();

/** The sentences that say most of some stems. Asked the same twice in a row, as the parts of the guard do, it knows the answer. */
export function likest(index: MaterialIndex, stems: readonly string[]): number[] {
  const key = stems.join(' ');
  const last = asked.get(index);
  if (last?.stems === key) return last.found;
  // Words half of the talk is made of tell nothing apart, and cost the most.
  const rare = stems.filter((stem) => (index.postings.get(stem)?.length ?? 0) / 2 <= index.sentences.length * COMMON);
  const found = likestSentences(index, rare.length >= FEWEST ? rare : stems, LIKEST).map((hit) => hit.n);
  asked.set(index, { stems: key, found });
  return found;
}

/**
 * The sentences of the material that speak of what a statement speaks of, and those around them, without a stretch of it that
 * is in doubt: what is doubtful must not choose its own witness. Where it is said what it rests on, those and no others.
 */
export function witnesses(known: Known, { text, beside = '', rests }: Statement, doubtful: string): number[] {
  const doubted = new Set(terms(doubtful));
  const found = new Set<number>();
  const about = () => terms(`${text} ${beside}`).filter((stem) => !doubted.has(stem));
  for (const n of rests.length ? rests : likest(known.index, about())) {
    const { source } = known.index.sentences[n]!;
    for (let k = n - NEAR; k <= n + NEAR; k++) if (known.index.sentences[k]?.source === source) found.add(k);
  }
  return [...found];
}
