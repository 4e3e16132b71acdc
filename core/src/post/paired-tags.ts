import type { BlockContent, DefinitionContent, Parents } from 'mdast';
import type { Clip } from './blocks/clip.ts';
import { clipOfParts } from './blocks/clip.ts';
import type { Note } from './blocks/note.ts';
import type { PullQuote } from './blocks/pull-quote.ts';

// What a post holds beyond Markdown is written there as the HTML elements it is, which CommonMark lets through.
const NAMES = ['aside', 'figure', 'mark', 'q'] as const;
type Own = (typeof NAMES)[number];

const open = (name: Own) => `<${name}>`;
const close = (name: Own) => `</${name}>`;

/** Whether raw HTML in Markdown is one of the tags a post is written with. */
export const isOwnTag = (markup: string): boolean => NAMES.some((name) => [open(name), close(name)].includes(markup.trim()));

type Child = Parents['children'][number];

/** The children of a Markdown node with each pair of tags, and what stands between them, made one node; null leaves them. */
export function pairedTags<T extends Child>(children: readonly T[], tag: Own, made: (between: T[]) => T | null): T[] {
  const isTag = (node: T, sign: string) => node.type === 'html' && node.value.trim() === sign;
  const found: T[] = [];
  for (let i = 0; i < children.length; i++) {
    const node = children[i]!;
    let end = -1;
    if (isTag(node, open(tag))) {
      for (let k = i + 1, depth = 1; k < children.length && end < 0; k++) {
        if (isTag(children[k]!, open(tag))) depth++;
        else if (isTag(children[k]!, close(tag)) && --depth === 0) end = k;
      }
    }
    const one = end < 0 ? null : made(pairedTags(children.slice(i + 1, end), tag, made));
    if (!one) found.push(node);
    else {
      found.push(one);
      i = end;
    }
  }
  return found;
}

type Blocks = (BlockContent | DefinitionContent)[];

/** What stands between the tags of a post as the block it is. */
export function pairedBlocks(children: readonly Child[]): Child[] {
  const withAsides = pairedTags<Child>(children, 'aside', (between) => asideOf(between as Blocks));
  return pairedTags<Child>(withAsides, 'figure', (between): Clip | null => clipOfParts(between));
}

/** A note, or a pull quote if it is one quoted run of words. */
function asideOf(children: Blocks): Note | PullQuote {
  const [only, ...more] = children;
  if (!more.length && only?.type === 'paragraph') {
    const words = only.children;
    const [first, last] = [words[0], words.at(-1)];
    if (first?.type === 'html' && first.value === open('q') && last?.type === 'html' && last.value === close('q'))
      return { type: 'pullQuote', children: words.slice(1, -1) };
  }
  return { type: 'note', children };
}
