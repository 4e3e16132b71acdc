import type { BlockContent, PhrasingContent, Root } from 'mdast';
import { KINDS } from './blocks/index.ts';
import type { Out } from './blocks/kind.ts';
import type { Dress } from './dress.ts';
import './highlight.ts';
import type { Mark, PostNode } from './schema.ts';

/** A post as a Markdown tree; its pictures and clips dressed for the place it goes to. */
export function postToMdast(doc: PostNode, dress: Dress = {}): Root {
  const out: Out = { blocks: (parent) => blocks(parent, out), words: inline, dress };
  return { type: 'root', children: out.blocks(doc) };
}

function blocks(parent: PostNode, out: Out): BlockContent[] {
  return parent.children.flatMap((node) => {
    const kind = KINDS[node.type.name]!;
    // A paragraph without words is a place to type, not part of the post.
    return kind.isLeftOutEmpty && !node.content.size ? [] : [kind.toMdast(node, out)];
  });
}

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
