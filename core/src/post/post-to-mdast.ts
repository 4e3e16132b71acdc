import type { BlockContent, List, ListItem, PhrasingContent, Root } from 'mdast';
import type { Mark, PostNode } from './schema.ts';

type Handler = (node: PostNode) => BlockContent;

const HANDLERS: Record<string, Handler> = {
  paragraph: (node) => ({ type: 'paragraph', children: inline(node) }),
  heading: (node) => ({ type: 'heading', depth: node.attrs.level, children: inline(node) }),
  blockquote: (node) => ({ type: 'blockquote', children: blocks(node) }),
  bulletList: (node) => list(node, { ordered: false }),
  orderedList: (node) => list(node, { ordered: true, start: node.attrs.start as number }),
  codeBlock: (node) => ({ type: 'code', lang: node.attrs.language || null, value: node.textContent }),
  rule: () => ({ type: 'thematicBreak' }),
  // In Markdown a picture is a paragraph of its own; its title is the caption.
  picture: (node) => ({
    type: 'paragraph',
    children: [{ type: 'image', url: node.attrs.src, alt: node.attrs.alt, title: node.attrs.caption || null }],
  }),
};

/** A post as a Markdown tree. */
export function postToMdast(doc: PostNode): Root {
  return { type: 'root', children: blocks(doc) };
}

function blocks(parent: PostNode): BlockContent[] {
  const found: BlockContent[] = [];
  parent.forEach((node) => {
    // An empty paragraph is a place to type, not part of the post.
    if (node.type.name !== 'paragraph' || node.content.size) found.push(HANDLERS[node.type.name]!(node));
  });
  return found;
}

function list(node: PostNode, kind: Pick<List, 'ordered' | 'start'>): List {
  const children: ListItem[] = [];
  let spread = false;
  node.forEach((item) => {
    const content = blocks(item);
    spread ||= content.filter((c) => c.type !== 'list').length > 1;
    children.push({ type: 'listItem', spread: false, children: content });
  });
  return { type: 'list', ...kind, spread, children: children.map((item) => ({ ...item, spread })) };
}

// A run of text with its marks, opened from the outside in: link, strong, emphasis, code.
const ORDER = ['link', 'strong', 'emphasis', 'code'];

function inline(block: PostNode): PhrasingContent[] {
  const runs: { node: PostNode; marks: Mark[] }[] = [];
  block.forEach((node) => {
    const marks = [...node.marks].sort((a, b) => ORDER.indexOf(a.type.name) - ORDER.indexOf(b.type.name));
    if (!node.isText) return void runs.push({ node, marks });
    // Markdown cannot emphasise a space at the edge of a run: it moves outside.
    const [, before, words, after] = /^(\s*)([^]*?)(\s*)$/.exec(node.text!)!;
    const schema = node.type.schema;
    const spaces = (s: string) => s && runs.push({ node: schema.text(s), marks: marks.filter((m) => m.type.name === 'link') });
    if (!marks.length || !words) return void runs.push({ node, marks: words ? marks : [] });
    spaces(before!);
    runs.push({ node: schema.text(words), marks });
    spaces(after!);
  });
  return nest(runs);
}

function nest(runs: { node: PostNode; marks: Mark[] }[]): PhrasingContent[] {
  const found: PhrasingContent[] = [];
  for (let i = 0; i < runs.length;) {
    const { node, marks } = runs[i]!;
    const outer = marks[0];
    if (!outer || outer.type.name === 'code') {
      const value = node.text ?? '';
      if (!node.isText) found.push({ type: 'break' });
      else found.push(outer ? { type: 'inlineCode', value } : { type: 'text', value });
      i++;
      continue;
    }
    let end = i + 1;
    while (end < runs.length && runs[end]!.marks[0]?.eq(outer)) end++;
    const children = nest(runs.slice(i, end).map((r) => ({ node: r.node, marks: r.marks.slice(1) })));
    if (outer.type.name === 'link') {
      found.push({ type: 'link', url: outer.attrs.href, title: outer.attrs.title || null, children: children as never });
    } else found.push({ type: outer.type.name as 'strong' | 'emphasis', children });
    i = end;
  }
  return found;
}
