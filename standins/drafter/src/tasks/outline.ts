import { schema } from '@even-page/core/post/schema';
import { type SourceProse, shapeOf, type Subjects } from '@even-page/core/shape';
import { sentences } from '@even-page/core/language/sentences';
import type { AskedSection, DraftRequest } from '@even-page/core/write';
import { heading } from '../page-of.ts';
import type { Task } from '../task.ts';

/** Passages as material of the core: each a paragraph, its sentences tied to its place. */
export function materialOf({ passages }: DraftRequest): SourceProse[] {
  return [
    {
      source: 's',
      paragraphs: passages.map(({ text }, n) => ({
        sentences: sentences(text).map((s) => ({ text: s.text, first: n, last: n, from: s.from, to: s.to })),
      })),
    },
  ];
}

/** The sections the material asks for, each with the passages it is made of: one that lies across a border belongs where most of it stands. */
export function outlined(request: DraftRequest, known: Subjects): AskedSection[] {
  const sections = shapeOf(materialOf(request), known).sections();
  const placesIn = sections.map((s) => s.paragraphs.flatMap((p) => p.sentences.map((sentence) => sentence.first)));
  const sharesOf = (place: number) => placesIn.map((places) => places.filter((p) => p === place).length);
  const homes = request.passages.map((_, place) => {
    const shares = sharesOf(place);
    return shares.indexOf(Math.max(...shares));
  });
  return sections
    .map((s, n) => ({
      id: `o${n}`,
      heading: s.role === 'introduction' ? '' : s.heading,
      level: 2,
      says: s.paragraphs[0]?.sentences[0]?.text ?? '',
      words: 0,
      form: 'paragraphs' as const,
      of: '',
      passages: request.passages.flatMap(({ id }, place) => (homes[place] === n && placesIn[n]!.includes(place) ? [id] : [])),
    }))
    .filter(({ passages }) => passages.length);
}

/** Proposes an outline: headings the material asks for, and what each section begins with. */
export const outline: Task = function* (request, known) {
  for (const { heading: text, says } of outlined(request, known)) {
    if (!text) continue;
    yield heading(text);
    if (says) yield schema.node('paragraph', null, schema.text(says));
  }
};
