import type { Element, ElementContent } from 'hast';

/** An element of HTML made anew. */
export const element = (tagName: string, children: ElementContent[], properties: Element['properties'] = {}): Element => ({
  type: 'element',
  tagName,
  properties,
  children,
});

/** The first element of a name inside another, however deep. */
export function elementIn(from: Element, tagName: string): Element | undefined {
  for (const child of from.children) {
    if (child.type !== 'element') continue;
    const found = child.tagName === tagName ? child : elementIn(child, tagName);
    if (found) return found;
  }
  return undefined;
}
