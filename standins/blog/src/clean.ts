import { fromHtml } from 'hast-util-from-html';
import { defaultSchema, sanitize } from 'hast-util-sanitize';
import { toHtml } from 'hast-util-to-html';

const schema = { ...defaultSchema, tagNames: [...(defaultSchema.tagNames ?? []), 'figure', 'figcaption'], clobberPrefix: '' };

/** HTML from outside without anything that runs. */
export function clean(html: string): string {
  return toHtml(sanitize(fromHtml(html, { fragment: true }), schema));
}
