import { wordCount } from '../../language/words.ts';
import type { BriefSection } from '../../post/brief.ts';
import type { Origin, PostNode } from '../../post/schema.ts';
import { terms } from '../../language/terms.ts';
import { fedBy, type SourceProse, tiesOf } from '../../shape/index.ts';
import { isOut, type ProseSentence } from '../../tidy/index.ts';
import { indexOf, likestSentences, type MaterialIndex } from '../find-in-material.ts';

/** A stretch of the material as it goes to a drafter: its number there, its words, the passages it holds, and who speaks if that is known. */
export type GivenPassage = { id: string; text: string; origin: Origin; speaker?: string };

// So many words at most, at the end of a sentence: small enough to tie a paragraph to.
const MOST_WORDS = 60;

/** The material in stretches for a drafter, in its order: without the sentences that stay off the page. */
export function givenPassages(materials: readonly SourceProse[]): GivenPassage[] {
  const found: GivenPassage[] = [];
  for (const { source, paragraphs } of materials)
    for (const { sentences, speaker } of paragraphs) {
      let open: ProseSentence[] = [];
      let count = 0;
      const close = () => {
        if (open.length)
          found.push({
            id: `p${found.length + 1}`,
            text: open.map((s) => s.text).join(' '),
            origin: originOf(source, open),
            ...(speaker ? { speaker } : {}),
          });
        [open, count] = [[], 0];
      };
      for (const sentence of sentences) {
        if (isOut(sentence)) continue;
        const words = wordCount(sentence.text);
        if (count + words > MOST_WORDS) close();
        open.push(sentence);
        count += words;
      }
      close();
    }
  return found;
}

function originOf(source: string, sentences: readonly ProseSentence[]): Origin {
  const { first, startMs } = sentences[0]!;
  return { source, first, last: Math.max(...sentences.map((s) => s.last)), ...(startMs === undefined ? {} : { startMs }) };
}

/** A stretch as a brief names it. */
export const nameOf = ({ origin: { source, first, last } }: GivenPassage): string => `${source}:${first}-${last}`;

/** A section as far as passages are looked for by it. */
export type PassageSeeker = { id: string; heading: string; says: string; words: number };

// A stretch that says less than this of what the likest of its section says belongs to none.
const LIKE = 0.3;
// As many words of material as a section could be made of, and how many where no length is wanted.
const ROOM = 2.5;
const USUAL_WORDS = 240;
const LOOKED_AT = 120;

/**
 * Which stretches feed which section: those the writer chose; else those its words on the page came from; else, each stretch
 * once, those that say most of what its heading and its note say.
 * @returns for each section the places of its stretches, in the order of the material
 */
export function feedingPassages(
  doc: PostNode,
  sections: readonly PassageSeeker[],
  passages: readonly GivenPassage[],
  chosen: readonly BriefSection[],
): Map<string, number[]> {
  const found = new Map<string, number[]>();
  const places = new Map(passages.map((p, n) => [nameOf(p), n]));
  const fed = fedBy(tiesOf(doc));
  const used = new Set<number>();
  const open: PassageSeeker[] = [];
  const tied = new Map<string, number[]>();
  passages.forEach(({ origin: { source, first, last } }, n) => {
    const feeds = new Map<string, number>();
    for (let k = first; k <= last; k++) for (const id of fed.get(source)?.get(k) ?? []) feeds.set(id, (feeds.get(id) ?? 0) + 1);
    // One that lies across a border feeds the section most of it stands in: nothing is drafted twice.
    const [home] = [...feeds].sort((a, b) => b[1] - a[1]);
    if (home) tied.set(home[0], [...(tied.get(home[0]) ?? []), n]);
  });
  for (const section of sections) {
    const own = chosen.find((c) => c.id === section.id)?.passages;
    const list = own ? own.flatMap((name) => places.get(name) ?? []) : (tied.get(section.id) ?? []);
    if (own || list.length) {
      found.set(
        section.id,
        list.sort((a, b) => a - b),
      );
      list.forEach((n) => used.add(n));
    } else open.push(section);
  }
  for (const [id, list] of likest(open, passages, used)) found.set(id, list);
  return found;
}

const indexes = new WeakMap<readonly GivenPassage[], MaterialIndex>();

/** Stretches ready to be looked through; made once. */
function indexed(passages: readonly GivenPassage[]): MaterialIndex {
  let index = indexes.get(passages);
  if (!index) {
    const paragraphs = passages.map(({ text }, n) => ({ sentences: [{ text, first: n, last: n, from: 0, to: 0 }] }));
    indexes.set(passages, (index = indexOf([{ source: '', paragraphs }])));
  }
  return index;
}

function likest(sections: readonly PassageSeeker[], passages: readonly GivenPassage[], used: ReadonlySet<number>): Map<string, number[]> {
  const index = indexed(passages);
  const scores = sections.map((section) => {
    const stems = terms(`${section.heading} ${section.heading} ${section.says}`);
    return new Map(likestSentences(index, stems, LOOKED_AT).map(({ n, score }) => [n, score]));
  });
  const best = scores.map((own) => Math.max(0, ...own.values()));
  const homes = passages.map((_, n) => {
    if (used.has(n)) return -1;
    let home = -1;
    let most = LIKE;
    // Against the best of its own section: a heading of one rare word does not draw everything.
    scores.forEach((own, s) => {
      const like = (own.get(n) ?? 0) / (best[s]! || 1);
      if (like > most) [home, most] = [s, like];
    });
    return home;
  });
  return new Map(
    sections.map((section, s) => {
      let room = (section.words || USUAL_WORDS) * ROOM;
      const own = homes
        .flatMap((home, n) => (home === s ? [n] : []))
        .sort((a, b) => scores[s]!.get(b)! - scores[s]!.get(a)!)
        .filter((n) => {
          if (room <= 0) return false;
          room -= wordCount(passages[n]!.text);
          return true;
        });
      return [section.id, own.sort((a, b) => a - b)];
    }),
  );
}
