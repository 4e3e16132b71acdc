import type { PostNode } from '../post/schema.ts';
import { atLeast } from './binomial.ts';
import { directionsOf, treatedBy } from './matters.ts';
import { pageFigures, type PageFigures } from './page-figures.ts';
import { type Part, partsOf } from './parts.ts';
import { passagesOf } from './passages.ts';
import { type Spread, spreadOf } from './spread.ts';
import { countOf, type Term } from './terms.ts';
import type { NamedMatter, Yardstick } from './yardstick.ts';

/** What a draft is held against the pages in, one strip each. */
export const MEASURES = {
  words: 'length',
  headings: 'headings',
  matters: 'matters',
  terms: 'terms in headings',
  questions: 'questions',
  pictures: 'pictures',
  links: 'links',
  grade: 'grade',
} as const;
export type Measure = keyof typeof MEASURES;

/** One measure: that of each page, how those lie, the draft's own, and what follows in a few words; empty where nothing does. */
export type Strip = { measure: Measure; pages: number[]; spread: Spread; draft: number; says: string };

/** How often a term stands in the draft, against the pages: missing, within their spread, or crammed. */
export type StandingTerm = Term & { draft: number; inHeadings: boolean; state: 'missing' | 'fine' | 'crammed' };

/** How a draft stands. */
export type Stand = { strips: Strip[]; treated: string[]; matters: Spread; terms: StandingTerm[] };

// So unlikely must it be that a term stands so often by the pages' own rate (a usual level of significance).
const UNLIKELY = 0.01;

/** Holds a draft against a yardstick. `hosts` are those of the house, whose links are inside. */
export function standOf(title: string, doc: PostNode, yardstick: Yardstick, hosts: readonly string[]): Stand {
  const { pages, matters, terms, weigh } = yardstick;
  const parts = partsOf(doc);
  const own = pageFigures(doc, hosts);
  const treated = [...treatedBy(directionsOf(passagesOf(parts), weigh), matters)] as NamedMatter[];
  const standing = terms.map((term) => standingTerm(term, title, parts, own.words, yardstick));
  const draft: Record<Measure, number> = {
    ...measured(own),
    matters: treated.length,
    terms: standing.filter((t) => t.inHeadings).length,
  };
  const onPage = measuresOf(yardstick);
  const strips = (Object.keys(MEASURES) as Measure[]).map((measure): Strip => {
    const figures = onPage.map((page) => page[measure]);
    const spread = spreadOf(figures);
    return { measure, pages: figures, spread, draft: draft[measure], says: pages.length ? saysOf(measure, draft[measure], spread) : '' };
  });
  return { strips, treated: treated.map(({ id }) => id), matters: spreadOf(onPage.map((page) => page.matters)), terms: standing };
}

// A yardstick never changes: another stands in its place.
const known = new WeakMap<Yardstick, Record<Measure, number>[]>();

/** Every measure of each page. */
function measuresOf(yardstick: Yardstick): Record<Measure, number>[] {
  let found = known.get(yardstick);
  if (!found) {
    const { pages, matters, terms } = yardstick;
    found = pages.map((page, n) => ({
      ...measured(page.figures),
      matters: matters.filter((m) => m.pages.includes(n)).length,
      terms: terms.filter((term) => countOf(term.key, page.title, page.parts).headings).length,
    }));
    known.set(yardstick, found);
  }
  return found;
}

const measured = ({ words, headings, questions, pictures, linksInside, linksOutside, grade }: PageFigures) => ({
  words,
  headings,
  questions,
  pictures,
  links: linksInside + linksOutside,
  grade: grade ?? 0,
});

/** What a measure asks for: the middle page is the aim, the best the limit (common practice, no source). */
function saysOf(measure: Measure, draft: number, { low, high, most }: Spread): string {
  if (measure === 'grade') return draft > high ? 'harder to read than most' : '';
  if (draft > most)
    return measure === 'words'
      ? 'longer than every page: more words make it worse'
      : measure === 'matters'
        ? 'more than the best page: enough'
        : 'more than any page';
  return draft < low ? 'less than most' : '';
}

/**
 * A term is crammed when it stands more often, word for word, than on any of the pages, and so often would by the pages' own rate
 * come out with a chance below 1 in 100 (one-sided binomial test).
 */
function standingTerm(term: Term, title: string, parts: readonly Part[], words: number, { pages }: Yardstick): StandingTerm {
  const { all, headings } = countOf(term.key, title, parts);
  const wordsOf = pages.map(({ figures }) => Math.max(1, figures.words));
  const total = term.counts.reduce((sum, n) => sum + n, 0);
  const rate = total / wordsOf.reduce((sum, n) => sum + n, 0);
  const densest = Math.max(...term.counts.map((n, k) => n / wordsOf[k]!));
  const isCrammed = words > 0 && all / words > densest && atLeast(all, words, rate) < UNLIKELY;
  return { ...term, draft: all, inHeadings: headings > 0, state: isCrammed ? 'crammed' : all ? 'fine' : 'missing' };
}
