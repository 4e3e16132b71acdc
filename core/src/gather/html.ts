import type { Format } from './formats.ts';
import { readRich } from './rich.ts';

const TAG = /<\/?(?:p|div|span|h[1-6]|ul|ol|li|table|a|b|i|strong|em|br|img|body)(?:\s[^<>]*)?>/gi;

/** HTML, a whole page or a pasted stretch of one. */
export const html: Format = {
  kind: 'html',
  fits: ({ text, name }) => {
    const start = text().slice(0, 4000);
    if (/^\s*(?:<!--[^]*?-->\s*)*<(?:!doctype html|html|head|body|meta)[\s>]/i.test(start)) return true;
    if (/\.(?:txt|text|md|markdown|mkd)$/i.test(name)) return false;
    const tags = start.match(TAG)?.length ?? 0;
    return tags >= 2 && (/\.x?html?$/i.test(name) || /^\s*</.test(start));
  },
  read: ({ text }, reading) => readRich('html', text(), reading),
};
