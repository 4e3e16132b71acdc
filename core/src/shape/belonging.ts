import { normal, terms } from '../language/terms.ts';
import { words } from '../language/words.ts';
import { plainText, sectionsOf } from '../post/sections.ts';
import type { PostNode } from '../post/schema.ts';
import { bagOf, cosine, rarityIn } from './bags.ts';
import type { Subjects } from './cut/subjects.ts';
import { DEEDS } from '../tidy/index.ts';
import { isBody } from './standing/headings.ts';

/** A headed section by its id. */
type Headed = { id: string; heading: string };

/** A section that could stand under the one before it, with a heading one level deeper. */
export type Belonging = { section: Headed; under: Headed };

// How alike neighbours must be, and how much more than other neighbours (own choice, tried on the measured talks).
const ALIKE = 0.3;
const MORE = 1.5;
const FEWEST_SECTIONS = 4;

/**
 * Sections that belong under the one before them: they share their object (a stem of both headings, no deed, that no
 * other heading has), or are much more alike than other neighbours of the page. Sections with deeper headings of their own
 * are left as they are.
 */
export function belonging(doc: PostNode, subjects: Subjects | null): Belonging[] {
  const weigh = rarityIn(subjects);
  const all = sectionsOf(doc).filter((s) => isBody(s) && s.level === 2);
  if (all.length < FEWEST_SECTIONS) return [];
  const stems = all.map((s) => new Set(words(s.heading).flatMap((w) => (DEEDS.has(normal(w.text)) ? [] : terms(w.text)))));
  const bags = all.map((s) => bagOf(plainText(doc.cut(s.from, s.to)), weigh));
  const likeness = all.slice(1).map((_, i) => cosine(bags[i]!, bags[i + 1]!));
  const usual = [...likeness].sort((a, b) => a - b)[likeness.length >> 1]!;
  const headed = (n: number): Headed => ({ id: all[n]!.id, heading: all[n]!.heading });
  const hasDeeper = (n: number) => {
    let deeper = false;
    doc.nodesBetween(all[n]!.from, all[n]!.to, (node) => {
      deeper ||= node.type.name === 'heading' && node.attrs.level > 2;
      return false;
    });
    return deeper;
  };
  return likeness.flatMap((like, i): Belonging[] => {
    const shared = [...stems[i]!].filter((s) => stems[i + 1]!.has(s));
    const isTheirs = shared.some((s) => stems.filter((other) => other.has(s)).length <= 2);
    const isLike = like >= ALIKE && like >= MORE * usual;
    return (isTheirs || isLike) && !hasDeeper(i + 1) ? [{ section: headed(i + 1), under: headed(i) }] : [];
  });
}
