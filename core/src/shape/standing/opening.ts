import { terms } from '../../language/terms.ts';
import { wordCount } from '../../language/words.ts';
import { schema, type PostNode } from '../../post/schema.ts';
import { frequencyOf, NAME, type Subjects } from '../cut/subjects.ts';
import { alone, isStatement, originsOf, type SaidOnPage, type SaidSection } from './said-on-page.ts';

// How people say what they are going to say (own list; common practice, no source).
const ANNOUNCES =
  /\b(?:tonight|today|this (?:evening|morning|afternoon|talk|post|guide)|i'm going to|i am going to|we're going to|we are going to|i'd like to|i would like to|i want to (?:show|tell|talk|say|explain)|we'll (?:look|see|talk|learn)|i'll (?:show|tell|explain|talk)|is about|let's (?:look|talk|start)|by the end|why (?:it|this|that) matters|the reason)\b/i;
// Words for the room say nothing to a reader.
const TO_THE_ROOM = /\b(?:can you hear|can everybody|kettle|biscuits|tea|toilets|fire exit|sit down|at the back|thank you|welcome)\b/i;
// Said of another sentence, or needing the one before it.
const POINTS_BACK = /^(?:it|that|this|these|those|they|he|she|which|or|yes|no)\b/i;
const MOST = 3;
const LONGEST = 70;
const SHORTEST = 5;
const ANNOUNCING = 2;

/** How central each sentence is to all that is said: its stems are said often on the page and seldom in English. */
export function centrality(sections: readonly SaidSection[], subjects: Subjects | null): (sentence: string) => number {
  const counts = new Map<string, number>();
  for (const { sentences } of sections)
    for (const { text } of sentences) for (const s of terms(text)) counts.set(s, (counts.get(s) ?? 0) + 1);
  const weigh = (s: string) => Math.log(1 + (counts.get(s) ?? 0)) * (subjects ? -Math.log(frequencyOf(subjects, s, NAME)) : 1);
  return (sentence) => {
    const stems = [...new Set(terms(sentence))];
    return stems.reduce((sum, s) => sum + weigh(s), 0) / Math.sqrt(Math.max(SHORTEST, wordCount(sentence)));
  };
}

/**
 * An introduction: the sentences that say what it is about, of those the page opens with, as one paragraph. They
 * announce ("tonight we look at"), or are central to all that is said.
 */
export function introduction(sections: readonly SaidSection[], subjects: Subjects | null): PostNode[] {
  const central = centrality(sections, subjects);
  const opening = sections[0]?.sentences ?? [];
  const fits = opening.filter(
    ({ text }) =>
      !TO_THE_ROOM.test(text) &&
      !POINTS_BACK.test(alone(text)) &&
      !text.endsWith('?') &&
      wordCount(text) >= SHORTEST &&
      wordCount(text) <= LONGEST / 2,
  );
  const most = Math.max(1, ...fits.map(({ text }) => central(text)));
  const ranked = [...fits].sort((a, b) => score(b) - score(a));
  function score({ text }: SaidOnPage) {
    return central(text) / most + (ANNOUNCES.test(text.replaceAll('’', "'")) ? ANNOUNCING : 0);
  }
  const chosen: SaidOnPage[] = [];
  let length = 0;
  for (const sentence of ranked) {
    if (chosen.length === MOST || length + wordCount(sentence.text) > LONGEST) break;
    chosen.push(sentence);
    length += wordCount(sentence.text);
  }
  return paragraphOf(opening.filter((s) => chosen.includes(s)));
}

/** A conclusion: the two sentences of the body that are most central to all that is said, and stand by themselves. */
export function conclusion(sections: readonly SaidSection[], subjects: Subjects | null): PostNode[] {
  const central = centrality(sections, subjects);
  const body = sections.slice(1, -1).length ? sections.slice(1, -1) : sections;
  const fits = body
    .flatMap((s) => s.sentences)
    .filter(
      ({ text }) =>
        isStatement(text) &&
        !TO_THE_ROOM.test(text) &&
        !POINTS_BACK.test(alone(text)) &&
        !/\?["'”’)]*$/.test(text) &&
        wordCount(text) > SHORTEST &&
        wordCount(text) <= 26,
    );
  const ranked = [...fits].sort((a, b) => central(b.text) - central(a.text));
  const [first] = ranked;
  if (!first) return [];
  // The second says something else than the first.
  const said = new Set(terms(first.text));
  const second = ranked.find((s) => s !== first && terms(s.text).filter((t) => said.has(t)).length <= terms(s.text).length / 3);
  return paragraphOf(fits.filter((s) => s === first || s === second));
}

const paragraphOf = (said: readonly SaidOnPage[]): PostNode[] =>
  said.length ? [schema.node('paragraph', { origins: originsOf(said) }, schema.text(said.map((s) => alone(s.text)).join(' ')))] : [];
