import { sentences } from '../../language/sentences.ts';
import { plainText, sectionsOf } from '../../post/sections.ts';
import type { Origin, PostNode } from '../../post/schema.ts';

/** A sentence of the page, and the passages its paragraph came from. */
export type SaidOnPage = { text: string; origins: readonly Origin[] };

/** A section of the page as its sentences; `id` is that of its heading, or `lead`. */
export type SaidSection = { id: string; heading: string; from: number; sentences: SaidOnPage[] };

/** The sections of a post as sentences; those headed with one of `leftOut` are passed over. */
export function saidSections(doc: PostNode, leftOut: ReadonlySet<string>): SaidSection[] {
  return sectionsOf(doc)
    .filter(({ heading }) => !leftOut.has(heading))
    .map(({ id, heading, from, to }) => {
      const found: SaidOnPage[] = [];
      doc.nodesBetween(from, to, (node) => {
        if (node.type.name === 'paragraph')
          for (const { text } of sentences(plainText(node))) found.push({ text, origins: (node.attrs.origins ?? []) as Origin[] });
        return !node.isTextblock;
      });
      return { id, heading, from, sentences: found };
    });
}

const OPENER = /^(?:(?:so|and|but|now|well|okay|ok|right|then|because|also|again)\b,? )+/i;

/** A sentence without the words that only tie it to the one before. */
export function alone(sentence: string): string {
  const rest = sentence.replace(OPENER, '').trim();
  return rest.charAt(0).toUpperCase() + rest.slice(1);
}
