import { Fragment } from 'prosemirror-model';
import { sectionsOf } from '../../post/sections.ts';
import { schema, type PostNode } from '../../post/schema.ts';
import type { Subjects } from '../cut/subjects.ts';
import { keyPoints } from './key-points.ts';
import { questionsAndAnswers } from './questions.ts';
import { saidSections, type SaidSection } from './said-on-page.ts';

/** Parts a post often has besides its sections, made of what stands on the page. */
export const STANDING_PARTS = {
  keyPoints: { heading: 'Key points', place: 'first', make: keyPoints },
  questions: { heading: 'Questions and answers', place: 'last', make: questionsAndAnswers },
} as const satisfies Record<
  string,
  { heading: string; place: 'first' | 'last'; make: (sections: readonly SaidSection[], subjects: Subjects | null) => PostNode[] }
>;
export type StandingPart = keyof typeof STANDING_PARTS;

const HEADINGS = new Set<string>(Object.values(STANDING_PARTS).map((part) => part.heading));

/**
 * A post with a standing part: before the first headed section, or before the last. One that is there already is made
 * anew in its place. Null when the page says nothing it could be made of. Its blocks have no ids yet.
 */
export function withStandingPart(doc: PostNode, name: StandingPart, subjects: Subjects | null): PostNode | null {
  const { heading, place, make } = STANDING_PARTS[name];
  const blocks = make(saidSections(doc, HEADINGS), subjects);
  if (!blocks.length) return null;
  const all = sectionsOf(doc);
  const own = all.find((s) => s.heading === heading);
  const headed = all.filter((s) => s.id !== 'lead' && !HEADINGS.has(s.heading));
  // A post of one section has its questions after it.
  const at = own?.from ?? (place === 'first' ? headed[0]?.from : headed.length > 1 ? headed.at(-1)!.from : undefined) ?? doc.content.size;
  const part = [schema.node('heading', { level: 2 }, schema.text(heading)), ...blocks];
  return doc.copy(
    doc.content
      .cut(0, at)
      .append(Fragment.from(part))
      .append(doc.content.cut(own?.to ?? at)),
  );
}
