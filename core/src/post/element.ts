import type { Element, ElementContent } from 'hast';

/** An element of HTML made anew. */
export const element = (tagName: string, children: ElementContent[], properties: Element['properties'] = {}): Element => ({
  type: 'element',
  tagName,
  properties,
  children,
});
