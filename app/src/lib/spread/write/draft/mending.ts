import { sentences } from '@even-page/core/language/sentences';
import { type PostNode, schema } from '@even-page/core/post/schema';
import { plainText } from '@even-page/core/post/sections';
import type { GuardFinding } from '@even-page/core/write';
import { Fragment } from 'prosemirror-model';

/** Replaces each block of words of a page, by its place among them; null takes it out. */
function eachWords(doc: PostNode, change: (block: PostNode, n: number) => PostNode | null): PostNode {
  let n = 0;
  const walk = (node: PostNode): PostNode | null => {
    if (node.isTextblock) return change(node, n++);
    if (node.isLeaf) return node;
    const children = node.children.flatMap((child) => walk(child) ?? []);
    return children.length ? node.copy(Fragment.from(children)) : null;
  };
  const children = doc.children.flatMap((child) => walk(child) ?? []);
  return doc.copy(Fragment.from(children.length ? children : [schema.node('paragraph')]));
}

/** A proposal with one finding mended: its sentence or its block taken out, or a link put back. */
export function mended(doc: PostNode, { block, from, fix }: GuardFinding): PostNode {
  if (!fix) return doc;
  if ('link' in fix) return withLink(doc, fix.link);
  return eachWords(doc, (node, n) => {
    if (n !== block) return node;
    if (fix.take === 'block') return null;
    const text = plainText(node);
    const sentence = sentences(text).find((s) => s.from <= from && s.to > from);
    if (!sentence) return node;
    const to = sentence.to + /^\s*/.exec(text.slice(sentence.to))![0].length;
    const kept = node.content.cut(0, sentence.from).append(node.content.cut(to));
    return kept.textBetween(0, kept.size, '', ' ').trim() ? node.copy(kept) : null;
  });
}

/** A link on its words, where they stand; else its words at the end of the last paragraph. */
function withLink(doc: PostNode, { address, words }: { address: string; words: string }): PostNode {
  const link = schema.marks.link.create({ href: address });
  let isIn = false;
  const found = eachWords(doc, (node) => {
    const at = isIn || node.type === schema.nodes.heading ? -1 : plainText(node).toLowerCase().indexOf(words.toLowerCase());
    if (at < 0) return node;
    isIn = true;
    const linked = node.content.cut(at, at + words.length);
    const marked = Fragment.from(linked.content.map((child) => child.mark(link.addToSet(child.marks))));
    return node.copy(
      node.content
        .cut(0, at)
        .append(marked)
        .append(node.content.cut(at + words.length)),
    );
  });
  if (isIn) return found;
  const last = doc.children.findLastIndex((b) => b.type === schema.nodes.paragraph);
  const text = schema.text(words, [link]);
  if (last < 0) return doc.copy(doc.content.addToEnd(schema.node('paragraph', null, text)));
  const paragraph = doc.child(last);
  const content = paragraph.content.append(Fragment.from([schema.text(' '), text, schema.text('.')]));
  return doc.copy(doc.content.replaceChild(last, paragraph.copy(content)));
}
