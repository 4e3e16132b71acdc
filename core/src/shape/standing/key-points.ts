import { terms } from '../../language/terms.ts';
import { wordCount } from '../../language/words.ts';
import { schema, type PostNode } from '../../post/schema.ts';
import { DEEDS } from '../../tidy/index.ts';
import { frequencyOf, NAME, type Subjects } from '../cut/subjects.ts';
import { alone, isStatement, pointsBack, type SaidOnPage, type SaidSection } from './said-on-page.ts';

const SHORTEST = 6;
const LONGEST = 24;
const MOST = 5;
// What is told by somebody, or of a moment, says little by itself.
const TOLD =
  /\b(?:I|I'm|I've|I'll|I'd|my|me|he|she|his|her|him|somebody|last (?:year|week|time)|once|yesterday|tonight|today|here|there|this one|that one)\b/i;
const TELLS = 0.4;
// A thing to do, a figure or a rule is what a reader takes along.
const TAKEN = new RegExp(`^(?:${[...DEEDS].join('|')})\\b|\\d|\\b(?:never|don't|must|always|only|is|are)\\b`, 'i');
const TAKES = 1.4;

/**
 * Key points: the most telling sentences of the sections, at most one of each and five in all, as a list. A sentence is
 * central when its stems are said often in its section and seldom in English, for its length (the centroid of Radev et al.
 * 2004).
 */
export function keyPoints(sections: readonly SaidSection[], subjects: Subjects | null): PostNode[] {
  const found = sections.filter((s) => s.id !== 'lead').flatMap((section) => mostCentral(section.sentences, subjects) ?? []);
  const least = found.map((p) => p.score).sort((a, b) => b - a)[MOST - 1] ?? -Infinity;
  const points = found.filter((p) => p.score >= least).slice(0, MOST);
  if (!points.length) return [];
  const { bulletList, listItem, paragraph } = schema.nodes;
  return [
    bulletList.create(
      null,
      points.map(({ said: { text, origins } }) => listItem.create(null, paragraph.create({ origins }, schema.text(text)))),
    ),
  ];
}

type Point = { score: number; said: SaidOnPage };

function mostCentral(said: readonly SaidOnPage[], subjects: Subjects | null): Point | undefined {
  const counts = new Map<string, number>();
  for (const { text } of said) for (const s of terms(text)) counts.set(s, (counts.get(s) ?? 0) + 1);
  const weight = (s: string) => (counts.get(s) ?? 0) * (subjects ? -Math.log(frequencyOf(subjects, s, NAME)) : 1);
  let best: Point | undefined;
  for (const { text, origins } of said) {
    const short = alone(text);
    const length = wordCount(short);
    if (length < SHORTEST || length > LONGEST || !/[.!]["'”’)]*$/.test(short) || pointsBack(short) || !isStatement(short)) continue;
    const plain = short.replaceAll('’', "'");
    const score =
      ([...new Set(terms(short))].reduce((sum, s) => sum + weight(s), 0) / Math.sqrt(length) / short.split(',').length) *
      (TOLD.test(plain) ? TELLS : 1) *
      (TAKEN.test(plain) ? TAKES : 1);
    if (!best || score > best.score) best = { score, said: { text: short, origins } };
  }
  return best;
}
