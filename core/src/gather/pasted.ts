import { fromHtml } from 'hast-util-from-html';
import { toHtml } from 'hast-util-to-html';
import { cleanHtml } from '../post/html.ts';
import { isSafeAddress } from '../post/address.ts';
import { element } from '../post/element.ts';
import { rewrite } from './hast.ts';
import { cleanOffice } from './office.ts';

// What the editor copies is clean already, and carries its own marks.
const OURS = /\bdata-pm-slice=/;

/**
 * HTML pasted onto the page, by the code that reads it as material: what office programs put in becomes lists, headings
 * and marks, nothing runs, pictures stand in their place.
 * @param takeIn takes a picture that came inside it, as a `data:` address, and gives the one it has from now on
 */
export function pastedHtml(html: string, takeIn: (picture: string) => string): string {
  if (OURS.test(html)) return cleanHtml(html);
  const tree = fromHtml(html, { fragment: true });
  cleanOffice(tree);
  rewrite(tree, (node) => {
    if (node.tagName !== 'img') return [node];
    const from = String(node.properties.src ?? '');
    const src = /^data:image\/[\w+.-]+;base64,/i.test(from) ? takeIn(from) : /^https?:/i.test(from) && isSafeAddress(from) ? from : '';
    const alt = String(node.properties.alt ?? '');
    return src ? [element('figure', [], { 'data-picture': JSON.stringify({ src, alt }) })] : [];
  });
  return cleanHtml(toHtml(tree));
}
