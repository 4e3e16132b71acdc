import { likeness, minHash, shinglesOf } from '../language/shingles.ts';
import { PAGE_KINDS, type PageKind } from './page-kind.ts';
import { passagesOf, type Passage } from './passages.ts';
import type { ReferencePage } from './reference-page.ts';
import { quantile } from './spread.ts';
import { alike, type Direction, middleOf, type Weighing } from './weights.ts';

/** Why a page is proposed to be left out: another kind, far from the others in words, far too short, or a copy of another. */
export type OffPurpose = { reason: 'kind' | 'far' | 'short' | 'copy'; says: string };

// Own choices: a fraction of the middle page's length and of its likeness to the others, and how alike copies are.
const TOO_SHORT = 0.35;
const TOO_FAR = 0.4;
const COPY = 0.6;

/** For each page why it is proposed to be left out; null for those that serve. */
export function offPurpose(pages: readonly ReferencePage[], weighingOf: (passages: readonly Passage[]) => Weighing): (OffPurpose | null)[] {
  const kind = mostOf(pages.map((page) => page.kind));
  const length = middle(pages.filter((page) => page.kind === kind).map((page) => page.figures.words));
  const passages = pages.map((page) => passagesOf(page.parts));
  const weigh = weighingOf(passages.flat());
  const directions = passages.map((own): Direction => middleOf(own.map((p) => weigh(p.counts))));
  const near = directions.map((direction, n) => alike(direction, middleOf(directions.filter((_, k) => k !== n))));
  const usual = middle(near);
  const signatures = pages.map(({ parts }) => minHash(parts.flatMap(({ text }) => shinglesOf(text).map(({ hash }) => hash))));
  return pages.map((page, n) => {
    if (page.kind !== kind) return { reason: 'kind', says: `${an(PAGE_KINDS[page.kind])} among ${PAGE_KINDS[kind]}s` };
    const first = pages.findIndex((other, k) => k < n && other.figures.words > 0 && likeness(signatures[k]!, signatures[n]!) >= COPY);
    if (first >= 0) return { reason: 'copy', says: `nearly the same as “${pages[first]!.title}”` };
    if (page.figures.words < TOO_SHORT * length)
      return { reason: 'short', says: `${page.figures.words} words where the middle page has ${Math.round(length)}` };
    if (pages.length > 2 && near[n]! < TOO_FAR * usual) return { reason: 'far', says: 'speaks of other things than the rest' };
    return null;
  });
}

const an = (words: string) => `${/^[aeiou]/.test(words) ? 'an' : 'a'} ${words}`;

const middle = (figures: readonly number[]) =>
  quantile(
    [...figures].sort((a, b) => a - b),
    0.5,
  );

/** The kind most pages are of; articles where two are as many. */
function mostOf(kinds: readonly PageKind[]): PageKind {
  const counts = new Map<PageKind, number>([['article', 0]]);
  for (const kind of kinds) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]![0];
}
