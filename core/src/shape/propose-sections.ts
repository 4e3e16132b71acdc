import { wordCount } from '../language/words.ts';
import { terms } from '../language/terms.ts';
import type { Origin, PostNode } from '../post/schema.ts';
import { schema } from '../post/schema.ts';
import { turnOf } from '../post/turns.ts';
import { type House, isOut, isSpoken, type Paragraph, paragraphText, type ProseSentence, saidOf } from '../tidy/index.ts';
import { cutting, wishedSections, type Border, type CutUnit } from './cut/cutting.ts';
import type { Subjects } from './cut/subjects.ts';
import { signpost } from './cut/signposts.ts';
import { cutTalk, sectionsOfTalk, type TalkUnit } from './cut/talk.ts';
import { proposeHeadings } from './headings.ts';
import { STANDING_HEADINGS } from './standing/headings.ts';
import { paragraphsOfTalk, type Placed } from './paragraphs.ts';
import { proposeTalkHeadings, type ProposedHeadings } from './talk-headings/talk-headings.ts';
import { openings } from './voices.ts';

/** Tidied prose and the id of the source it came from. */
export type SourceProse = { source: string; paragraphs: readonly Paragraph[] };

/** What a section is for: the first introduces, the last closes. */
export type Role = 'introduction' | 'body' | 'close';

/**
 * A section as proposed: its heading and others it could have, whether the heading can stand without a look, its paragraphs,
 * and how surely it begins where it does.
 */
export type ProposedSection = {
  role: Role;
  heading: string;
  headings: string[];
  isSure: boolean;
  strength: number;
  words: number;
  /** The number of the first passage, and its time. */
  first: number;
  startMs?: number;
  paragraphs: { source: string; sentences: ProseSentence[]; speaker?: string }[];
};

/** Material that can be cut into any number of headed sections, at once. */
export type Shape = {
  /** How many sections its subjects ask for. */
  natural: number;
  /** Headed sections, the introduction and the close among them; as many as its length asks for when not given. */
  sections: (count?: number) => ProposedSection[];
};

// A body of three sections is the least that an introduction and a close can stand around.
const FEWEST_WITH_ROLES = 3;

/**
 * Looks for the subjects of material, to cut it into headed sections: an introduction first, a close last, the body
 * between. Talk is cut where it announces a section, other material where its words change; sentences that stay off the
 * page count for where sections begin, and stand in none.
 * @param subjects what is known of words beforehand; without it, the material alone is gone by
 */
export function shapeOf(materials: readonly SourceProse[], subjects: Subjects | null = null): Shape {
  const sentences = materials.flatMap(({ source, paragraphs }) =>
    paragraphs.flatMap((p, n) =>
      p.sentences.map((sentence): Placed => ({
        source,
        paragraph: `${source}:${n}`,
        sentence,
        ...(p.speaker ? { speaker: p.speaker } : {}),
      })),
    ),
  );
  const cutter = isSpoken(materials.flatMap((m) => m.paragraphs)) ? talkCutter(sentences, subjects) : proseCutter(sentences, subjects);

  function sections(count = cutter.wished): ProposedSection[] {
    if (!sentences.length) return [];
    const borders = cutter.cut(count);
    const edges = [0, ...borders.map((b) => b.at), sentences.length];
    const parts = edges.slice(0, -1).map((from, i) => sentences.slice(from, edges[i + 1]));
    const roles = parts.map((_, i): Role => roleOf(i, parts.length));
    const headings = cutter.headings(parts, roles);
    const found = parts.map((part, i): ProposedSection => {
      const kept = part.filter((p) => !isOut(p.sentence));
      const { first, startMs } = part[0]!.sentence;
      const own = headings[i]!;
      return {
        role: roles[i]!,
        heading: own.headings[0]!,
        headings: own.headings,
        isSure: own.isSure,
        strength: borders[i - 1]?.strength ?? 0,
        words: kept.reduce((sum, p) => sum + wordCount(p.sentence.text), 0),
        first,
        ...(startMs === undefined ? {} : { startMs }),
        paragraphs: cutter.paragraphs(kept).map((placed) => {
          const { source, speaker } = placed[0]!;
          return { source, sentences: placed.map((p) => p.sentence), ...(speaker ? { speaker } : {}) };
        }),
      };
    });
    // What has no words on the page is no section of it.
    return found.filter((s) => s.paragraphs.length);
  }
  return {
    get natural() {
      return cutter.natural;
    },
    sections,
  };
}

/** How a kind of material is cut, headed and parted. */
type Cutter = {
  wished: number;
  readonly natural: number;
  cut: (sections: number) => Border[];
  headings: (parts: readonly (readonly Placed[])[], roles: readonly Role[]) => ProposedHeadings[];
  paragraphs: (section: readonly Placed[]) => Placed[][];
};

const INTRODUCTION: ProposedHeadings = { headings: ['Introduction'], isSure: true };
// A close ends the last section, or has the conclusion's heading.
const CLOSE: ProposedHeadings = { headings: ['', STANDING_HEADINGS.conclusion], isSure: true };

function proseCutter(sentences: readonly Placed[], subjects: Subjects | null): Cutter {
  const units = sentences.map(({ sentence: { text }, paragraph }, i): CutUnit => ({
    terms: terms(text),
    opensParagraph: paragraph !== sentences[i - 1]?.paragraph,
    pull: signpost(text),
  }));
  const cuts = cutting(units, subjects);
  return {
    wished: wishedSections(wordsOf(sentences)),
    get natural() {
      return cuts.natural;
    },
    cut: cuts.cut,
    headings(parts, roles) {
      const bodies = parts.filter((_, i) => roles[i] === 'body');
      const found = proposeHeadings(
        bodies.map((part) => part.map((p) => p.sentence.text)),
        subjects,
      );
      return roles.map((role) =>
        role === 'introduction' ? INTRODUCTION : role === 'close' ? CLOSE : { headings: found.shift()!, isSure: true },
      );
    },
    paragraphs(section) {
      const made: Placed[][] = [];
      section.forEach((placed, i) => {
        if (placed.paragraph !== section[i - 1]?.paragraph) made.push([]);
        made.at(-1)!.push(placed);
      });
      return made;
    },
  };
}

function talkCutter(sentences: readonly Placed[], subjects: Subjects | null): Cutter {
  const units = sentences.map(({ sentence, paragraph, speaker }, i): TalkUnit => ({
    text: saidOf(sentence),
    terms: terms(saidOf(sentence)),
    opensParagraph: paragraph !== sentences[i - 1]?.paragraph,
    words: isOut(sentence) ? 0 : wordCount(sentence.text),
    ...(speaker ? { speaker } : {}),
  }));
  const wished = sectionsOfTalk(wordsOf(sentences));
  return {
    wished,
    natural: wished,
    cut: (sections) => cutTalk(units, sections, subjects),
    headings(parts, roles) {
      const found = proposeTalkHeadings(
        parts.map((part) =>
          part.map(({ sentence }) => ({ said: saidOf(sentence), text: sentence.text, worth: sentence.wording?.worth ?? 2 })),
        ),
        subjects,
      );
      // A close that says nothing of its own ends the last section.
      const closing = (own: ProposedHeadings) => (own.isSure ? own : { ...own, headings: ['', ...own.headings], isSure: true });
      return roles.map((role, i) => (role === 'introduction' ? INTRODUCTION : role === 'close' ? closing(found[i]!) : found[i]!));
    },
    paragraphs: paragraphsOfTalk,
  };
}

const wordsOf = (sentences: readonly Placed[]): number =>
  sentences.reduce((sum, { sentence }) => sum + (isOut(sentence) ? 0 : wordCount(sentence.text)), 0);

function roleOf(i: number, of: number): Role {
  if (of < FEWEST_WITH_ROLES) return 'body';
  return i === 0 ? 'introduction' : i === of - 1 ? 'close' : 'body';
}

/**
 * The page that sections make: the introduction without a heading, then a level 2 heading and paragraphs for
 * each, every paragraph tied to its passages. Blocks have no ids yet.
 * @param voices how it is said who speaks, where several do
 */
export function writeSections(sections: readonly ProposedSection[], voices: House['voices'] = 'names'): PostNode {
  const opening = openings(
    sections.map((s) => s.paragraphs),
    voices,
  );
  const blocks = sections.flatMap(({ role, heading, paragraphs }, n) => [
    ...(role === 'introduction' || !heading || !paragraphs.length ? [] : [schema.node('heading', { level: 2 }, schema.text(heading))]),
    ...paragraphs.map(({ source, sentences }, i) => {
      const { name, isQuestion } = opening[n]![i]!;
      const text = schema.text(paragraphText({ sentences }), isQuestion ? [schema.marks.strong.create()] : []);
      return schema.node('paragraph', { origins: [originOf(source, sentences)] }, [...(name ? turnOf(name) : []), text]);
    }),
  ]);
  return schema.node('doc', null, blocks.length ? blocks : [schema.node('paragraph')]);
}

/** The origin mark of a run of sentences. */
export function originOf(source: string, sentences: readonly ProseSentence[]): Origin {
  const { first, startMs } = sentences[0]!;
  const last = Math.max(...sentences.map((s) => s.last));
  return { source, first, last, ...(startMs === undefined ? {} : { startMs }) };
}
