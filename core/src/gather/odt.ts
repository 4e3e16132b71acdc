import { strFromU8 } from 'fflate';
import { unpack, pathsIn, type Entries } from './archive.ts';
import type { Format, GatheredPicture } from './format.ts';
import { isZip } from './raw.ts';
import { readRich } from './rich.ts';
import { descendants, elements, parseXml, textOf, type XmlElement } from './xml.ts';
import { STRUCTURE_OR_PLAIN } from './readings.ts';
import { escaped } from '../language/escaped.ts';

/** OpenDocument text (ISO/IEC 26300): headings by outline level, lists, tables, links, notes, pictures; annotations are left out. */
export const odt: Format = {
  kind: 'odt',
  label: 'document',
  extensions: ['odt'],
  readings: STRUCTURE_OR_PLAIN,
  fits: ({ bytes }) => {
    if (!isZip(bytes) || !pathsIn(bytes).includes('content.xml')) return false;
    const { mimetype } = unpack(bytes, (path) => path === 'mimetype');
    return !mimetype || strFromU8(mimetype).startsWith('application/vnd.oasis.opendocument.text');
  },
  read: ({ bytes }, reading) => {
    const entries = unpack(bytes);
    const content = parseXml(strFromU8(entries['content.xml']!));
    const shared = entries['styles.xml'] ? parseXml(strFromU8(entries['styles.xml'])) : null;
    const writer = new Writer(entries, [...(shared ? [shared] : []), content]);
    const [body] = descendants(content, 'text').filter((node) => elements(node, 'p').length || elements(node).length);
    const html = body ? writer.blocks(body) : '';
    return readRich('odt', html + writer.notes(), reading, { pictures: writer.pictures });
  },
};

type Style = { bold: boolean; italic: boolean; struck: boolean; parent?: string; name: string };

/** How a level of a list counts: with numbers, with bullets, or without a mark, and the first number. */
type Level = { kind: 'o' | 'u' | 'c'; start: number };

/** A list that is open: its style, how deep it lies, and the last number of each level. */
type OpenList = { style: string; depth: number; counts: number[] };

/** OpenDocument as HTML. */
class Writer {
  readonly pictures = new Map<string, GatheredPicture>();
  readonly #notes: string[] = [];
  readonly #styles = new Map<string, Style>();
  readonly #levels = new Map<string, Level>();
  // The last numbers of lists that others may go on from, by id and by style.
  readonly #counts = new Map<string, number[]>();

  constructor(
    readonly entries: Entries,
    documents: readonly XmlElement[],
  ) {
    for (const style of documents.flatMap((d) => descendants(d, 'style'))) {
      const [text] = elements(style, 'text-properties');
      this.#styles.set(style.attrs.name ?? '', {
        bold: /^(?:bold|[6-9]00)$/.test(text?.attrs['font-weight'] ?? ''),
        italic: text?.attrs['font-style'] === 'italic',
        struck: /^(?!none)/.test(text?.attrs['text-line-through-style'] ?? text?.attrs['text-line-through-type'] ?? 'none'),
        name: style.attrs['display-name'] ?? style.attrs.name ?? '',
        ...(style.attrs['parent-style-name'] ? { parent: style.attrs['parent-style-name'] } : {}),
      });
    }
    for (const list of documents.flatMap((d) => descendants(d, 'list-style')))
      for (const level of elements(list)) this.#levels.set(`${list.attrs.name} ${level.attrs.level}`, levelOf(level));
  }

  blocks(parent: XmlElement): string {
    return elements(parent)
      .map((node) => BLOCKS[node.name]?.(node, this) ?? this.blocks(node))
      .join('');
  }

  /**
   * A list, as paragraphs that say which item they are. One inside another has the style of the outer one unless it names its
   * own; one that goes on from another counts on (ODF 1.3, 19.780 and 19.781).
   */
  list(node: XmlElement, outer?: OpenList): string {
    const style = node.attrs['style-name'] ?? outer?.style ?? '';
    const goesOn = node.attrs['continue-list'] ?? (node.attrs['continue-numbering'] === 'true' ? style : '');
    const counts = outer?.counts ?? [...(this.#counts.get(goesOn) ?? [])];
    const open: OpenList = { style, depth: (outer?.depth ?? 0) + 1, counts };
    if (outer) counts.length = Math.min(counts.length, open.depth - 1);
    const html = elements(node)
      .filter((item) => item.name === 'list-item' || item.name === 'list-header')
      .map((item) => this.#item(item, open))
      .join('');
    for (const id of [node.attrs.id, style]) if (id && !outer) this.#counts.set(id, counts);
    return html;
  }

  #item(item: XmlElement, open: OpenList): string {
    const { style, depth, counts } = open;
    const { kind, start } = this.#levels.get(`${style} ${depth}`) ?? { kind: 'u', start: 1 };
    const given = Number(item.attrs['start-value'] ?? Number.NaN);
    if (kind !== 'c' && item.name === 'list-item')
      counts[depth - 1] = Number.isFinite(given) ? given : (counts[depth - 1] ?? start - 1) + 1;
    const list = style.replace(/[^\w]/g, '_') || 'list';
    let isFirst = true;
    return elements(item)
      .map((child) => {
        if (child.name === 'list') return this.list(child, open);
        if (child.name !== 'p') return this.block(child);
        const mark = isFirst && item.name === 'list-item' ? kind : 'c';
        isFirst = false;
        return `<p class="item-${mark}-${depth}-${counts[depth - 1] ?? 0}-${list}">${this.inline(child)}</p>`;
      })
      .join('');
  }

  block(node: XmlElement): string {
    return BLOCKS[node.name]?.(node, this) ?? this.blocks(node);
  }

  inline(parent: XmlElement): string {
    return parent.children
      .map((node) =>
        typeof node === 'string' ? escaped(node.replace(/\s+/g, ' ')) : (INLINE[node.name]?.(node, this) ?? this.inline(node)),
      )
      .join('');
  }

  styled(name: string | undefined, words: string): string {
    const { bold = false, italic = false, struck = false } = this.#styles.get(name ?? '') ?? {};
    if (!words.trim()) return words;
    const slanted = italic ? `<em>${words}</em>` : words;
    const through = struck ? `<del>${slanted}</del>` : slanted;
    return bold ? `<strong>${through}</strong>` : through;
  }

  /** The name under which a style is known, that of its nearest named ancestor. */
  role(name: string | undefined): string {
    for (let style = this.#styles.get(name ?? ''), depth = 0; style && depth < 10; depth++) {
      if (ROLES.test(style.name)) return style.name;
      style = this.#styles.get(style.parent ?? '');
    }
    return name ?? '';
  }

  note(words: string): string {
    this.#notes.push(words);
    return `[${this.#notes.length}]`;
  }

  notes(): string {
    return this.#notes.length ? `<ol>${this.#notes.map((n) => `<li>${n}</li>`).join('')}</ol>` : '';
  }

  picture(frame: XmlElement): string {
    const [image] = elements(frame, 'image');
    const path = (image?.attrs.href ?? '').replace(/^\.\//, '');
    const bytes = this.entries[path];
    if (!bytes) return this.blocks(frame);
    this.pictures.set(path, { name: path.split('/').at(-1)!, bytes });
    const alt = [...elements(frame, 'desc'), ...elements(frame, 'title')].map(textOf).find((t) => t.trim()) ?? '';
    return `<img src="${escaped(path)}" alt="${escaped(alt)}">`;
  }
}

function levelOf(level: XmlElement): Level {
  if (level.name === 'list-level-style-bullet') return { kind: (level.attrs['bullet-char'] ?? '•').trim() ? 'u' : 'c', start: 1 };
  const isBare = level.name !== 'list-level-style-number' || level.attrs['num-format'] === '';
  return { kind: level.name === 'list-level-style-image' ? 'u' : isBare ? 'c' : 'o', start: Number(level.attrs['start-value'] ?? 1) };
}

// Styles that say what a paragraph is, by the names programs give them.
const ROLES =
  /^(?:Title|Quotations|Quote|Block[ _](?:20_)?Text|Heading|Preformatted|Source[ _](?:20_)?Code|(?:\w+[ _](?:20_)?)?Caption|Illustration|FigureCaption|Figure$)/i;

/** The rows of a table itself, not those of tables inside its cells. */
const ownRows = (node: XmlElement): XmlElement[] =>
  elements(node).flatMap((child) =>
    child.name === 'table-row' ? [child] : /^table-(?:header-rows|rows|row-group)$/.test(child.name) ? ownRows(child) : [],
  );

// Of cells that repeat a page needs few: a sheet may repeat an empty one a thousand times.
const MOST_REPEATS = 20;
const repeats = (node: XmlElement, name: string): number => {
  const times = Number(node.attrs[name] ?? 1);
  return times > 1 && textOf(node).trim() ? Math.min(MOST_REPEATS, times) : Math.min(times, 3);
};

type Handler = (node: XmlElement, writer: Writer) => string;

const BLOCKS: Record<string, Handler> = {
  h: (node, w) => {
    const level = Math.min(6, Math.max(1, Number(node.attrs['outline-level'] ?? 1)));
    return `<h${level}>${w.inline(node)}</h${level}>`;
  },
  p: (node, w) => {
    const role = w.role(node.attrs['style-name']);
    const words = w.inline(node);
    if (/^Title/i.test(role)) return `<h1 class="title">${words}</h1>`;
    if (/^(?:Quot|Block)/i.test(role)) return `<blockquote><p>${words}</p></blockquote>`;
    if (/^(?:Preformatted|Source)/i.test(role)) return `<pre class="line">${words}\n</pre>`;
    if (/caption|^illustration|^figure/i.test(role)) return `<p class="caption">${words}</p>`;
    return `<p>${words}</p>`;
  },
  list: (node, w) => w.list(node),
  table: (node, w) => {
    const rows = ownRows(node).map((row) => {
      const cells = elements(row).filter((cell) => cell.name === 'table-cell' || cell.name === 'covered-table-cell');
      return `<tr>${cells.map((cell) => `<td>${w.blocks(cell)}</td>`.repeat(repeats(cell, 'number-columns-repeated'))).join('')}</tr>`.repeat(
        repeats(row, 'number-rows-repeated'),
      );
    });
    return `<table>${rows.join('')}</table>`;
  },
  'tracked-changes': () => '',
  'sequence-decls': () => '',
  'table-of-content': () => '',
  'illustration-index': () => '',
  'alphabetical-index': () => '',
  annotation: () => '',
  frame: (node, w) => `<p>${w.picture(node)}</p>`,
};

const INLINE: Record<string, Handler> = {
  span: (node, w) => w.styled(node.attrs['style-name'], w.inline(node)),
  a: (node, w) => `<a href="${escaped(node.attrs.href ?? '')}">${w.inline(node)}</a>`,
  s: (node) => ' '.repeat(Math.min(20, Number(node.attrs.c ?? 1))),
  tab: () => ' ',
  'line-break': () => '<br>',
  'soft-page-break': () => '',
  annotation: () => '',
  'annotation-end': () => '',
  frame: (node, w) => w.picture(node),
  note: (node, w) =>
    w.note(
      elements(node, 'note-body')
        .map((body) => w.blocks(body))
        .join(''),
    ),
};
