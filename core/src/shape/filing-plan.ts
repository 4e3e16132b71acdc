import { Fragment } from 'prosemirror-model';
import { schema, type PostNode } from '../post/schema.ts';
import { branchEnd, outlineOf, plainText } from '../post/sections.ts';
import type { Subjects } from './cut/subjects.ts';
import type { Incoming } from './incoming.ts';
import { matchParts, type Home, type PartMatch } from './match-parts.ts';

/** Where a part goes: below a heading of the page, as a part of its own behind another, or nowhere. */
export type Filing = { to: 'below'; home: string } | { to: 'new' } | { to: 'nowhere' };

/** A part that came in, what it was matched with, and where it is proposed to go. */
export type Planned = { part: Incoming; match: PartMatch | null; filing: Filing };

/** The headed parts of a page as homes for what comes in. */
export const homesOf = (doc: PostNode): Home[] =>
  outlineOf(doc).map(({ id, heading, from, to }) => ({ id, heading, text: plainText(doc.cut(from, to)) }));

/** A plan for a draft: each part below the heading it belongs to; what found no home goes nowhere until the writer says where. */
export function planDraft(doc: PostNode, parts: readonly Incoming[], subjects: Subjects | null): Planned[] {
  const matches = matchParts(parts, homesOf(doc), subjects);
  return parts.map((part, n) => {
    const match = matches[n]!;
    return { part, match, filing: match ? { to: 'below', home: match.home } : { to: 'nowhere' } };
  });
}

/** A plan for a second outline: what the page has already stays, in these words or others; what is new is put in its place. */
export function planOutline(doc: PostNode, parts: readonly Incoming[], subjects: Subjects | null): Planned[] {
  const homes = homesOf(doc).filter((home) => home.id !== 'lead');
  const matches = matchParts(parts, homes, subjects);
  return parts.map((part, n) => ({ part, match: matches[n]!, filing: matches[n] ? { to: 'nowhere' } : { to: 'new' } }));
}

/**
 * The page with a plan carried out: blocks at the end of what stands below their heading, new parts behind the part
 * that came before them, or before the one that comes after. Blocks have no ids of their own yet.
 */
export function carriedOut(doc: PostNode, plan: readonly Planned[]): PostNode {
  const outline = outlineOf(doc);
  // What is put in, by the place in the page's blocks that it stands before.
  const places = new Map<number, PostNode[]>();
  const put = (at: number, blocks: readonly PostNode[]) => places.set(at, [...(places.get(at) ?? []), ...blocks]);
  const endOf = (id: string) => outline.find((p) => p.id === id)?.to;
  // A new part stands behind the one before it and, unless it lies below it, behind what lies below that.
  const behind = (id: string, level: number) => {
    const n = outline.findIndex((p) => p.id === id);
    return n < 0 ? undefined : outline[level > outline[n]!.level ? n : branchEnd(outline, n) - 1]!.to;
  };
  const firstAfter = (n: number) => plan.slice(n).find((p) => p.match)?.match?.home;
  // Where the last part before that has a place stands, and the id of its heading when it is one of the page's.
  let last: { home: string } | { at: number } | null = null;
  plan.forEach(({ part, match, filing }, n) => {
    if (filing.to === 'below') {
      const end = endOf(filing.home) ?? doc.content.size;
      put(end, part.blocks);
      last = { home: filing.home };
    } else if (filing.to === 'new') {
      const next = last ? undefined : firstAfter(n);
      const at: number =
        (last ? ('at' in last ? last.at : behind(last.home, part.level)) : outline.find((p) => p.id === next)?.from) ?? doc.content.size;
      const heading = part.heading ? [schema.nodes.heading.create({ level: part.level }, schema.text(part.heading))] : [];
      put(at, [...heading, ...part.blocks]);
      last = { at };
    } else if (match) last = { home: match.home };
  });
  const blocks: PostNode[] = [];
  doc.forEach((block, pos) => {
    blocks.push(...(places.get(pos) ?? []), block);
  });
  blocks.push(...(places.get(doc.content.size) ?? []));
  const isBlank = (block: PostNode) => block.type === schema.nodes.paragraph && !block.content.size;
  return doc.copy(
    Fragment.from(blocks.length > 1 && doc.childCount === 1 && isBlank(doc.firstChild!) ? blocks.filter((b) => !isBlank(b)) : blocks),
  );
}
