import { sentences } from '../../language/sentences.ts';
import { plainText, sectionsOf } from '../../post/sections.ts';
import type { Origin, PostNode } from '../../post/schema.ts';
import { turnIn } from '../../post/turns.ts';

/** A sentence of the page, and the passages its paragraph came from. */
export type SaidOnPage = { text: string; origins: readonly Origin[] };

/** A section of the page as its sentences; `id` is that of its heading, or `lead`. */
export type SaidSection = { id: string; heading: string; from: number; sentences: SaidOnPage[] };

/**
 * The sections of a post as sentences; those headed with one of `leftOut` are passed over, and so is what was made for
 * another standing part than `part`.
 */
export function saidSections(doc: PostNode, leftOut: ReadonlySet<string>, part = ''): SaidSection[] {
  return sectionsOf(doc)
    .filter(({ heading }) => !leftOut.has(heading))
    .map(({ id, heading, from, to }) => {
      const found: SaidOnPage[] = [];
      doc.nodesBetween(from, to, (node) => {
        if (node.type.name === 'paragraph' && (!node.attrs.part || node.attrs.part === part))
          for (const { text } of sentences(plainText(node).slice(turnIn(node).length)))
            found.push({ text, origins: (node.attrs.origins ?? []) as Origin[] });
        return !node.isTextblock;
      });
      return { id, heading, from, sentences: found };
    });
}

/** The origin marks of several sentences, each once. */
export const originsOf = (said: readonly SaidOnPage[]): Origin[] => [...new Set(said.flatMap((s) => s.origins))];

const OPENER = /^(?:(?:so|and|but|now|well|okay|ok|right|then|because|also|again)\b,? )+/i;

/** A sentence without the words that only tie it to the one before. */
export function alone(sentence: string): string {
  const rest = sentence.replace(OPENER, '').trim();
  return rest.charAt(0).toUpperCase() + rest.slice(1);
}

// A sentence that says something has one of these, or a verb in the form that goes with "he" (own list; common practice, no source).
const SAYS =
  /\b(?:is|are|was|were|be|been|has|have|had|do|does|did|can|could|will|would|should|must|may|i|you|we|they|it|he|she|\w+n't|\w+'(?:s|re|ll|ve|d|m)|goes|takes|makes|wants|needs|tells|means|keeps|holds|gives|gets|comes|works|costs|lasts|turns|helps)\b/i;

/** Whether a sentence says something, and is no bare list of names. */
export const isStatement = (sentence: string): boolean => SAYS.test(sentence.replaceAll('’', "'"));

// A sentence that points back at another says nothing by itself.
const POINTS_BACK =
  /^(?:it|that|this|these|those|they|he|she|there|here|which|if not|or|yes|no|one more|some of)\b|\b(?:that one|this one|these ones)\b/i;

/** Whether a sentence needs the one before it. */
export const pointsBack = (sentence: string): boolean => POINTS_BACK.test(sentence);
