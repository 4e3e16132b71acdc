import { outlineOf } from '@even-page/core/post/sections';
import type { Origin, PostNode } from '@even-page/core/post/schema';
import type { Source } from '@even-page/core/gather';
import type { Details } from '@even-page/core/post/details';
import { type Account, makePage, titleOfName } from '@even-page/core/page';
import { editsForSections, findEdits, proseOf } from '@even-page/core/tidy';
import type { Request } from './command.ts';

/** A section as the command line prints it; passages are numbered from 0 in file order. */
export type PrintedSection = {
  heading: string;
  /** The headings to choose from, for a section that was proposed. */
  headings: string[];
  startMs: number | null;
  firstPassage: number;
  lastPassage: number;
  words: number;
};

/** What a file makes: its page, its sections, and what was found for its details. */
export type PageOfFile = { doc: PostNode; sections: PrintedSection[]; details: Partial<Details>; account?: Account };

// A list or two in a long talk are no order; where so much stands in lists, tables, quotations and code, it is one.
const STRUCTURED = 0.2;

/** Whether a page has an order of its own: headings, or so much in lists and tables that prose made anew would lose it. */
function isStructured(doc: PostNode): boolean {
  if (outlineOf(doc).some((s) => s.id !== 'lead' || s.heading)) return true;
  const letters = (blocks: readonly PostNode[]) => blocks.reduce((sum, block) => sum + block.textContent.length, 0);
  const others = doc.children.filter((block) => block.type.name !== 'paragraph');
  return letters(others) >= STRUCTURED * Math.max(1, letters(doc.children));
}

/** The page a file makes: a draft keeps its own order, of other material one is made. */
export function pageOf({ source, draft, fileName, wishes, tools }: Request): PageOfFile {
  if (draft && wishes.sections === undefined && isStructured(draft.doc))
    return { doc: draft.doc, sections: ownSections(draft.doc), details: draft.details };
  const edits = editsForSections(findEdits(source, tools), []);
  const choices = wishes.person ? { person: wishes.person } : {};
  const made = makePage([{ source: '', paragraphs: proseOf(source, edits), choices }], wishes, tools);
  return {
    doc: made.doc,
    sections: borders(
      source,
      made.sections.map((s) => ({
        heading: s.heading,
        headings: s.headings,
        startMs: s.startMs ?? null,
        firstPassage: s.first,
        words: s.words,
      })),
    ),
    details: {
      title: source.title ?? titleOfName(fileName) ?? made.titles[0] ?? '',
      standfirst: made.standfirst,
      description: made.description,
      ...draft?.details,
    },
    account: made.account,
  };
}

// A passage that two sections share belongs to the one that begins in it only if it begins at its start.
function borders(source: Source, sections: Omit<PrintedSection, 'lastPassage'>[]): PrintedSection[] {
  return sections.map((s, i) => {
    const firstPassage = i === 0 ? 0 : s.firstPassage;
    const next = sections[i + 1]?.firstPassage ?? source.passages.length;
    return { ...s, firstPassage, lastPassage: Math.max(firstPassage, next - 1) };
  });
}

function ownSections(doc: PostNode): PrintedSection[] {
  return outlineOf(doc).map((s) => {
    const passages: number[] = [];
    doc.nodesBetween(s.from, s.to, (node) => {
      for (const o of (node.attrs.origins ?? []) as Origin[]) passages.push(o.first, o.last);
      return !node.isTextblock;
    });
    const first = passages.length ? Math.min(...passages) : 0;
    const last = passages.length ? Math.max(...passages) : first;
    return { heading: s.heading, headings: [], startMs: null, firstPassage: first, lastPassage: last, words: s.words };
  });
}
