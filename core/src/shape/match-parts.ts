import { dice } from '../language/dice.ts';
import { terms } from '../language/terms.ts';
import { words } from '../language/words.ts';
import { plainText } from '../post/sections.ts';
import { bagOf, cosine, rarityIn } from './bags.ts';
import type { Subjects } from './cut/subjects.ts';
import type { Incoming } from './incoming.ts';

/** A headed part that something may belong to: its heading and the words below it. */
export type Home = { id: string; heading: string; text: string };

/** How a part was found to belong to a home: by the same heading, one that says the same, or by what is said below. */
export type PartMatch = { home: string; how: 'same' | 'near' | 'content' };

const NEAR = 0.6;
const LIKE = 0.22;

/**
 * For each part the home it belongs to, or null. Headings alike are matched first, one part to a home, the likest
 * first; then what is left by the cosine of its weighted stems with those of each home (Salton and Buckley 1988).
 */
export function matchParts(parts: readonly Incoming[], homes: readonly Home[], subjects: Subjects | null): (PartMatch | null)[] {
  const found: (PartMatch | null)[] = parts.map(() => null);
  const taken = new Set<string>();
  const pairs = parts
    .flatMap((part, n) => homes.map((home) => ({ n, home, like: headingLikeness(part.heading, home.heading) })))
    .filter(({ like }) => like >= NEAR)
    .sort((a, b) => b.like - a.like);
  for (const { n, home, like } of pairs) {
    if (found[n] || taken.has(home.id)) continue;
    taken.add(home.id);
    found[n] = { home: home.id, how: like === 1 ? 'same' : 'near' };
  }
  const weigh = rarityIn(subjects);
  const bags = homes.map((home) => bagOf(`${home.heading} ${home.heading} ${home.text}`, weigh));
  parts.forEach((part, n) => {
    if (found[n]) return;
    const own = bagOf([part.heading, part.heading, ...part.blocks.map((b) => plainText(b))].join(' '), weigh);
    let best = { like: LIKE, at: -1 };
    bags.forEach((bag, at) => {
      const like = cosine(own, bag);
      if (like > best.like) best = { like, at };
    });
    if (best.at >= 0) found[n] = { home: homes[best.at]!.id, how: 'content' };
  });
  return found;
}

/** How alike two headings are, 0 to 1: 1 for the same words, else Dice's coefficient of their stems. */
export function headingLikeness(a: string, b: string): number {
  const plain = (heading: string) =>
    words(heading)
      .map((w) => w.text.toLowerCase())
      .join(' ');
  if (!plain(a) || !plain(b)) return 0;
  if (plain(a) === plain(b)) return 1;
  // Headings of the same stems are still not the same words.
  return Math.min(0.99, dice(new Set(terms(a)), new Set(terms(b))));
}
