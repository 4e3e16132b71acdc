import { strFromU8 } from 'fflate';
import { unpack, pathsIn, type Entries } from './archive.ts';
import type { Format, GatheredPicture } from './formats.ts';
import { isZip } from './raw.ts';
import { readRich } from './rich.ts';
import { descendants, elements, parseXml, textOf, type XmlElement } from './xml.ts';

/** OpenDocument text (ISO/IEC 26300): headings by outline level, lists, tables, links, notes, pictures; annotations are left out. */
export const odt: Format = {
  kind: 'odt',
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

const escape = (text: string) => text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);

type Style = { bold: boolean; italic: boolean; parent?: string; name: string };

/** OpenDocument as HTML. */
class Writer {
  readonly pictures = new Map<string, GatheredPicture>();
  readonly #notes: string[] = [];
  readonly #styles = new Map<string, Style>();
  readonly #ordered = new Set<string>();

  constructor(
    readonly entries: Entries,
    documents: readonly XmlElement[],
  ) {
    for (const style of documents.flatMap((d) => descendants(d, 'style'))) {
      const [text] = elements(style, 'text-properties');
      this.#styles.set(style.attrs.name ?? '', {
        bold: /^(?:bold|[6-9]00)$/.test(text?.attrs['font-weight'] ?? ''),
        italic: text?.attrs['font-style'] === 'italic',
        name: style.attrs['display-name'] ?? style.attrs.name ?? '',
        ...(style.attrs['parent-style-name'] ? { parent: style.attrs['parent-style-name'] } : {}),
      });
    }
    for (const list of documents.flatMap((d) => descendants(d, 'list-style'))) {
      if (elements(list, 'list-level-style-number').some((l) => l.attrs.level === '1')) this.#ordered.add(list.attrs.name ?? '');
    }
  }

  blocks(parent: XmlElement): string {
    return elements(parent)
      .map((node) => BLOCKS[node.name]?.(node, this) ?? this.blocks(node))
      .join('');
  }

  /** A list; one inside another has the style of the outer one unless it names its own. */
  list(node: XmlElement, outer = ''): string {
    const style = node.attrs['style-name'] ?? outer;
    const tag = this.#ordered.has(style) ? 'ol' : 'ul';
    const items = elements(node)
      .filter((item) => item.name === 'list-item' || item.name === 'list-header')
      .map((item) => {
        const inner = elements(item).map((child) => (child.name === 'list' ? this.list(child, style) : this.block(child)));
        return `<li>${inner.join('')}</li>`;
      });
    return `<${tag}>${items.join('')}</${tag}>`;
  }

  block(node: XmlElement): string {
    return BLOCKS[node.name]?.(node, this) ?? this.blocks(node);
  }

  inline(parent: XmlElement): string {
    return parent.children
      .map((node) =>
        typeof node === 'string' ? escape(node.replace(/\s+/g, ' ')) : (INLINE[node.name]?.(node, this) ?? this.inline(node)),
      )
      .join('');
  }

  styled(name: string | undefined, words: string): string {
    const { bold, italic } = this.#look(name);
    const slanted = italic && words.trim() ? `<em>${words}</em>` : words;
    return bold && words.trim() ? `<strong>${slanted}</strong>` : slanted;
  }

  /** The name under which a style is known, that of its nearest named ancestor. */
  role(name: string | undefined): string {
    for (let style = this.#styles.get(name ?? ''), depth = 0; style && depth < 10; depth++) {
      if (/^(?:Title|Quotations|Heading|Preformatted)/i.test(style.name)) return style.name;
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
    return `<img src="${escape(path)}" alt="${escape(alt)}">`;
  }

  #look(name: string | undefined) {
    const style = this.#styles.get(name ?? '');
    return { bold: style?.bold ?? false, italic: style?.italic ?? false };
  }
}

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
    if (/^Quotations/i.test(role)) return `<blockquote><p>${words}</p></blockquote>`;
    return `<p>${words}</p>`;
  },
  list: (node, w) => w.list(node),
  table: (node, w) => {
    const rows = descendants(node, 'table-row').map((row) => {
      const cells = elements(row).filter((cell) => cell.name === 'table-cell' || cell.name === 'covered-table-cell');
      return `<tr>${cells.map((cell) => `<td>${w.blocks(cell)}</td>`).join('')}</tr>`;
    });
    return `<table>${rows.join('')}</table>`;
  },
  'tracked-changes': () => '',
  'sequence-decls': () => '',
  'table-of-content': () => '',
  annotation: () => '',
  frame: (node, w) => `<p>${w.picture(node)}</p>`,
};

const INLINE: Record<string, Handler> = {
  span: (node, w) => w.styled(node.attrs['style-name'], w.inline(node)),
  a: (node, w) => `<a href="${escape(node.attrs.href ?? '')}">${w.inline(node)}</a>`,
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
