import { outlineOf } from '@even-page/core/post/sections';
import type { Origin, PostNode } from '@even-page/core/post/schema';
import type { Source } from '@even-page/core/gather/source';
import { shapeOf, writeSections } from '@even-page/core/shape/outline';
import { findEdits } from '@even-page/core/tidy/finders';
import { proseOf } from '@even-page/core/tidy/prose';
import type { Request } from './command.ts';

/** A section as the command line prints it; passages are numbered from 0 in file order. */
export type PrintedSection = {
  heading: string;
  startMs: number | null;
  firstPassage: number;
  lastPassage: number;
  words: number;
};

/** The page a file makes and its sections: a draft keeps its own headings, other material is cut by subject. */
export function pageOf({ source, draft, sections, tools }: Request): { doc: PostNode; sections: PrintedSection[] } {
  if (draft && sections === undefined && outlineOf(draft.doc).some((s) => s.id !== 'lead' || s.heading)) {
    return { doc: draft.doc, sections: ownSections(draft.doc) };
  }
  const proposed = shapeOf([{ source: '', paragraphs: proseOf(source, findEdits(source, tools)) }], tools.subjects).sections(sections);
  return {
    doc: writeSections(proposed),
    sections: borders(
      source,
      proposed.map((s) => ({
        heading: s.heading,
        startMs: s.startMs ?? null,
        firstPassage: s.paragraphs[0]!.sentences[0]!.first,
        words: s.words,
      })),
    ),
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
    return { heading: s.heading, startMs: null, firstPassage: first, lastPassage: last, words: s.words };
  });
}
