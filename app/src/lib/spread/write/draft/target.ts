import { Fragment } from 'prosemirror-model';
import { type PostNode, schema } from '@even-page/core/post/schema';
import { plainText, sectionsOf } from '@even-page/core/post/sections';
import type { PageInHand } from '../../page/page-in-hand.svelte.ts';

/** What a drafter is asked about: a section, words of some blocks of the page, or all of the post. */
export type Target =
  { kind: 'section'; id: string } | { kind: 'words'; section: string; blocks: string[]; text: string } | { kind: 'whole' };

/** Where a proposal goes; `inside` when it is a stretch of one paragraph. */
export type Place = { from: number; to: number; inside: boolean };

/** Where a section's words stand: below its heading, to its end. */
function below(doc: PostNode, id: string): Place | null {
  const section = sectionsOf(doc).find((s) => s.id === id);
  if (!section) return id === 'lead' ? { from: 0, to: 0, inside: false } : null;
  const from = section.id === 'lead' ? section.from : section.from + doc.nodeAt(section.from)!.nodeSize;
  return { from, to: section.to, inside: false };
}

/** The stretch of the page its blocks cover. */
function covered(doc: PostNode, ids: readonly string[]): { from: number; to: number } | null {
  const wanted = new Set(ids);
  let [from, to] = [-1, -1];
  doc.forEach((block, pos) => {
    if (!wanted.has(block.attrs.id as string)) return;
    if (from < 0) from = pos;
    to = pos + block.nodeSize;
  });
  return from < 0 ? null : { from, to };
}

/** Where the words a proposal was made for stand now; null when they are gone. `was`: what they were. */
export function placeOf(doc: PostNode, target: Target, was: PostNode | null): Place | null {
  if (target.kind === 'whole') return { from: 0, to: doc.content.size, inside: false };
  if (target.kind === 'section') return below(doc, target.id);
  const place = covered(doc, target.blocks);
  if (!place) return null;
  const [only] = target.blocks;
  if (target.blocks.length > 1 || !only) return { ...place, inside: false };
  const block = doc.nodeAt(place.from)!;
  const words = was ? plainText(was) : target.text;
  if (!block.isTextblock || plainText(block).trim() === words.trim()) return { ...place, inside: false };
  const at = plainText(block).indexOf(words);
  return at < 0 ? null : { from: place.from + 1 + at, to: place.from + 1 + at + words.length, inside: true };
}

/** The words of a place, as blocks. */
export function wordsOf(doc: PostNode, target: Target): PostNode {
  const place = placeOf(doc, target, null);
  if (!place) return schema.node('doc', null, [schema.node('paragraph')]);
  if (!place.inside) {
    const content = doc.content.cut(place.from, place.to);
    return schema.node('doc', null, content.childCount ? content : Fragment.from(schema.node('paragraph')));
  }
  const { parent } = doc.resolve(place.from);
  const start = doc.resolve(place.from).start();
  return schema.node('doc', null, [parent.copy(parent.content.cut(place.from - start, place.to - start))]);
}

/** The words selected on the page, to whole sentences inside one paragraph, to whole blocks where they run over several. */
export function selectedWords(page: PageInHand): Target | null {
  const state = page.view?.state;
  if (!state || state.selection.empty) return null;
  const { $from: from, $to: to } = state.selection;
  if (from.depth === 0) return null;
  const section = page.sections.findLast((s) => s.from <= from.pos)?.id ?? 'lead';
  const first = from.node(1);
  if (from.sameParent(to) && from.depth === 1 && first.isTextblock) {
    const text = plainText(first).slice(from.parentOffset, to.parentOffset);
    return { kind: 'words', section, blocks: [first.attrs.id as string], text };
  }
  const blocks: string[] = [];
  state.doc.forEach((block, pos) => {
    if (pos < to.pos && pos + block.nodeSize > from.pos && block.attrs.id) blocks.push(block.attrs.id as string);
  });
  return { kind: 'words', section, blocks, text: '' };
}
