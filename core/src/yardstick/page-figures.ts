import type { PostNode } from '../post/schema.ts';
import { figuresOf } from '../proof/index.ts';
import { partsOf, questionsIn } from './parts.ts';

/** What is counted on a page, on a reference page and on the draft alike. `grade` is Flesch-Kincaid's, in school years. */
export type PageFigures = {
  words: number;
  headings: number;
  paragraphs: number;
  lists: number;
  tables: number;
  pictures: number;
  linksInside: number;
  linksOutside: number;
  questions: number;
  grade: number | null;
};

/** Counts a page. A link is inside where it names no host, or one of those given. */
export function pageFigures(doc: PostNode, hosts: readonly string[]): PageFigures {
  const { words, pictures, levels } = figuresOf(doc);
  const figures = { headings: 0, paragraphs: 0, lists: 0, tables: 0, linksInside: 0, linksOutside: 0 };
  doc.descendants((node, _pos, parent) => {
    const { name } = node.type;
    if (name === 'heading') figures.headings++;
    if (name === 'paragraph' && parent === doc && node.content.size) figures.paragraphs++;
    if (name === 'bulletList' || name === 'orderedList') figures.lists++;
    if (name === 'table') figures.tables++;
  });
  for (const href of linksOf(doc)) figures[isInside(href, hosts) ? 'linksInside' : 'linksOutside']++;
  return { words, pictures, ...figures, questions: questionsIn(partsOf(doc)).length, grade: levels?.kincaid ?? null };
}

/** Where the links of a page lead, link by link. */
export function linksOf(doc: PostNode): string[] {
  const found: string[] = [];
  doc.descendants((node) => {
    let last = '';
    node.forEach((child) => {
      const href = (child.marks.find((mark) => mark.type.name === 'link')?.attrs.href as string | undefined) ?? '';
      if (href && href !== last) found.push(href);
      last = href;
    });
  });
  return found;
}

/** Whether a link stays where it is: on the page, or on its site. */
export const isInside = (href: string, hosts: readonly string[]): boolean =>
  !/^[a-z][a-z0-9+.-]*:|^\/\//i.test(href) || (URL.canParse(href) && hosts.includes(new URL(href).host));
