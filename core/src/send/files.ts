import { toHtml } from 'hast-util-to-html';
import { stringify } from 'yaml';
import type { Details } from '../post/details.ts';
import { postToHast } from '../post/html.ts';
import { postToMarkdown } from '../post/markdown.ts';
import type { PostNode } from '../post/schema.ts';

// In the order people look for them.
const FRONT_MATTER = ['title', 'standfirst', 'slug', 'description', 'summary', 'byline', 'category', 'tags'] as const;

/** The post as a Markdown file with its details as YAML front matter; details left empty are left out. */
export function markdownFile(details: Details, doc: PostNode): string {
  const front = Object.fromEntries(FRONT_MATTER.filter((name) => details[name]?.length).map((name) => [name, details[name]]));
  const head = Object.keys(front).length ? `---\n${stringify(front, { lineWidth: 0 })}---\n\n` : '';
  return head + postToMarkdown(doc);
}

/** The post as a whole HTML page with title and description: no styles, no scripts. */
export function htmlFile(details: Details, doc: PostNode): string {
  const element = (tagName: string, properties: Record<string, string>, ...children: string[]) => ({
    type: 'element' as const,
    tagName,
    properties,
    children: children.map((value) => ({ type: 'text' as const, value })),
  });
  const line = { type: 'text' as const, value: '\n' };
  const head = [
    element('meta', { charset: 'utf-8' }),
    element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
    element('title', {}, details.title || 'Untitled'),
    ...(details.description ? [element('meta', { name: 'description', content: details.description })] : []),
    ...(details.byline ? [element('meta', { name: 'author', content: details.byline })] : []),
  ];
  const top = [element('h1', {}, details.title || 'Untitled'), ...(details.standfirst ? [element('p', {}, details.standfirst)] : [])];
  return `${toHtml({
    type: 'root',
    children: [
      { type: 'doctype' },
      line,
      {
        ...element('html', { lang: 'en' }),
        children: [
          line,
          { ...element('head', {}), children: head.flatMap((e) => [e, line]) },
          line,
          {
            ...element('body', {}),
            children: [
              line,
              {
                ...element('article', {}),
                children: [line, ...top.flatMap((e) => [e, line]), ...postToHast(doc).children, line] as never[],
              },
              line,
            ],
          },
          line,
        ],
      },
      line,
    ],
  })}`;
}
