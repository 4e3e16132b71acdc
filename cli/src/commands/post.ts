import { emptyDetails } from '@even-page/core/post/details';
import { htmlFile, markdownFile } from '@even-page/core/send/files';
import type { Command } from './command.ts';
import { pageOf } from './sections.ts';

/** The post a file makes, as Markdown with front matter or as an HTML page. */
export const post: Command = (request) => {
  const { doc } = pageOf(request);
  const details = { ...emptyDetails(), title: request.source.title ?? '', ...request.draft?.details };
  const text = (request.to === 'html' ? htmlFile : markdownFile)(details, doc);
  return { data: { to: request.to, details, text }, text };
};
