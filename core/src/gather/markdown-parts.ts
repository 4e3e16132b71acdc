import type { FootnoteDefinition, FootnoteReference, Heading, Html, List, ListItem, Paragraph, Root, Table } from 'mdast';
import { raw } from 'hast-util-raw';
import { toHast } from 'mdast-util-to-hast';
import { SKIP, visit } from 'unist-util-visit';
import { isOwnTag } from '../post/paired-tags.ts';
import { postFromHast } from '../post/html.ts';
import { mdastToPost } from '../post/mdast-to-post.ts';
import type { PostNode } from '../post/schema.ts';

/**
 * A Markdown tree as a page: footnotes at its end under the numbers they are called by, headings without the names of their places, tasks with a box that says whether they
 * are done, and elements of HTML in it read as such: of those the page has no place for, the words.
 */
export function pageOfMarkdown(tree: Root): PostNode {
  numberNotes(tree);
  boxTasks(tree);
  withoutAnchors(tree);
  withHeads(tree);
  spellUnknown(tree);
  return hasHtml(tree) ? postFromHast(raw(toHast(tree, { allowDangerousHtml: true })) as never) : mdastToPost(tree);
}

function numberNotes(tree: Root): void {
  const called: string[] = [];
  visit(tree, 'footnoteReference', (node: FootnoteReference, at, parent) => {
    if (!called.includes(node.identifier)) called.push(node.identifier);
    parent!.children[at!] = { type: 'text', value: `[${called.indexOf(node.identifier) + 1}]` };
  });
  const notes = new Map<string, FootnoteDefinition>();
  visit(tree, 'footnoteDefinition', (node: FootnoteDefinition, at, parent) => {
    if (!notes.has(node.identifier)) notes.set(node.identifier, node);
    parent!.children.splice(at!, 1);
    return [SKIP, at!];
  });
  // A note nobody calls keeps its words, behind the others.
  const order = [...called, ...[...notes.keys()].filter((id) => !called.includes(id))];
  const items = order.flatMap((id): ListItem[] => {
    const note = notes.get(id);
    return note ? [{ type: 'listItem', spread: false, children: note.children }] : [];
  });
  if (items.length) tree.children.push({ type: 'list', ordered: true, start: 1, spread: false, children: items } satisfies List);
}

function boxTasks(tree: Root): void {
  visit(tree, 'listItem', (item: ListItem) => {
    if (typeof item.checked !== 'boolean') return;
    const first = item.children[0];
    const words: Paragraph = first?.type === 'paragraph' ? first : { type: 'paragraph', children: [] };
    if (words !== first) item.children.unshift(words);
    words.children.unshift({ type: 'text', value: item.checked ? '☑ ' : '☐ ' });
    item.checked = null;
  });
}

/** Takes away what some programs write behind a heading to name its place (`{#soaking}`; common practice, no source). */
function withoutAnchors(tree: Root): void {
  visit(tree, 'heading', (heading: Heading) => {
    const last = heading.children.at(-1);
    if (last?.type === 'text') last.value = last.value.replace(/\s*\{:?\s*[#.][^{}]*\}\s*$/, '');
  });
}

/** A table whose head is empty, as some programs must write one, has its first row as its head. */
function withHeads(tree: Root): void {
  visit(tree, 'table', (table: Table) => {
    if (table.children.length > 1 && table.children[0]!.children.every((cell) => !cell.children.length)) table.children.shift();
  });
}

// Elements that people write into Markdown, or that come from pages; what else stands between angle brackets is words.
const ELEMENTS = new Set(
  'a abbr address article aside audio b base big blockquote body br button caption center cite code col colgroup dd del details dfn div dl dt em embed fieldset figcaption figure font footer form frame frameset h1 h2 h3 h4 h5 h6 head header hgroup hr html i iframe img input ins kbd label legend li link main map mark math menu meta meter nav noscript object ol optgroup option output p param picture pre progress q rp rt ruby s samp script section select small source span strike strong style sub summary sup svg table tbody td template textarea tfoot th thead time title tr track tt u ul var video wbr'.split(
    ' ',
  ),
);

/** Whether every tag of a stretch of markup is one of HTML. */
const isHtml = (markup: string): boolean =>
  [...markup.matchAll(/<\/?([a-z][\w-]*)/gi)].every(([, name]) => ELEMENTS.has(name!.toLowerCase()));

/** What only looks like an element (`<your name>`) is words. */
function spellUnknown(tree: Root): void {
  visit(tree, 'html', ({ value }: Html, at, parent) => {
    if (/^<[!?]/.test(value.trim()) || isHtml(value)) return;
    const words = { type: 'text' as const, value };
    // Between blocks it is a paragraph.
    const isInline = /^(?:paragraph|heading|emphasis|strong|delete|link|tableCell)$/.test(parent!.type);
    parent!.children[at!] = isInline ? words : { type: 'paragraph', children: [words] };
  });
}

/** Whether a tree holds elements of HTML besides those a post is written with, pictures and comments. */
function hasHtml(tree: Root): boolean {
  let found = false;
  visit(tree, 'html', ({ value }: Html) => {
    const markup = value.trim();
    found ||= !isOwnTag(markup) && !/^<!--[^]*-->$/.test(markup) && !/^<(?:img|br)\b[^<>]*>$/i.test(markup);
  });
  return found;
}
