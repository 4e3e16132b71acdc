import type { Root } from 'mdast';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import remarkStringify from 'remark-stringify';
import { unified } from 'unified';
import { ofKinds } from './blocks/index.ts';
import { highlight } from './highlight.ts';
import { mdastToPost } from './mdast-to-post.ts';
import { postToMdast } from './post-to-mdast.ts';
import type { PostNode } from './schema.ts';

const reader = unified().use(remarkParse).use(remarkGfm, { singleTilde: false }).freeze();
// GFM writes nothing of its own here; it escapes the words that would be read as its marks.
const writer = unified()
  .use(remarkGfm, { singleTilde: false })
  .use(remarkStringify, {
    bullet: '-',
    rule: '-',
    emphasis: '*',
    fences: true,
    listItemIndent: 'one',
    handlers: { ...ofKinds('toMarkdown'), ...highlight.toMarkdown },
  })
  .freeze();

/** The Markdown tree of a text (CommonMark with GFM). */
export function parseMarkdown(text: string): Root {
  return reader.parse(text);
}

/** Markdown as a post without ids. Never throws: any text is Markdown. */
export function postFromMarkdown(text: string): PostNode {
  return mdastToPost(parseMarkdown(text));
}

/** A post as Markdown, without front matter. */
export function postToMarkdown(doc: PostNode): string {
  return writer.stringify(postToMdast(doc));
}
