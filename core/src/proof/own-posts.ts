import { isContentWord, stem } from '../language/terms.ts';
import { words, type Word } from '../language/words.ts';
import { linksOf } from './links-of.ts';
import { isHeading, type Stretch } from './stretches.ts';

/** A published post of the house, and what it is about: its main phrase, or else its title. */
export type OwnPost = { title: string; address: string; about: string };

/** Words of a page that speak of what another post is about. */
export type SpokenOf = { stretch: Stretch; from: number; to: number; post: OwnPost; share: number };

// So many words at most are one link, and they hold so much of what the other post is about.
const MOST_WORDS = 6;
const LEAST_STEMS = 2;
const LEAST_SHARE = 0.6;

// A stretch never changes: another stands in its place.
const known = new WeakMap<Stretch, { word: Word; stem: string }[]>();

function stemsIn(stretch: Stretch): { word: Word; stem: string }[] {
  let found = known.get(stretch);
  if (!found)
    known.set(stretch, (found = words(stretch.text).map((word) => ({ word, stem: isContentWord(word.text) ? stem(word.text) : '' }))));
  return found;
}

/** For each post the place of a page that speaks most clearly of it, best first; those the page links to already are passed over. */
export function spokenOf(stretches: readonly Stretch[], posts: readonly OwnPost[]): SpokenOf[] {
  const links = new Map(stretches.map((stretch) => [stretch, linksOf(stretch)] as const));
  const linked = new Set([...links.values()].flat().map(({ href }) => href.split('#')[0]));
  const prose = stretches.filter((stretch) => !isHeading(stretch));
  const places = new Map<string, { stretch: Stretch; at: number }[]>();
  for (const stretch of prose)
    for (const [at, { stem }] of stemsIn(stretch).entries()) {
      if (!stem) continue;
      const list = places.get(stem);
      if (list) list.push({ stretch, at });
      else places.set(stem, [{ stretch, at }]);
    }
  return posts
    .filter(({ address }) => !linked.has(address))
    .flatMap((post) => {
      const about = new Set(
        words(post.about)
          .filter((w) => isContentWord(w.text))
          .map((w) => stem(w.text)),
      );
      if (about.size < LEAST_STEMS) return [];
      let best: SpokenOf | null = null;
      for (const wanted of about)
        for (const { stretch, at } of places.get(wanted) ?? []) {
          const found = from(stretch, at, about);
          const isLinked = () => links.get(stretch)!.some((link) => found!.from < link.to && link.from < found!.to);
          if (!found || isLinked() || (best && found.share <= best.share)) continue;
          best = { stretch, post, ...found };
        }
      return best ? [best] : [];
    })
    .sort((a, b) => b.share - a.share);
}

/** What stands from a word on that is about something: the fewest words that hold most of it. */
function from(stretch: Stretch, at: number, about: ReadonlySet<string>): { from: number; to: number; share: number } | null {
  const all = stemsIn(stretch);
  const said = new Set<string>();
  let last = at;
  for (let i = at; i < Math.min(all.length, at + MOST_WORDS); i++) {
    // A link does not go on over the end of a sentence.
    if (i > at && /[.!?:;]/.test(stretch.text.slice(all[i - 1]!.word.to, all[i]!.word.from))) break;
    const { stem } = all[i]!;
    if (!about.has(stem) || said.has(stem)) continue;
    said.add(stem);
    last = i;
  }
  const share = said.size / about.size;
  return said.size >= LEAST_STEMS && share >= LEAST_SHARE ? { from: all[at]!.word.from, to: all[last]!.word.to, share } : null;
}
