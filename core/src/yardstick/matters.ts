import type { Passage } from './passages.ts';
import { alike, type Direction, middleOf, type Weighing } from './weights.ts';

/** What several pages treat: the headings it stands under, its telling stems, and in which of the pages it is. */
export type Matter = {
  /** The heading that says it most plainly; empty where no page has one for it. */
  name: string;
  headings: string[];
  /** Its most telling stems, the weightiest first. */
  stems: string[];
  direction: Direction;
  /** The pages that treat it, by their numbers, and how many have a heading for it. */
  pages: number[];
  headed: number;
};

// Own choices, tried on the invented web of the demo with paragraphs by other hands: how alike two groups of sections must be to be
// one matter; and how near to a matter a stretch must come to treat it, where that is the nearest, and where others are nearer.
const ONE_MATTER = 0.17;
const TREATS_NEAREST = 0.14;
const TREATS = 0.28;
const FEWEST_PAGES = 2;
const TELLING = 8;

/**
 * The matters that several pages treat: their sections, joined to groups by likeness (average linkage), each group with sections of
 * two pages or more.
 * @param pages the passages of each page
 * @returns those of most pages first
 */
export function mattersOf(pages: readonly (readonly Passage[])[], weigh: Weighing): Matter[] {
  const sections = pages.flatMap((passages, page) =>
    bodyOf(passages).map((passage) => ({ page, heading: passage.heading, direction: weigh(passage.counts) })),
  );
  const matters = joined(sections.map(({ direction }) => direction))
    .map((group) => group.map((n) => sections[n]!))
    .filter((group) => new Set(group.map(({ page }) => page)).size >= FEWEST_PAGES)
    .map((group): Matter => {
      const direction = middleOf(group.map((s) => s.direction));
      const headed = group.filter(({ heading }) => heading).sort((a, b) => alike(b.direction, direction) - alike(a.direction, direction));
      const headings = [...new Set(headed.map(({ heading }) => heading))];
      const stems = [...direction].sort((a, b) => b[1] - a[1]).slice(0, TELLING);
      return {
        name: headings[0] ?? '',
        headings,
        stems: stems.map(([stem]) => stem),
        direction,
        pages: [...new Set(group.map(({ page }) => page))],
        headed: new Set(headed.map(({ page }) => page)).size,
      };
    });
  for (const [page, passages] of pages.entries())
    for (const matter of treatedBy(directionsOf(passages, weigh), matters)) if (!matter.pages.includes(page)) matter.pages.push(page);
  return matters.sort((a, b) => b.pages.length - a.pages.length || b.headed - a.headed);
}

/** What stands below headings; all of a page that has none. What stands above the first says what all of the page is about. */
const bodyOf = (passages: readonly Passage[]): Passage[] =>
  passages.filter((p) => (passages.some(({ heading }) => heading) ? p.isSection && p.heading : true));

/** The directions of the stretches of a page. */
export const directionsOf = (passages: readonly Passage[], weigh: Weighing): Direction[] => passages.map((p) => weigh(p.counts));

/** Which matters some stretches treat: each the one it comes nearest to, and those it comes very near to. */
export function treatedBy(directions: readonly Direction[], matters: readonly Matter[]): Set<Matter> {
  const treated = new Set<Matter>();
  for (const direction of directions) for (const matter of nearTo(direction, matters)) treated.add(matter);
  return treated;
}

const near = new WeakMap<Direction, { matters: readonly Matter[]; treated: Matter[] }>();

function nearTo(direction: Direction, matters: readonly Matter[]): Matter[] {
  const before = near.get(direction);
  if (before?.matters === matters) return before.treated;
  const like = matters.map((matter) => alike(direction, matter.direction));
  const nearest = Math.max(...like);
  const treated = matters.filter((_, n) => like[n]! >= TREATS || (like[n] === nearest && nearest >= TREATS_NEAREST));
  near.set(direction, { matters, treated });
  return treated;
}

/** How alike each two directions are: only the stems that two share are gone through. */
function likenesses(directions: readonly Direction[]): Float32Array[] {
  const like = directions.map(() => new Float32Array(directions.length));
  const having = new Map<string, { at: number; weight: number }[]>();
  for (const [i, direction] of directions.entries())
    for (const [stem, weight] of direction) {
      const earlier = having.get(stem);
      if (!earlier) {
        having.set(stem, [{ at: i, weight }]);
        continue;
      }
      for (const other of earlier) like[i]![other.at]! += weight * other.weight;
      earlier.push({ at: i, weight });
    }
  for (const [i, row] of like.entries()) for (let k = 0; k < i; k++) like[k]![i] = row[k]!;
  return like;
}

/**
 * Groups of like directions, by their numbers: the likest two groups are made one until none are alike enough (average linkage; Sokal and
 * Michener 1958). Each group knows its likest, so that joining two asks only those whose likest was one of them.
 */
function joined(directions: readonly Direction[]): number[][] {
  const n = directions.length;
  const like = likenesses(directions);
  const groups: (number[] | null)[] = directions.map((_, i) => [i]);
  const likest = (i: number): number => {
    let best = -1;
    for (let k = 0; k < n; k++) if (k !== i && groups[k] && (best < 0 || like[i]![k]! > like[i]![best]!)) best = k;
    return best;
  };
  const nearest = directions.map((_, i) => likest(i));
  for (;;) {
    let a = -1;
    for (let i = 0; i < n; i++) {
      if (!groups[i] || nearest[i]! < 0) continue;
      if (a < 0 || like[i]![nearest[i]!]! > like[a]![nearest[a]!]!) a = i;
    }
    const b = a < 0 ? -1 : nearest[a]!;
    if (b < 0 || like[a]![b]! <= ONE_MATTER) return groups.filter((group) => group !== null);
    const [one, other] = [groups[a]!, groups[b]!];
    groups[a] = [...one, ...other];
    groups[b] = null;
    for (let k = 0; k < n; k++) {
      if (!groups[k] || k === a) continue;
      like[a]![k] = like[k]![a] = (like[a]![k]! * one.length + like[b]![k]! * other.length) / (one.length + other.length);
    }
    for (let k = 0; k < n; k++) {
      if (!groups[k]) continue;
      if (k === a || nearest[k] === a || nearest[k] === b) nearest[k] = likest(k);
      else if (like[k]![a]! > like[k]![nearest[k]!]!) nearest[k] = a;
    }
  }
}
