import type { Brief, OwnBrief } from '../../post/brief.ts';
import type { PostNode } from '../../post/schema.ts';
import { outlineOf } from '../../post/sections.ts';
import { type AskedSection, type DraftRequest, partsOf } from './asked.ts';
import { feedingPassages, type GivenPassage } from './passages.ts';
import { TASKS } from './tasks/index.ts';
import type { TaskName } from './tasks/names.ts';

/** What a request is made from. `brief` and `own`: filled in, and as the writer left it. */
export type RequestGround = {
  doc: PostNode;
  brief: Brief;
  own: OwnBrief;
  words: number;
  /** Words that House style never uses. */
  never: readonly string[];
  passages: readonly GivenPassage[];
  /** What a source is called, and how a place in it is. */
  nameOf: (source: string) => string;
  placeOf: (passage: GivenPassage) => string;
};

/** The outline as it is asked for: the headings of the page, what feeds each, and the form the writer wants. */
export function askedOutline({ doc, own, passages }: Pick<RequestGround, 'doc' | 'own' | 'passages'>): AskedSection[] {
  const chosen = own.sections ?? [];
  const headed = outlineOf(doc);
  const sections = headed.map((part) => {
    const block = part.id === 'lead' ? null : doc.nodeAt(part.from)!;
    const { note = '', target = 0 } = (block?.attrs ?? {}) as { note?: string; target?: number };
    const ask = chosen.find((c) => c.id === part.id);
    return {
      id: part.id,
      heading: part.heading,
      level: part.level,
      says: note,
      words: target,
      form: ask?.form ?? 'paragraphs',
      of: ask?.of ?? '',
    };
  });
  const feeds = feedingPassages(doc, sections, passages, chosen);
  return sections.map((section) => ({ ...section, passages: (feeds.get(section.id) ?? []).map((n) => passages[n]!.id) }) as AskedSection);
}

/** One asking of a drafter: what it is to do, with what of the material and the outline the task needs. */
export function draftRequest(
  ask: { task: TaskName; wish?: string; section?: string; text?: string; before?: DraftRequest['before']; written?: string[] },
  ground: RequestGround,
  outline: AskedSection[] = askedOutline(ground),
): DraftRequest {
  const { task, section = '' } = ask;
  const { needs } = TASKS[task];
  const feeding = needs === 'section' && section ? new Set(partsOf(outline, section).flatMap((part) => part.passages)) : null;
  const said = new Set(outline.map((part) => bare(part.heading)));
  // A heading of the material that heads a section of the page says nothing more.
  const given = needs === 'none' ? [] : ground.passages.filter((p) => (!feeding || feeding.has(p.id)) && !said.has(bare(p.text)));
  const { brief } = ground;
  return {
    task,
    wish: ask.wish ?? '',
    section,
    brief: {
      ...brief,
      words: ground.words,
      never: [...new Set([...ground.never, ...brief.never])],
      sections: undefined,
      pattern: undefined,
    },
    outline,
    passages: given.map((p) => ({
      id: p.id,
      text: p.text,
      from: [ground.nameOf(p.origin.source), p.speaker].filter(Boolean).join(', '),
      at: ground.placeOf(p),
    })),
    before: ask.before ?? [],
    text: ask.text ?? '',
    written: ask.written ?? [],
  };
}

const bare = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
