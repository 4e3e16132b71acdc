import { sentences } from '../language/sentences.ts';
import { syllablesOf } from '../language/syllables.ts';
import { words } from '../language/words.ts';
import type { FindingPlace } from './place.ts';
import { placeIn } from './place.ts';
import { isProse, type Stretch } from './stretches.ts';
import { passivesIn } from './usage/passives.ts';

/** A sentence of the prose: where it is, its words, and how hard it reads. */
export type ReadSentence = { block: string; place: FindingPlace; text: string; words: number; hardness: number; because: string[] };

// From so many words on a sentence is long (common practice, no source: 20 to 25); a word of so many syllables is long (Gunning 1952).
const LONG = 22;
const LONG_WORD = 3;
// So many long words, and so many clauses, are many.
const MANY_WORDS = 4;
const MANY_CLAUSES = 3;

const CLAUSE =
  /[,;:(–—]|\b(?:which|that|who|whom|whose|because|although|though|while|whereas|unless|until|if|when|where|since|so that|in order to)\b/gi;

// A stretch never changes: another stands in its place.
const known = new WeakMap<Stretch, ReadSentence[]>();

/** The sentences of the prose of a page, in order, each with what makes it hard; nothing where it is not. */
export const readSentences = (stretches: readonly Stretch[]): ReadSentence[] =>
  stretches.filter(isProse).flatMap((stretch) => {
    let found = known.get(stretch);
    if (!found) known.set(stretch, (found = sentences(stretch.text).map(({ text, from, to }) => read(stretch, text, from, to))));
    return found;
  });

function read(stretch: Stretch, text: string, from: number, to: number): ReadSentence {
  const all = words(text);
  const long = all.filter((word) => syllablesOf(word.text) >= LONG_WORD).length;
  const clauses = (text.match(CLAUSE)?.length ?? 0) + 1;
  const passive = passivesIn(text).length;
  const because = [
    ...(all.length > LONG ? [`${all.length} words`] : []),
    ...(long >= MANY_WORDS ? [`${long} long words`] : []),
    ...(clauses > MANY_CLAUSES ? [`${clauses} clauses`] : []),
    ...(passive && all.length > LONG ? ['passive'] : []),
  ];
  const hardness =
    Math.max(0, all.length - LONG) / LONG +
    Math.max(0, long - MANY_WORDS + 1) / MANY_WORDS +
    Math.max(0, clauses - MANY_CLAUSES) / MANY_CLAUSES +
    passive / 4;
  return {
    block: stretch.block,
    place: placeIn(stretch, from, to),
    text,
    words: all.length,
    hardness: because.length ? hardness : 0,
    because,
  };
}

/** The hardest sentences of a page, the hardest first. */
export const hardSentences = (all: readonly ReadSentence[], most = 10): ReadSentence[] =>
  all
    .filter(({ hardness }) => hardness > 0)
    .sort((a, b) => b.hardness - a.hardness)
    .slice(0, most);
