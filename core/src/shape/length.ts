import { Fragment } from 'prosemirror-model';
import { sentences } from '../language/sentences.ts';
import { wordCount } from '../language/words.ts';
import { plainText, sectionsOf, wordsIn, type Section } from '../post/sections.ts';
import { schema, type Origin, type PostNode } from '../post/schema.ts';
import { bagOf, cosine, rarityIn } from './bags.ts';
import type { Subjects } from './cut/subjects.ts';
import type { Stretch } from './passage-use.ts';
import { isBody } from './standing/headings.ts';
import { alone, pointsBack } from './standing/said-on-page.ts';

/** A stretch of one paragraph: sentences that hold together. Positions in the document, and the section it stands in. */
export type Cuttable = {
  from: number;
  to: number;
  text: string;
  words: number;
  section: string;
  heading: string;
  origins: readonly Origin[];
};

/** A section that length is asked of, by its id; all of the post without one. */
type Asked = { section?: string; subjects: Subjects | null };

const isAsked = (section: Section, { section: id }: Asked) => (id === undefined ? isBody(section) : section.id === id);

// How much being central counts against saying what is said already (Carbonell and Goldstein 1998).
const CENTRAL = 0.7;
// From here on two stretches say the same in nearly the same words.
const SAME = 0.75;

/**
 * The sentences that are needed least, for a post or a section of so many words: each is central as far as it is like
 * all of its section, less what sentences that stay say already (maximal marginal relevance, Carbonell and Goldstein
 * 1998). The first of a section stays; what points back goes with what
 * it points at, and an answer with its question. Standing parts, lists,
 * quotations and tables are left alone.
 * @returns in the order of the page; empty when the words are that few already
 */
export function condense(doc: PostNode, words: number, asked: Asked): Cuttable[] {
  const weigh = rarityIn(asked.subjects);
  const sections = sectionsOf(doc).filter((s) => isAsked(s, asked));
  const all = wordsOf(doc, asked);
  const gone = sections.flatMap((section) => {
    const units = unitsOf(doc, section);
    const whole = bagOf(units.map((u) => u.text).join(' '), weigh);
    const first = bagOf(units[0]?.text ?? '', weigh);
    return units.slice(1).map((unit) => ({ unit, bag: bagOf(unit.text, weigh), whole, first }));
  });
  const central = new Map(gone.map((one) => [one, cosine(one.bag, one.whole)]));
  // What stays is chosen one by one, the most needed first, until the words are full.
  let room = words - (all - gone.reduce((sum, { unit }) => sum + unit.words, 0));
  const like = new Map(gone.map((one) => [one, cosine(one.bag, one.first)]));
  const left = new Set(gone);
  while (left.size) {
    let best: (typeof gone)[number] | undefined;
    let most = -Infinity;
    for (const one of left) {
      const said = like.get(one)!;
      // What is said already in nearly the same words goes before all else.
      const score = said >= SAME ? -said : CENTRAL * central.get(one)! - (1 - CENTRAL) * said;
      if (score > most) [best, most] = [one, score];
    }
    if (best!.unit.words > room) break;
    room -= best!.unit.words;
    left.delete(best!);
    for (const one of left) like.set(one, Math.max(like.get(one)!, cosine(one.bag, best!.bag)));
  }
  return gone.filter((one) => left.has(one)).map(({ unit }) => unit);
}

/** How many words the post has, headings and all, or the section asked of, below its heading. */
export function wordsOf(doc: PostNode, { section }: Pick<Asked, 'section'>): number {
  if (section === undefined) return doc.children.reduce((sum, block) => sum + wordsIn(block), 0);
  return sectionsOf(doc).find((s) => s.id === section)?.words ?? 0;
}

/** The prose of a section as units, without what was made for a standing part. */
function unitsOf(doc: PostNode, { id, heading, from, to }: Section): Cuttable[] {
  const found: Cuttable[] = [];
  doc.nodesBetween(from, to, (node, pos) => {
    if (node.type !== schema.nodes.paragraph || node.attrs.part) return node.type === schema.nodes.doc;
    const text = plainText(node);
    for (const s of sentences(text)) {
      const open = found.at(-1);
      const goesWith = open && open.from > pos && (pointsBack(alone(s.text)) || /[?:]["'”’)]*$/.test(open.text));
      if (goesWith) {
        open.to = pos + 1 + s.to;
        open.text = text.slice(open.from - pos - 1, s.to);
        open.words += wordCount(s.text);
      } else
        found.push({
          from: pos + 1 + s.from,
          to: pos + 1 + s.to,
          text: s.text,
          words: wordCount(s.text),
          section: id,
          heading,
          origins: (node.attrs.origins ?? []) as Origin[],
        });
    }
    return false;
  });
  return found;
}

/** The page without units of it; a paragraph that is left with nothing goes. */
export function withoutUnits(doc: PostNode, units: readonly Cuttable[]): PostNode {
  const blocks: PostNode[] = [];
  doc.forEach((block, pos) => {
    const start = pos + 1;
    const inside = units.filter((u) => u.from >= start && u.to <= start + block.content.size);
    if (!inside.length || !block.isTextblock) return void blocks.push(block);
    const text = plainText(block);
    let content = Fragment.empty;
    let at = 0;
    for (const { from, to } of inside) {
      content = content.append(block.content.cut(at, from - start));
      // The white space after a sentence goes with it.
      at = to - start + /^\s*/.exec(text.slice(to - start))![0].length;
    }
    const rest = trimmedEnd(block.copy(content.append(block.content.cut(at))));
    if (rest.content.size) blocks.push(rest);
  });
  return doc.copy(Fragment.from(blocks.length ? blocks : [schema.node('paragraph')]));
}

const trimmedEnd = (block: PostNode): PostNode => block.cut(0, block.content.size - /\s*$/.exec(plainText(block))![0].length);

/** A stretch of the material nobody has used, and the section it says most about. */
export type Filling = { section: string; heading: string; stretch: Stretch; like: number };

// Less alike is another subject.
const LIKE = 0.08;
const FEWEST_WORDS = 8;

/**
 * What the material still has for a post or a section that is to have so many words: the unused stretches likest to a
 * section, best first, until the words are reached. What says again what the page says already is passed over.
 * @returns in the order of the page, then of the material
 */
export function fill(doc: PostNode, stretches: readonly Stretch[], words: number, asked: Asked): Filling[] {
  const weigh = rarityIn(asked.subjects);
  const sections = sectionsOf(doc).filter((s) => isAsked(s, asked));
  const homes = sections.map((s) => {
    const text = plainText(doc.cut(s.from, s.to));
    return { id: s.id, heading: s.heading, bag: bagOf(`${s.heading} ${text}`, weigh) };
  });
  const said = sections.flatMap((s) => unitsOf(doc, s).map((u) => bagOf(u.text, weigh)));
  let room = words - wordsOf(doc, asked);
  const found = stretches
    .filter((s) => !s.feeds.length && s.words >= FEWEST_WORDS)
    .flatMap((stretch): Filling[] => {
      const bag = bagOf(stretch.text, weigh);
      const best = homes.map((home) => ({ home, like: cosine(bag, home.bag) })).sort((a, b) => b.like - a.like)[0];
      if (!best || best.like < LIKE || said.some((other) => cosine(bag, other) >= SAME)) return [];
      return [{ section: best.home.id, heading: best.home.heading, stretch, like: best.like }];
    })
    .sort((a, b) => b.like - a.like)
    .filter(({ stretch }) => {
      if (room <= 0) return false;
      room -= stretch.words;
      return true;
    });
  const placeOf = ({ section, stretch }: Filling) =>
    [sections.findIndex((s) => s.id === section), stretch.source, stretch.sentences[0]!.from] as const;
  return found.sort((a, b) => {
    const [p, q] = [placeOf(a), placeOf(b)];
    return p[0] - q[0] || p[1].localeCompare(q[1]) || p[2] - q[2];
  });
}
