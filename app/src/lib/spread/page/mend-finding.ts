import type { PostNode } from '@even-page/core/post/schema';
import type { Finding } from '@even-page/core/proof';
import type { Transaction } from 'prosemirror-state';
import { placeOfBlock } from './picture-commands.ts';

/** Adds to a transaction what mends a finding; says whether its place was as it was found before the transaction. */
export function mendFinding(tr: Transaction, { place, words, fix }: Finding): boolean {
  if (!fix || !place || !('block' in place)) return false;
  const before: PostNode = tr.before;
  const at = placeOfBlock(before, place.block);
  if (!at) return false;
  if ('text' in fix || 'href' in fix) {
    const [from, to] = [at.pos + 1 + (place.from ?? 0), at.pos + 1 + (place.to ?? 0)];
    if (to > before.content.size || before.textBetween(from, to, '\n', ' ') !== words) return false;
    const [start, end] = [tr.mapping.map(from), tr.mapping.map(to)];
    if ('text' in fix) tr.insertText(fix.text, start, end);
    else tr.addMark(start, end, before.type.schema.marks.link!.create({ href: fix.href }));
  } else if ('attrs' in fix) tr.setNodeMarkup(tr.mapping.map(at.pos), null, { ...at.node.attrs, ...fix.attrs });
  else if ('takeOut' in fix) tr.delete(tr.mapping.map(at.pos), tr.mapping.map(at.pos + at.node.nodeSize));
  return true;
}
