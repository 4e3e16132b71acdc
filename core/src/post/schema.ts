import { Schema, type Mark, type Node as PostNode, type NodeSpec } from 'prosemirror-model';
import { showTime } from '../language/times.ts';
import { isSafeAddress } from './address.ts';

export type { Mark, PostNode };

/** The tie from a block to a run of passages of one source; `startMs` is the time of the first, if it has one. */
export type Origin = { source: string; first: number; last: number; startMs?: number };

const text = (value: unknown, name: string) => {
  if (typeof value !== 'string') throw new RangeError(`${name} must be text`);
};

const address = (value: unknown) => {
  text(value, 'an address');
  if (!isSafeAddress(value as string)) throw new RangeError('an address must be a web, mail or local one');
};

const origins = (value: unknown) => {
  const fits =
    Array.isArray(value) &&
    value.every(
      (o: Partial<Origin>) =>
        typeof o?.source === 'string' &&
        Number.isInteger(o.first) &&
        Number.isInteger(o.last) &&
        (o.startMs === undefined || Number.isFinite(o.startMs)),
    );
  if (!fits) throw new RangeError('origins must be a list of ties to passages');
};

/** Every block has an id that stays with it through edits, moves and saves; empty until it is given one. */
const ID = { id: { default: '', validate: 'string' } };
/** Blocks made of words also carry their origin marks. */
const WORDS = { ...ID, origins: { default: [], validate: origins } };

/** Which standing part of the post a block was made for, so that it can be made anew. */
const PART = { part: { default: '', validate: 'string' } };

/** An address, or none. */
const addressOrNone = (value: unknown) => {
  if (value !== '') address(value);
};

function readPicture(json: string): { src: string; alt: string; caption: string; href: string } | false {
  try {
    const { src, alt, caption, href = '' } = JSON.parse(json) as Record<string, unknown>;
    address(src);
    addressOrNone(href);
    return { src: src as string, alt: String(alt ?? ''), caption: String(caption ?? ''), href: href as string };
  } catch {
    return false;
  }
}

const blockAttrs = (dom: HTMLElementLike) => ({
  id: dom.getAttribute('data-id') ?? '',
  origins: readOrigins(dom.getAttribute('data-origins')),
});

// What parse rules read from an element; the core does not know the DOM library.
type HTMLElementLike = { getAttribute(name: string): string | null };

function readOrigins(json: string | null): Origin[] {
  try {
    const value: unknown = JSON.parse(json ?? '[]');
    origins(value);
    return value as Origin[];
  } catch {
    return [];
  }
}

/** What stands in the margin beside a block: the time of its first passage, its number, or that it is the writer's own. */
export function originLabel(origins: readonly Origin[]): string {
  const [origin] = origins;
  if (!origin) return 'own';
  return origin.startMs === undefined ? `¶ ${origin.first + 1}` : showTime(origin.startMs);
}

const wordsDOM = (node: PostNode) => ({
  'data-id': node.attrs.id as string,
  'data-mark': originLabel(node.attrs.origins as Origin[]),
  ...(node.attrs.origins.length ? { 'data-origins': JSON.stringify(node.attrs.origins) } : {}),
});

const cell = (tag: 'th' | 'td', tableRole: string): NodeSpec => ({
  content: 'inline*',
  tableRole,
  isolating: true,
  // A cell of the post never spans another; the table plugin asks for the figures all the same.
  attrs: { ...WORDS, colspan: { default: 1 }, rowspan: { default: 1 }, colwidth: { default: null } },
  parseDOM: [{ tag, getAttrs: blockAttrs }],
  toDOM: (node) => [tag, wordsDOM(node), 0],
});

const nodes = {
  doc: { content: 'block+' },
  paragraph: {
    group: 'block',
    content: 'inline*',
    attrs: { ...WORDS, ...PART },
    parseDOM: [{ tag: 'p', getAttrs: (dom: HTMLElementLike) => ({ part: dom.getAttribute('data-part') ?? '', ...blockAttrs(dom) }) }],
    toDOM: (node) => ['p', { ...wordsDOM(node), ...(node.attrs.part && { 'data-part': node.attrs.part as string }) }, 0],
  },
  heading: {
    group: 'block',
    content: 'inline*',
    // What the writer wants of the section below: a note, and a length in words; 0 when none is said.
    attrs: {
      ...WORDS,
      ...PART,
      level: { default: 2, validate: 'number' },
      note: { default: '', validate: 'string' },
      target: { default: 0, validate: 'number' },
    },
    defining: true,
    parseDOM: [1, 2, 3, 4, 5, 6].map((level) => ({
      tag: `h${level}`,
      getAttrs: (dom: HTMLElementLike) => ({
        level,
        note: dom.getAttribute('data-note') ?? '',
        target: Math.max(0, Number(dom.getAttribute('data-target')) || 0),
        ...blockAttrs(dom),
      }),
    })),
    toDOM: (node) => {
      const { level, note, target } = node.attrs as { level: number; note: string; target: number };
      return [`h${level}`, { ...wordsDOM(node), ...(note && { 'data-note': note }), ...(target && { 'data-target': target }) }, 0];
    },
  },
  // A quotation may end with who said it.
  blockquote: {
    group: 'block',
    content: 'block+ author?',
    attrs: ID,
    defining: true,
    parseDOM: [{ tag: 'blockquote' }],
    toDOM: () => ['blockquote', 0],
  },
  author: {
    content: 'inline*',
    defining: true,
    parseDOM: [{ tag: 'footer', context: 'blockquote/' }],
    toDOM: () => ['footer', 0],
  },
  // What stands beside the run of the text: a note in a box, and words of the text itself set large.
  note: {
    group: 'block',
    content: 'block+',
    attrs: ID,
    defining: true,
    parseDOM: [{ tag: 'aside' }],
    toDOM: () => ['aside', 0],
  },
  pullQuote: {
    group: 'block',
    content: 'inline*',
    attrs: WORDS,
    defining: true,
    parseDOM: [{ tag: 'aside[data-pull]', priority: 60, getAttrs: blockAttrs }],
    toDOM: (node) => ['aside', { 'data-pull': '', ...wordsDOM(node) }, 0],
  },
  bulletList: {
    group: 'block',
    content: 'listItem+',
    attrs: ID,
    parseDOM: [{ tag: 'ul' }],
    toDOM: () => ['ul', 0],
  },
  orderedList: {
    group: 'block',
    content: 'listItem+',
    attrs: { ...ID, start: { default: 1, validate: 'number' } },
    parseDOM: [
      {
        tag: 'ol',
        getAttrs: (dom: HTMLElementLike) => ({ start: Number(dom.getAttribute('start') ?? 1) || 1 }),
      },
    ],
    toDOM: (node) => ['ol', node.attrs.start === 1 ? {} : { start: node.attrs.start as number }, 0],
  },
  listItem: { content: 'block+', defining: true, parseDOM: [{ tag: 'li' }], toDOM: () => ['li', 0] },
  codeBlock: {
    group: 'block',
    content: 'text*',
    marks: '',
    code: true,
    defining: true,
    attrs: { ...ID, language: { default: '', validate: 'string' } },
    parseDOM: [{ tag: 'pre', preserveWhitespace: 'full' }],
    toDOM: () => ['pre', ['code', 0]],
  },
  rule: { group: 'block', attrs: ID, parseDOM: [{ tag: 'hr' }], toDOM: () => ['hr'] },
  picture: {
    group: 'block',
    draggable: true,
    attrs: {
      ...ID,
      src: { validate: address },
      alt: { default: '', validate: 'string' },
      caption: { default: '', validate: 'string' },
      // Where a click on it leads.
      href: { default: '', validate: addressOrNone },
    },
    parseDOM: [
      {
        tag: 'figure[data-picture]',
        getAttrs: (dom: HTMLElementLike) => readPicture(dom.getAttribute('data-picture')!),
      },
    ],
    toDOM: ({ attrs }) => [
      'figure',
      { 'data-id': attrs.id as string, 'data-picture': JSON.stringify(attrs) },
      ['img', { src: attrs.src as string, alt: attrs.alt as string }],
      ...(attrs.caption ? [['figcaption', attrs.caption as string] as const] : []),
    ],
  },
  // A table is rows of cells that hold words; its first row is its head. The roles are those prosemirror-tables reads.
  table: {
    group: 'block',
    content: 'tableRow+',
    tableRole: 'table',
    isolating: true,
    attrs: ID,
    parseDOM: [{ tag: 'table' }],
    toDOM: (node) => ['table', { 'data-id': node.attrs.id as string }, ['tbody', 0]],
  },
  tableRow: { content: '(tableHeader | tableCell)+', tableRole: 'row', parseDOM: [{ tag: 'tr' }], toDOM: () => ['tr', 0] },
  tableHeader: cell('th', 'header_cell'),
  tableCell: cell('td', 'cell'),
  text: { group: 'inline' },
  hardBreak: { group: 'inline', inline: true, selectable: false, parseDOM: [{ tag: 'br' }], toDOM: () => ['br'] },
} satisfies Record<string, NodeSpec>;

/** The post: a flat run of blocks in which headings open sections. One schema for editor, server and files. */
export const schema = new Schema({
  nodes,
  marks: {
    link: {
      attrs: { href: { validate: address }, title: { default: '', validate: 'string' } },
      inclusive: false,
      parseDOM: [
        {
          tag: 'a[href]',
          getAttrs: (dom: HTMLElementLike) => {
            const href = dom.getAttribute('href')!;
            return isSafeAddress(href) && { href, title: dom.getAttribute('title') ?? '' };
          },
        },
      ],
      toDOM: (mark) => ['a', { href: mark.attrs.href as string, ...(mark.attrs.title ? { title: mark.attrs.title } : {}) }, 0],
    },
    emphasis: { parseDOM: [{ tag: 'em' }, { tag: 'i' }], toDOM: () => ['em', 0] },
    strong: {
      parseDOM: [{ tag: 'strong' }, { tag: 'b' }],
      toDOM: () => ['strong', 0],
    },
    strikethrough: { parseDOM: [{ tag: 'del' }, { tag: 's' }, { tag: 'strike' }], toDOM: () => ['del', 0] },
    highlight: { parseDOM: [{ tag: 'mark' }], toDOM: () => ['mark', 0] },
    code: { parseDOM: [{ tag: 'code' }], toDOM: () => ['code', 0] },
  },
});

/** A page with nothing on it yet. */
export function emptyDoc(): PostNode {
  return schema.nodes.doc.createAndFill()!;
}

/** Reads a post from its JSON and checks every attribute. Throws a RangeError when it is not a post. */
export function docFromJSON(json: unknown): PostNode {
  const doc = schema.nodeFromJSON(json);
  doc.check();
  return doc;
}
