import { fromHtml } from 'hast-util-from-html';
import { toHtml } from 'hast-util-to-html';
import { cleanHtml } from '../post/html.ts';
import { isSafeAddress } from '../post/address.ts';
import { element } from '../post/element.ts';
import { rewrite } from './hast.ts';
import { cleanOffice } from './office.ts';

/** HTML as it is put onto the page, and the pictures that came inside it, as `data:` addresses in their order. */
export type Pasted = { html: string; pictures: string[] };

// What the editor copies is clean already, and carries its own marks.
const OURS = /\bdata-pm-slice=/;

/**
 * HTML pasted onto the page, by the code that reads it as material: what office programs put in becomes lists, headings
 * and marks, nothing runs, pictures with an address stand in their place.
 */
export function pastedHtml(html: string): Pasted {
  if (OURS.test(html)) return { html: cleanHtml(html), pictures: [] };
  const tree = fromHtml(html, { fragment: true });
  cleanOffice(tree);
  const pictures: string[] = [];
  rewrite(tree, (node) => {
    if (node.tagName !== 'img') return [node];
    const src = String(node.properties.src ?? '');
    const alt = String(node.properties.alt ?? '');
    if (/^data:image\/[\w+.-]+;base64,/i.test(src)) pictures.push(src);
    if (/^https?:/i.test(src) && isSafeAddress(src)) return [element('figure', [], { 'data-picture': JSON.stringify({ src, alt }) })];
    return [];
  });
  return { html: cleanHtml(toHtml(tree)), pictures };
}
