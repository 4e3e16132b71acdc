import { wordCount } from '../language/words.ts';
import { terms } from '../language/terms.ts';
import type { Origin, PostNode } from '../post/schema.ts';
import { schema } from '../post/schema.ts';
import { paragraphText, type Paragraph, type ProseSentence } from '../tidy/prose.ts';
import { cutting, wishedSections, type Unit } from './cut/cutting.ts';
import type { Subjects } from './cut/subjects.ts';
import { signpost } from './cut/signposts.ts';
import { proposeHeadings } from './headings.ts';

/** Tidied prose and the id of the source it came from. */
export type Material = { source: string; paragraphs: readonly Paragraph[] };

/** What a section is for: the first introduces, the last closes. */
export type Role = 'introduction' | 'body' | 'close';

/** A section as proposed: its heading and others it could have, its paragraphs, and how surely it begins where it does. */
export type ProposedSection = {
  role: Role;
  heading: string;
  headings: string[];
  strength: number;
  words: number;
  startMs?: number;
  paragraphs: { source: string; sentences: ProseSentence[] }[];
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
 * between.
 * @param subjects what is known of words beforehand; without it, the material alone is gone by
 */
export function shapeOf(materials: readonly Material[], subjects: Subjects | null = null): Shape {
  const sentences = materials.flatMap(({ source, paragraphs }) =>
    paragraphs.flatMap((p, n) =>
      p.sentences.map((sentence, i) => ({ source, paragraph: `${source}:${n}`, sentence, opensParagraph: i === 0 })),
    ),
  );
  const units = sentences.map(({ sentence: { text }, opensParagraph }): Unit => ({
    terms: terms(text),
    opensParagraph,
    pull: signpost(text),
  }));
  const cuts = cutting(units, subjects);
  const wished = wishedSections(sentences.reduce((sum, { sentence }) => sum + wordCount(sentence.text), 0));

  function sections(count = wished): ProposedSection[] {
    if (!sentences.length) return [];
    const borders = cuts.cut(count);
    const edges = [0, ...borders.map((b) => b.at), sentences.length];
    const parts = edges.slice(0, -1).map((from, i) => sentences.slice(from, edges[i + 1]));
    const roles = parts.map((_, i): Role => roleOf(i, parts.length));
    const bodies = parts.filter((_, i) => roles[i] === 'body');
    const headings = proposeHeadings(
      bodies.map((part) => part.map((s) => s.sentence.text)),
      subjects,
    );
    return parts.map((part, i) => {
      const role = roles[i]!;
      const startMs = part[0]!.sentence.startMs;
      const paragraphs: ProposedSection['paragraphs'] = [];
      part.forEach(({ source, paragraph, sentence }, n) => {
        if (paragraph !== part[n - 1]?.paragraph) paragraphs.push({ source, sentences: [] });
        paragraphs.at(-1)!.sentences.push(sentence);
      });
      const own = role === 'introduction' ? ['Introduction'] : role === 'close' ? ['To close'] : headings.shift()!;
      return {
        role,
        heading: own[0]!,
        headings: own,
        strength: borders[i - 1]?.strength ?? 0,
        words: part.reduce((sum, s) => sum + wordCount(s.sentence.text), 0),
        ...(startMs === undefined ? {} : { startMs }),
        paragraphs,
      };
    });
  }
  return {
    get natural() {
      return cuts.natural;
    },
    sections,
  };
}

function roleOf(i: number, of: number): Role {
  if (of < FEWEST_WITH_ROLES) return 'body';
  return i === 0 ? 'introduction' : i === of - 1 ? 'close' : 'body';
}

/**
 * The page that sections make: the introduction without a heading, then a level 2 heading and paragraphs for
 * each, every paragraph tied to its passages. Blocks have no ids yet.
 */
export function writeSections(sections: readonly ProposedSection[]): PostNode {
  const blocks = sections.flatMap(({ role, heading, paragraphs }) => [
    ...(role === 'introduction' ? [] : [schema.node('heading', { level: 2 }, schema.text(heading))]),
    ...paragraphs.map(({ source, sentences }) =>
      schema.node('paragraph', { origins: [originOf(source, sentences)] }, schema.text(paragraphText({ sentences }))),
    ),
  ]);
  return schema.node('doc', null, blocks.length ? blocks : [schema.node('paragraph')]);
}

/** The origin mark of a run of sentences. */
export function originOf(source: string, sentences: readonly ProseSentence[]): Origin {
  const { first, startMs } = sentences[0]!;
  const last = Math.max(...sentences.map((s) => s.last));
  return { source, first, last, ...(startMs === undefined ? {} : { startMs }) };
}
