import { postToMarkdown } from '../post/markdown.ts';
import { schema, type PostNode } from '../post/schema.ts';
import { outlineOf } from '../post/sections.ts';
import { escaped } from '../language/escaped.ts';

/** The ways an outline goes out, and the ending of its file. */
export const OUTLINE_FILES = { opml: 'opml', list: 'md', headings: 'md', lines: 'txt' } as const;
export type OutlineFile = keyof typeof OUTLINE_FILES;

type Point = { heading: string; note: string; below: Point[] };

/** The outline of a page as a file: OPML 2.0, a Markdown list, Markdown headings, or lines set in by tabs. */
export function outlineFile(doc: PostNode, title: string, as: OutlineFile): string {
  const points = pointsOf(doc);
  if (as === 'opml') return opml(points, title);
  if (as === 'list') return points.length ? postToMarkdown(nodes.doc.create(null, listOf(points))) : '';
  if (as === 'headings') return postToMarkdown(nodes.doc.create(null, headingsOf(points, 2)));
  const lines = (list: readonly Point[], depth: number): string[] =>
    list.flatMap(({ heading, below }) => [`${'\t'.repeat(depth)}${heading}`, ...lines(below, depth + 1)]);
  return `${lines(points, 0).join('\n').trimEnd()}\n`;
}

const { nodes } = schema;
const DEEPEST = 6;

const listOf = (points: readonly Point[]): PostNode =>
  nodes.bulletList.create(
    null,
    points.map(({ heading, below }) =>
      nodes.listItem.create(null, [nodes.paragraph.create(null, schema.text(heading)), ...(below.length ? [listOf(below)] : [])]),
    ),
  );

const headingsOf = (points: readonly Point[], level: number): PostNode[] =>
  points.flatMap(({ heading, below }) => [
    nodes.heading.create({ level: Math.min(DEEPEST, level) }, schema.text(heading)),
    ...headingsOf(below, level + 1),
  ]);

function pointsOf(doc: PostNode): Point[] {
  const top: Point[] = [];
  const open: { level: number; point: Point }[] = [];
  for (const { id, level, heading, from } of outlineOf(doc)) {
    if (id === 'lead' || !heading) continue;
    const point = { heading, note: doc.nodeAt(from)!.attrs.note as string, below: [] };
    while (open.length && open.at(-1)!.level >= level) open.pop();
    (open.at(-1)?.point.below ?? top).push(point);
    open.push({ level, point });
  }
  return top;
}

function opml(points: readonly Point[], title: string): string {
  const walk = (list: readonly Point[], depth: number): string[] =>
    list.flatMap(({ heading, note, below }) => {
      const open = `${'  '.repeat(depth)}<outline text="${escaped(heading)}"${note ? ` _note="${escaped(note)}"` : ''}`;
      return below.length ? [`${open}>`, ...walk(below, depth + 1), `${'  '.repeat(depth)}</outline>`] : [`${open}/>`];
    });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<opml version="2.0">',
    `  <head><title>${escaped(title)}</title></head>`,
    '  <body>',
    ...walk(points, 2),
    '  </body>',
    '</opml>',
    '',
  ].join('\n');
}
