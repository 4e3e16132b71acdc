import { emptyDetails } from '@even-page/core/post/details';
import { htmlFile, markdownFile } from '@even-page/core/send';
import type { Command } from './command.ts';
import { pageOf } from './sections.ts';

/** The post a file makes, as Markdown with front matter or as an HTML page; with --json what was done to make it. */
export const post: Command = (request) => {
  const page = pageOf(request);
  const details = { ...emptyDetails(), ...page.details };
  const text = (request.to === 'html' ? htmlFile : markdownFile)(details, page.doc);
  return { data: { to: request.to, details, text, ...(page.account ? { account: page.account } : {}) }, text };
};
