import type { Finding } from '@even-page/core/proof';
import type { Transaction } from 'prosemirror-state';
import { placeOfBlock } from './picture-commands.ts';

/** Adds to a transaction what mends a finding; says whether its place still is as it was found: neither changed since nor mended before. */
export function mendFinding(tr: Transaction, { place, words, fix }: Finding): boolean {
  if (!fix || !place || !('block' in place)) return false;
  const at = placeOfBlock(tr.before, place.block);
  if (!at) return false;
  if ('text' in fix || 'href' in fix) {
    const [from, to] = [place.from ?? 0, place.to ?? 0].map((offset) => tr.mapping.map(at.pos + 1 + offset)) as [number, number];
    if (to > tr.doc.content.size || tr.doc.textBetween(from, to, '\n', ' ') !== words) return false;
    if ('text' in fix) tr.insertText(fix.text, from, to);
    else tr.addMark(from, to, tr.doc.type.schema.marks.link!.create({ href: fix.href }));
  } else if ('attrs' in fix) tr.setNodeMarkup(tr.mapping.map(at.pos), null, { ...at.node.attrs, ...fix.attrs });
  else if ('takeOut' in fix) tr.delete(tr.mapping.map(at.pos), tr.mapping.map(at.pos + at.node.nodeSize));
  return true;
}
