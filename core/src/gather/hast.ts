import type { Element, ElementContent, Root, RootContent } from 'hast';
import { fromHtml } from 'hast-util-from-html';
import { Complaint } from '../complaint.ts';

export type { Element, ElementContent, Root };
export type Parent = Root | Element;

// Pages people write stay far below; what walks the tree recurses.
const MOST_DEEP = 300;

/** HTML as a tree. Throws a Complaint when it nests deeper than any page that people write. */
export function parseHtml(html: string): Root {
  const tree = treeOf(html);
  let level: Parent[] = [tree];
  for (let depth = 0; level.length; depth++) {
    if (depth > MOST_DEEP) throw new Complaint(TOO_DEEP);
    level = level.flatMap(elementsOf);
  }
  return tree;
}

const TOO_DEEP = 'This page nests deeper than can be read: paste its words instead.';

function treeOf(html: string): Root {
  try {
    return fromHtml(html, { fragment: !/<(?:html|body)[\s>]/i.test(html.slice(0, 20_000)) });
  } catch (cause) {
    // The parser itself recurses.
    if (cause instanceof RangeError) throw new Complaint(TOO_DEEP);
    throw cause;
  }
}

/** The elements directly in a node. */
export const elementsOf = (parent: Parent): Element[] => (parent.children as ElementContent[]).filter(isElement);

export const isElement = (node: RootContent | Root): node is Element => node.type === 'element';

/** The first element that fits, in document order. */
export function find(parent: Parent, fits: (node: Element) => boolean): Element | undefined {
  for (const child of parent.children) {
    if (!isElement(child)) continue;
    const hit = fits(child) ? child : find(child, fits);
    if (hit) return hit;
  }
  return undefined;
}

/** Every element that fits, in document order. */
export function findAll(parent: Parent, fits: (node: Element) => boolean): Element[] {
  return elementsOf(parent).flatMap((child): Element[] => [...(fits(child) ? [child] : []), ...findAll(child, fits)]);
}

/** Gives each element, the innermost first, to `change`: what it returns stands in its place. */
export function rewrite(parent: Parent, change: (node: Element) => ElementContent[]): void {
  parent.children = (parent.children as ElementContent[]).flatMap((child) => {
    if (!isElement(child)) return [child];
    rewrite(child, change);
    return change(child);
  });
}

/** The class and id of an element as one string. */
export const namesOf = ({ properties }: Element): string => [properties.className ?? [], properties.id ?? ''].flat().join(' ');

/** The style attribute of an element. */
export const styleOf = ({ properties }: Element): string => (typeof properties.style === 'string' ? properties.style : '');
