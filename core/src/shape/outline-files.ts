import type { PostNode } from '../post/schema.ts';
import { outlineOf } from '../post/sections.ts';

/** The ways an outline goes out, and the ending of its file. */
export const OUTLINE_FILES = { opml: 'opml', list: 'md', headings: 'md', lines: 'txt' } as const;
export type OutlineFile = keyof typeof OUTLINE_FILES;

type Point = { heading: string; note: string; below: Point[] };

/** The outline of a page as a file: OPML 2.0, a Markdown list, Markdown headings, or lines set in by tabs. */
export function outlineFile(doc: PostNode, title: string, as: OutlineFile): string {
  const points = pointsOf(doc);
  if (as === 'opml') return opml(points, title);
  const line: Record<Exclude<OutlineFile, 'opml'>, (heading: string, depth: number) => string> = {
    list: (heading, depth) => `${'  '.repeat(depth)}- ${heading}`,
    headings: (heading, depth) => `${'#'.repeat(depth + 2)} ${heading}\n`,
    lines: (heading, depth) => `${'\t'.repeat(depth)}${heading}`,
  };
  const walk = (list: readonly Point[], depth: number): string[] =>
    list.flatMap(({ heading, below }) => [line[as](heading, depth), ...walk(below, depth + 1)]);
  return `${walk(points, 0).join('\n').trimEnd()}\n`;
}

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

const SPECIAL: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escaped = (text: string) => text.replace(/[&<>"]/g, (sign) => SPECIAL[sign]!);

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
