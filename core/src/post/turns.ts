import { schema, type PostNode } from './schema.ts';

const strong = schema.marks.strong.create();

/** The name of who speaks as a turn of a conversation opens with it, in bold with its colon, and the space after it. */
export const turnOf = (speaker: string): PostNode[] => [schema.text(`${speaker}:`, [strong]), schema.text(' ')];

/** What stands at the head of a paragraph to say who speaks ("Mira: "), as letters; empty when nothing does. */
export function turnIn(block: PostNode): string {
  const first = block.firstChild;
  if (!first?.isText || !strong.isInSet(first.marks)) return '';
  const name = /^\p{L}[^:.?!]{0,60}:$/u.exec(first.text!)?.[0];
  if (!name) return '';
  const next = block.maybeChild(1)?.text ?? '';
  return name + (next.startsWith(' ') ? ' ' : '');
}

/** Who speaks where a position of the page lies between two blocks: the last who was named in its section; null when nobody was. */
export function voiceAt(doc: PostNode, at: number): string | null {
  let voice: string | null = null;
  doc.forEach((block, pos) => {
    if (pos >= at) return;
    if (block.type === schema.nodes.heading) voice = null;
    voice = turnIn(block).replace(/: ?$/, '') || voice;
  });
  return voice;
}
