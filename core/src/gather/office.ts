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
  joinCode(tree);
  mendLists(tree);
  gatherLists(tree);
  joinCaptions(tree);
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
  const struck = /text-decoration(?:-line)?:[^;]*line-through/i.test(style);
  if ((node.tagName === 'b' || node.tagName === 'strong') && light) return node.children;
  if (node.tagName !== 'span' && node.tagName !== 'font') return [node];
  let children = node.children;
  if (!find(node, (child) => BLOCK.test(child.tagName))) {
    if (italic) children = [element('em', children)];
    if (struck) children = [element('del', children)];
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

/** Lines of code that are paragraphs of their own, as office programs write them, are one stretch of code. */
function joinCode(parent: Parent): void {
  const isLine = (node: ElementContent | undefined): node is Element =>
    !!node && isElement(node) && node.tagName === 'pre' && /\bline\b/.test(namesOf(node));
  const next: ElementContent[] = [];
  for (const child of parent.children as ElementContent[]) {
    const before = next.at(-1);
    if (isLine(child) && isLine(before)) before.children.push(...child.children);
    else next.push(child);
  }
  parent.children = next;
}

const isList = (node: ElementContent | undefined): node is Element => !!node && isElement(node) && /^[uo]l$/.test(node.tagName);
const startOf = (list: Element): number => Number(list.properties.start ?? 1);

/**
 * Lists that stand directly in lists go into the item before them, and those that follow one another at once are one: so some
 * programs write what is one list with others inside it.
 */
function mendLists(parent: Parent): void {
  const next: ElementContent[] = [];
  for (const child of parent.children as ElementContent[]) {
    if (isElement(child)) mendLists(child);
    const before = next.findLast((node) => node.type !== 'text' || node.value.trim());
    if (isList(child) && isList(before) && joins(before, child)) before.children.push(...child.children);
    else if (isList(child) && isList(parent as Element) && before && isElement(before) && before.tagName === 'li')
      before.children.push(child);
    // A list that holds nothing but another is that one, set in.
    else if (isList(child) && isList(before) && elementsOf(child).every((inner) => isList(inner)))
      lastItem(before)?.children.push(...child.children);
    else next.push(child);
  }
  parent.children = next;
}

const lastItem = (list: Element): Element | undefined => elementsOf(list).findLast((item) => item.tagName === 'li');

const joins = (before: Element, list: Element): boolean =>
  before.tagName === list.tagName &&
  elementsOf(list).every((item) => item.tagName === 'li') &&
  (list.tagName === 'ul' || startOf(list) === startOf(before) + elementsOf(before).length) &&
  !(list.tagName === 'ol' && startOf(list) === 1);

/** A list item as a paragraph says it; `list` is known where a program says so, and a `more` paragraph goes on with the item above. */
type Item = { ordered: boolean; more: boolean; number: number; level: number; list: string; blocks: Element[] };

// What stands between two items whose numbers count on belongs to the first; so many blocks at most.
const MOST_BETWEEN = 3;

/**
 * Paragraphs that are list items become lists: those an office program says are, and two or more in a row whose
 * typed numbers count on or whose typed bullets agree.
 */
function gatherLists(parent: Parent): void {
  const children = parent.children as ElementContent[];
  const next: ElementContent[] = [];
  let run: { nodes: Element[]; item: Item }[] = [];
  const flush = () => {
    if (run.length > 1 || (run[0] && isOfficeItem(run[0].nodes[0]!))) next.push(...listOf(run.map((r) => r.item)));
    else next.push(...run.flatMap((r) => r.nodes));
    run = [];
  };
  for (let at = 0; at < children.length; at++) {
    const child = children[at]!;
    if (!isElement(child)) {
      if (child.type === 'text' && !child.value.trim()) continue;
      flush();
      next.push(child);
      continue;
    }
    const item = child.tagName === 'p' ? itemOf(child) : null;
    const open = run.at(-1);
    if (item?.more && open) {
      open.item.blocks.push(...item.blocks);
      open.nodes.push(child);
      continue;
    }
    if (item && countsOn(open?.item, item)) {
      run.push({ nodes: [child], item });
      continue;
    }
    const between = open && !item ? untilNext(children, at, open.item) : [];
    if (between.length) {
      open!.item.blocks.push(...between);
      open!.nodes.push(...between);
      at = children.indexOf(between.at(-1)!);
      continue;
    }
    flush();
    if (item && !item.more && (!item.ordered || item.number === 1 || isOfficeItem(child))) run.push({ nodes: [child], item });
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

/** The blocks from a place up to the next item of the same list, when its number is the next; none otherwise. */
function untilNext(children: readonly ElementContent[], at: number, before: Item): Element[] {
  const found: Element[] = [];
  if (!before.ordered) return found;
  for (const child of children.slice(at)) {
    if (!isElement(child)) continue;
    const item = child.tagName === 'p' ? itemOf(child) : null;
    if (item)
      return item.ordered && item.list === before.list && item.level === before.level && item.number === before.number + 1 ? found : [];
    if (found.length === MOST_BETWEEN || /^h[1-6]$/.test(child.tagName)) return [];
    found.push(child);
  }
  return [];
}

// The class our own readers give to items: its kind, level, number and list.
const OWN_ITEM = /(?:^|\s)item-([ouc])-(\d+)-(\d+)-(\S+)/;

const isOfficeItem = (node: Element) =>
  OWN_ITEM.test(namesOf(node)) || /\bMsoListParagraph/.test(namesOf(node)) || /mso-list:\s*l\d/.test(styleOf(node));

const countsOn = (before: Item | undefined, item: Item): boolean =>
  !!before && (item.level !== before.level || (item.ordered === before.ordered && (!item.ordered || item.number === before.number + 1)));

function itemOf(node: Element): Item | null {
  const own = OWN_ITEM.exec(namesOf(node));
  if (own) {
    const [, kind, level, number, list] = own;
    return {
      ordered: kind === 'o',
      more: kind === 'c',
      number: Number(number),
      level: Number(level),
      list: list!,
      blocks: [element('p', node.children)],
    };
  }
  const text = toString(node);
  const number = NUMBER.exec(text);
  const mark = number ?? BULLET.exec(text);
  if (!mark || (mark[0].trim() === 'o' && !isOfficeItem(node))) return null;
  const level = Number(/mso-list:\s*l\d+\s+level(\d)/.exec(styleOf(node))?.[1] ?? 1);
  const blocks = [element('p', without(node.children, mark[0].length))];
  return { ordered: !!number, more: false, number: number ? Number(number[1]) : 0, level, list: '', blocks };
}

const CAPTION = /(?:^|[\s_-])(?:Mso)?caption(?:$|[\s_-])/i;

/** A picture and the paragraph behind it that is its caption become one figure; a caption that says what the picture says is left out. */
function joinCaptions(parent: Parent): void {
  const next: ElementContent[] = [];
  for (const child of parent.children as ElementContent[]) {
    const before = next.findLast((node) => node.type !== 'text' || node.value.trim());
    const isCaption = isElement(child) && child.tagName === 'p' && CAPTION.test(namesOf(child));
    const img =
      isCaption && before && isElement(before) && before.tagName === 'p' && !toString(before).trim() ? find(before, isImage) : undefined;
    if (!isCaption || !img) {
      if (isElement(child)) joinCaptions(child);
      next.push(child);
      continue;
    }
    const says = toString(child).trim();
    const isSaid =
      says.toLowerCase() ===
      String(img.properties.alt ?? '')
        .trim()
        .toLowerCase();
    next[next.indexOf(before!)] = element('figure', [
      ...(before as Element).children,
      ...(isSaid ? [] : [element('figcaption', child.children)]),
    ]);
  }
  parent.children = next;
}

const isImage = ({ tagName }: Element): boolean => tagName === 'img';

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
    list.children.push(element('li', [...item.blocks, ...listOf(items.slice(i + 1, end))]));
    i = end;
  }
  return [list];
}
