import { Fragment } from 'prosemirror-model';
import { postToMarkdown } from '@even-page/core/post/markdown';
import { type Origin, type PostNode, schema } from '@even-page/core/post/schema';
import { wordCount } from '@even-page/core/language/words';
import type { DraftRequest } from '@even-page/core/write';

type Passage = DraftRequest['passages'][number];

// Passages shorter than this are told in one paragraph with those that follow.
const PARAGRAPH_WORDS = 45;
const ENDS = /[.!?…:]['"”’)\]]*$/;

/** Passages as paragraphs, each tied to those it came from; the number of a passage stands where the name of a source does. */
export function paragraphsOf(passages: readonly Passage[]): PostNode[] {
  const found: { text: string; ids: string[]; from: string }[] = [];
  for (const { id, text, from } of passages) {
    const open = found.at(-1);
    // What has no end mark is a line by itself, and what another says a paragraph of their own.
    if (open && wordCount(open.text) < PARAGRAPH_WORDS && ENDS.test(open.text) && ENDS.test(text) && open.from === from) {
      open.text += ` ${text}`;
      open.ids.push(id);
    } else found.push({ text, ids: [id], from });
  }
  return found.map(({ text, ids }) =>
    schema.node('paragraph', { origins: ids.map((source): Origin => ({ source, first: 0, last: 0 })) }, schema.text(text)),
  );
}

export const heading = (text: string, level = 2, id = ''): PostNode =>
  schema.node('heading', { level, id }, text ? [schema.text(text)] : []);

export const docOf = (blocks: readonly PostNode[]): PostNode =>
  schema.node('doc', null, blocks.length ? [...blocks] : [schema.node('paragraph')]);

/** The numbers of the passages a block rests on, all inside it counted. */
export function restsOf(block: PostNode): string[] {
  const found = new Set<string>();
  const look = (node: PostNode) => {
    for (const { source } of (node.attrs.origins ?? []) as Origin[]) found.add(source);
    if (!node.isTextblock) node.forEach(look);
  };
  look(block);
  return [...found];
}

/** One block as Markdown. */
export const markdownOf = (block: PostNode): string => postToMarkdown(schema.node('doc', null, Fragment.from(block))).trim();

/** The numbers behind the blocks of a marked text as origin marks: what a rewrite keeps. */
export function passagesOf(request: DraftRequest): Map<string, Origin> {
  return new Map(request.passages.map(({ id }) => [id, { source: id, first: 0, last: 0 }]));
}
