import { toString } from 'hast-util-to-string';
import { element } from '../post/element.ts';
import { elementsOf, find, isElement, namesOf, rewrite, styleOf, type Element, type ElementContent, type Parent } from './hast.ts';

const BLOCK = /^(?:p|div|h[1-6]|ul|ol|li|table|blockquote|pre|figure|section|article)$/;

/**
 * Makes clean structure of what office programs and web editors put into HTML, in place: lists that are paragraphs
 * with a bullet typed before them, bold and italic that are styles, headings that are classes, paragraphs that
 * hold nothing, links that only lead around inside the document, tables that are layout.
 */
export function cleanOffice(tree: Parent): void {
  rewrite(tree, (node) =>
    CLEANERS.reduce<ElementContent[]>((nodes, clean) => nodes.flatMap((n) => (isElement(n) ? clean(n) : [n])), [node]),
  );
  gatherLists(tree);
}

type Cleaner = (node: Element) => ElementContent[];

const headingClass: Cleaner = (node) => {
  const level = /\bMso(?:Title|Heading([1-6])?)\b/.exec(namesOf(node)) ?? /mso-outline-level:\s*([1-6])/.exec(styleOf(node));
  return node.tagName === 'p' && level && toString(node).trim() ? [{ ...node, tagName: `h${level[1] ?? 1}` }] : [node];
};

/** Bold and italic written as styles become marks; a mark whose style takes it back loses it. */
const styledWords: Cleaner = (node) => {
  const style = styleOf(node);
  const bold = /font-weight:\s*(?:bold|[6-9]00)/i.test(style);
  const light = /font-weight:\s*(?:normal|[1-4]00)/i.test(style);
  const italic = /font-style:\s*italic/i.test(style);
  if ((node.tagName === 'b' || node.tagName === 'strong') && light) return node.children;
  if (node.tagName !== 'span' && node.tagName !== 'font') return [node];
  let children = node.children;
  if (!find(node, (child) => BLOCK.test(child.tagName))) {
    if (italic) children = [element('em', children)];
    if (bold) children = [element('strong', children)];
  }
  return children;
};

const emptyBlock: Cleaner = (node) =>
  /^(?:p|h[1-6]|li|div|blockquote|b|i|strong|em|u)$/.test(node.tagName) &&
  !toString(node).replace(/[\s\u00A0\u200B\uFEFF]/g, '') &&
  !find(node, (child) => ['img', 'hr', 'br', 'table'].includes(child.tagName))
    ? toString(node) && !BLOCK.test(node.tagName)
      ? [{ type: 'text', value: ' ' }]
      : []
    : [node];

/** Two line breaks in a row end a paragraph. */
const brokenParagraph: Cleaner = (node) => {
  if (node.tagName !== 'p' && node.tagName !== 'div') return [node];
  const parts: ElementContent[][] = [[]];
  node.children.forEach((child, i) => {
    const next = node.children.slice(i + 1).find((n) => n.type !== 'text' || n.value.trim());
    const isBreak = isElement(child) && child.tagName === 'br';
    if (isBreak && (!parts.at(-1)!.length || !next)) return;
    if (isBreak && next && isElement(next) && next.tagName === 'br') parts.push([]);
    else parts.at(-1)!.push(child);
  });
  return parts.length === 1 ? [{ ...node, children: parts[0]! }] : parts.filter((p) => p.length).map((p) => element('p', p));
};

/** A link to a place inside its own document leads nowhere on the page: its words stay, an arrow back goes. */
const innerLink: Cleaner = (node) => {
  if (node.tagName !== 'a') return [node];
  const href = String(node.properties.href ?? '');
  if (href && !href.startsWith('#')) return [node];
  return /^[↑↩^\s\uFE0E]*$/.test(toString(node)) ? [] : node.children;
};

const layoutTable: Cleaner = (node) => {
  if (node.tagName !== 'table') return [node];
  const captions = elementsOf(node).filter((child) => child.tagName === 'caption');
  const cells: Element[] = [];
  const rows: number[] = [];
  const walk = (parent: Element) => {
    for (const child of elementsOf(parent)) {
      if (child.tagName === 'td' || child.tagName === 'th') cells.push(child);
      else walk(child);
      if (child.tagName === 'tr') rows.push(elementsOf(child).length);
    }
  };
  walk(node);
  const isLayout = Math.max(0, ...rows) < 2 || cells.some((cell) => find(cell, (n) => /^(?:img|h[1-6]|table)$/.test(n.tagName)));
  if (isLayout) return [...captions, ...cells].map((part) => element('div', part.children));
  for (const cell of cells) cell.children = inOneLine(cell.children);
  // The first row of a table is its head, whether its program said so or not.
  const head = find(node, (n) => n.tagName === 'tr');
  if (!find(node, (n) => n.tagName === 'th')) for (const cell of elementsOf(head!)) cell.tagName = 'th';
  return [node];
};

// A cell of the post is a line of words: its blocks follow one another with a space between.
function inOneLine(children: ElementContent[]): ElementContent[] {
  return children.flatMap((child): ElementContent[] => {
    if (!isElement(child)) return [child];
    if (child.tagName === 'br') return [{ type: 'text', value: ' ' }];
    if (BLOCK.test(child.tagName)) return [...inOneLine(child.children), { type: 'text', value: ' ' }];
    return [{ ...child, children: inOneLine(child.children) }];
  });
}

const CLEANERS: readonly Cleaner[] = [headingClass, styledWords, emptyBlock, brokenParagraph, innerLink, layoutTable];

// A bullet or a number as it is typed: the mark, then space.
const BULLET = /^[\s\u00A0]*(?:[•·▪◦‣∙●○■□–*\u00B7\uF0B7\u00A7o-])[\s\u00A0]+/;
const NUMBER = /^[\s\u00A0]*\(?(\d{1,3})[.)][\s\u00A0]+/;

type Item = { ordered: boolean; number: number; level: number; children: ElementContent[] };

/**
 * Paragraphs that are list items become lists: those an office program says are, and two or more in a row whose
 * typed numbers count on or whose typed bullets agree.
 */
function gatherLists(parent: Parent): void {
  const children = parent.children as ElementContent[];
  const next: ElementContent[] = [];
  let run: { node: Element; item: Item }[] = [];
  const flush = () => {
    if (run.length > 1 || (run[0] && isOfficeItem(run[0].node))) next.push(...listOf(run.map((r) => r.item)));
    else next.push(...run.map((r) => r.node));
    run = [];
  };
  for (const child of children) {
    if (!isElement(child)) {
      if (child.type === 'text' && !child.value.trim()) continue;
      flush();
      next.push(child);
      continue;
    }
    const item = child.tagName === 'p' ? itemOf(child) : null;
    if (item && countsOn(run.at(-1)?.item, item)) {
      run.push({ node: child, item });
      continue;
    }
    flush();
    if (item && (!item.ordered || item.number === 1 || isOfficeItem(child))) run.push({ node: child, item });
    else {
      gatherLists(child);
      next.push(child);
    }
  }
  flush();
  if (next.some((n, i) => n !== children[i]) || next.length !== children.length) {
    // White space between inline words is theirs.
    if (children.some((c) => isElement(c) && BLOCK.test(c.tagName))) parent.children = next;
  }
}

const isOfficeItem = (node: Element) => /\bMsoListParagraph/.test(namesOf(node)) || /mso-list:\s*l\d/.test(styleOf(node));

const countsOn = (before: Item | undefined, item: Item): boolean =>
  !!before && (item.level !== before.level || (item.ordered === before.ordered && (!item.ordered || item.number === before.number + 1)));

function itemOf(node: Element): Item | null {
  const text = toString(node);
  const number = NUMBER.exec(text);
  const mark = number ?? BULLET.exec(text);
  if (!mark || (mark[0].trim() === 'o' && !isOfficeItem(node))) return null;
  const level = Number(/mso-list:\s*l\d+\s+level(\d)/.exec(styleOf(node))?.[1] ?? 1);
  return { ordered: !!number, number: number ? Number(number[1]) : 0, level, children: without(node.children, mark[0].length) };
}

/** Inline content without its first letters. */
function without(children: ElementContent[], letters: number): ElementContent[] {
  const kept: ElementContent[] = [];
  for (const child of children) {
    const length = child.type === 'text' ? child.value.length : isElement(child) ? toString(child).length : 0;
    if (letters <= 0) kept.push(child);
    else if (child.type === 'text' && length > letters) kept.push({ ...child, value: child.value.slice(letters) });
    else if (isElement(child) && length > letters) kept.push({ ...child, children: without(child.children, letters) });
    letters -= length;
  }
  return kept;
}

function listOf(items: Item[]): Element[] {
  const [first] = items;
  if (!first) return [];
  const list = element(first.ordered ? 'ol' : 'ul', [], first.ordered && first.number !== 1 ? { start: first.number } : {});
  for (let i = 0; i < items.length;) {
    const item = items[i]!;
    let end = i + 1;
    while (end < items.length && items[end]!.level > first.level) end++;
    list.children.push(element('li', [element('p', item.children), ...listOf(items.slice(i + 1, end))]));
    i = end;
  }
  return [list];
}
