import type { Element, Root } from 'hast';
import { visit } from 'unist-util-visit';

/** Whether an address leads to one of some hosts, or to a part of one (shop.example for www.shop.example too). */
export function leadsTo(href: string, hosts: readonly string[]): boolean {
  if (!URL.canParse(href)) return false;
  const { hostname } = new URL(href);
  return hosts.some((host) => hostname === host || hostname.endsWith(`.${host}`));
}

/** Marks the links of a page that lead to paid offers as such (HTML standard, 4.6.6.13: link type "sponsored" as search services document it). */
export function markPaidLinks(tree: Root, hosts: readonly string[]): void {
  visit(tree, 'element', ({ tagName, properties }: Element) => {
    if (tagName === 'a' && leadsTo(String(properties.href ?? ''), hosts)) properties.rel = ['sponsored'];
  });
}
