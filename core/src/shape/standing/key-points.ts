import { terms } from '../../language/terms.ts';
import { wordCount } from '../../language/words.ts';
import { schema, type PostNode } from '../../post/schema.ts';
import { frequencyOf, NAME, type Subjects } from '../cut/subjects.ts';
import { alone, isStatement, pointsBack, type SaidOnPage, type SaidSection } from './said-on-page.ts';

const SHORTEST = 6;
const LONGEST = 24;
/**
 * Key points: the most central sentence of each section, as a list. A sentence is central when its stems are said often
 * in its section and seldom in English, for its length (the centroid of Radev et al. 2004).
 */
export function keyPoints(sections: readonly SaidSection[], subjects: Subjects | null): PostNode[] {
  const points = sections.filter((s) => s.id !== 'lead').flatMap((section) => mostCentral(section.sentences, subjects) ?? []);
  if (!points.length) return [];
  const { bulletList, listItem, paragraph } = schema.nodes;
  return [
    bulletList.create(
      null,
      points.map(({ text, origins }) => listItem.create(null, paragraph.create({ origins }, schema.text(text)))),
    ),
  ];
}

function mostCentral(said: readonly SaidOnPage[], subjects: Subjects | null): SaidOnPage | undefined {
  const counts = new Map<string, number>();
  for (const { text } of said) for (const s of terms(text)) counts.set(s, (counts.get(s) ?? 0) + 1);
  const weight = (s: string) => (counts.get(s) ?? 0) * (subjects ? -Math.log(frequencyOf(subjects, s, NAME)) : 1);
  let best: { score: number; said: SaidOnPage } | undefined;
  for (const { text, origins } of said) {
    const short = alone(text);
    const length = wordCount(short);
    if (length < SHORTEST || length > LONGEST || !/[.!]["'”’)]*$/.test(short) || pointsBack(short) || !isStatement(short)) continue;
    const score = [...new Set(terms(short))].reduce((sum, s) => sum + weight(s), 0) / Math.sqrt(length);
    if (!best || score > best.score) best = { score, said: { text: short, origins } };
  }
  return best?.said;
}
