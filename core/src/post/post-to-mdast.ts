import type { BlockContent, List, ListItem, PhrasingContent, Root } from 'mdast';
import './own-mdast.ts';
import type { Mark, PostNode } from './schema.ts';

declare module 'mdast' {
  interface ParagraphData {
    /** That the paragraph says who a quotation is from. */
    isAuthor?: boolean;
  }
}

/** What stands before the author of a quotation in Markdown (common practice, no source). */
export const AUTHOR_SIGN = '— ';

type Handler = (node: PostNode) => BlockContent;

const HANDLERS: Record<string, Handler> = {
  paragraph: (node) => ({ type: 'paragraph', children: inline(node) }),
  heading: (node) => ({ type: 'heading', depth: node.attrs.level, children: inline(node) }),
  blockquote: (node) => ({ type: 'blockquote', children: blocks(node) }),
  author: (node) => ({ type: 'paragraph', data: { isAuthor: true }, children: [{ type: 'text', value: AUTHOR_SIGN }, ...inline(node)] }),
  note: (node) => ({ type: 'note', children: blocks(node) }),
  pullQuote: (node) => ({ type: 'pullQuote', children: inline(node) }),
  bulletList: (node) => list(node, { ordered: false }),
  orderedList: (node) => list(node, { ordered: true, start: node.attrs.start as number }),
  codeBlock: (node) => ({ type: 'code', lang: node.attrs.language || null, value: node.textContent }),
  table: (node) => ({
    type: 'table',
    children: node.children.map((row) => ({
      type: 'tableRow',
      children: row.children.map((cell) => ({ type: 'tableCell', children: inCell(inline(cell)) })),
    })),
  }),
  rule: () => ({ type: 'thematicBreak' }),
  // In Markdown a picture is a paragraph of its own; its title is the caption.
  picture: ({ attrs }) => {
    const image: PhrasingContent = { type: 'image', url: attrs.src, alt: attrs.alt, title: attrs.caption || null };
    return { type: 'paragraph', children: [attrs.href ? { type: 'link', url: attrs.href as string, children: [image] } : image] };
  },
};

/** A post as a Markdown tree. */
export function postToMdast(doc: PostNode): Root {
  return { type: 'root', children: blocks(doc) };
}

const EMPTY_LEFT_OUT = new Set(['paragraph', 'author', 'pullQuote']);

function blocks(parent: PostNode): BlockContent[] {
  const found: BlockContent[] = [];
  parent.forEach((node) => {
    // A paragraph without words is a place to type, not part of the post.
    if (!EMPTY_LEFT_OUT.has(node.type.name) || node.content.size) found.push(HANDLERS[node.type.name]!(node));
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

// A cell of a Markdown table is one line: a line break in it becomes a space.
const inCell = (content: PhrasingContent[]): PhrasingContent[] =>
  content.map((node) => (node.type === 'break' ? { type: 'text', value: ' ' } : node));

type Run = { node: PostNode; marks: readonly Mark[] };

const isCode = (mark: Mark) => mark.type.name === 'code';

function inline(block: PostNode): PhrasingContent[] {
  return nest(block.children.map((node) => ({ node, marks: node.marks })));
}

// Where two marks run equally far, the one named first goes around the other.
const ORDER = ['link', 'highlight', 'strikethrough', 'emphasis', 'strong'];

/** Runs as a tree: at each place the mark that runs furthest goes around the others; code is always innermost. */
function nest(runs: readonly Run[]): PhrasingContent[] {
  const found: PhrasingContent[] = [];
  for (let i = 0; i < runs.length;) {
    const { node, marks } = runs[i]!;
    const reach = (mark: Mark) => {
      let end = i + 1;
      while (end < runs.length && mark.isInSet(runs[end]!.marks)) end++;
      return end;
    };
    const [outer] = marks
      .filter((mark) => !isCode(mark))
      .map((mark) => ({ mark, end: reach(mark) }))
      .sort((a, b) => b.end - a.end || ORDER.indexOf(a.mark.type.name) - ORDER.indexOf(b.mark.type.name));
    if (outer) {
      const { mark, end } = outer;
      found.push(
        ...marked(
          mark,
          runs.slice(i, end).map((run) => ({ node: run.node, marks: mark.removeFromSet(run.marks) })),
        ),
      );
      i = end;
      continue;
    }
    const value = node.text ?? '';
    if (!node.isText) found.push({ type: 'break' });
    else found.push({ type: marks.length ? 'inlineCode' : 'text', value });
    i++;
  }
  return found;
}

function marked(mark: Mark, runs: Run[]): PhrasingContent[] {
  if (mark.type.name === 'link') {
    const { href, title } = mark.attrs as { href: string; title: string };
    return [{ type: 'link', url: href, title: title || null, children: nest(runs) as never }];
  }
  // Markdown cannot emphasise a space at the edge of a stretch: it moves outside.
  const before = takeSpace(runs, 0, /^\s+/);
  const after = takeSpace(runs, -1, /\s+$/);
  const type = mark.type.name === 'strikethrough' ? ('delete' as const) : (mark.type.name as 'strong' | 'emphasis' | 'highlight');
  return [...before, ...(runs.length ? [{ type, children: nest(runs) }] : []), ...after];
}

/** Takes the white space off one end of runs and returns it; that of code is its own. */
function takeSpace(runs: Run[], at: 0 | -1, space: RegExp): PhrasingContent[] {
  const run = runs.at(at);
  const value = run?.node.isText && !run.marks.some(isCode) ? (space.exec(run.node.text!)?.[0] ?? '') : '';
  if (!value) return [];
  const rest = run!.node.text!.replace(space, '');
  runs.splice(at, 1, ...(rest ? [{ ...run!, node: run!.node.type.schema.text(rest) }] : []));
  return [{ type: 'text', value }];
}
