import { decoderFor } from './decode.ts';
import { beginsWith } from './raw.ts';
import type { Format, GatheredPicture } from './formats.ts';
import { readRich } from './rich.ts';

/** Rich Text Format (Microsoft, version 1.9.1): paragraphs, headings by outline level, lists, tables, links, pictures. */
export const rtf: Format = {
  kind: 'rtf',
  fits: ({ bytes }) => beginsWith(bytes, '{\\rtf'),
  read: ({ bytes }, reading) => {
    const reader = new Reader(bytes);
    return readRich('rtf', reader.html(), reading, {
      pictures: reader.pictures,
      ...(reader.title ? { details: { title: reader.title } } : {}),
    });
  },
};

/** What holds inside a group; a group that ends gives back what held before it. */
type State = {
  bold: boolean;
  italic: boolean;
  hidden: boolean;
  skip: boolean;
  into: 'body' | 'field' | 'picture' | 'title' | 'listtext' | 'style' | 'property' | 'value';
  unicodeSkip: number;
  link: boolean;
  note: boolean;
};

const START: State = { bold: false, italic: false, hidden: false, skip: false, into: 'body', unicodeSkip: 1, link: false, note: false };

// Groups that hold nothing to read.
const ASIDE = new Set(
  'fonttbl colortbl listtable listoverridetable rsidtbl generator themedata colorschememapping latentstyles datastore xmlnstbl header headerl headerr headerf footer footerl footerr footerf annotation atnid atnauthor nonshppict author operator keywords comment company doccomm bkmkstart bkmkend pgdsctbl filetbl revtbl objdata'.split(
    ' ',
  ),
);
const LETTERS: Record<string, string> = {
  lquote: '‘',
  rquote: '’',
  ldblquote: '“',
  rdblquote: '”',
  emdash: '—',
  endash: '–',
  bullet: '•',
  '~': '\u00A0',
  _: '-',
  '-': '',
};

const MOST_DEEP = 500;
const escape = (text: string) => text.replace(/[&<>]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;' })[c]!);

// Code pages that are called otherwise (RTF 1.9.1, \ansicpg; WHATWG Encoding Standard, names and labels).
const CODE_PAGES: Readonly<Record<string, string>> = {
  866: 'ibm866',
  874: 'windows-874',
  932: 'shift_jis',
  936: 'gbk',
  949: 'euc-kr',
  950: 'big5',
  10000: 'macintosh',
  65001: 'utf-8',
};

/** Reads RTF letter by letter into HTML. */
class Reader {
  readonly pictures = new Map<string, GatheredPicture>();
  title = '';
  readonly #text: string;
  readonly #decode: (byte: number) => string;
  // Whether a letter of two bytes waits for its second.
  #isHalf = false;
  #stack: State[] = [];
  #state = { ...START };
  #html = '';
  #line = '';
  #row: string[] | null = null;
  #outline = 9;
  #listed = '';
  #style = 0;
  #listLevel = 1;
  #levels = new Map<number, number>();
  #styleOutline: { number: number; level: number; name: string } = { number: 0, level: 9, name: '' };
  #field = '';
  #links: string[] = [];
  #hex = '';
  #pictureKind = '';
  #property = '';
  #alt = '';
  #rows: string[] = [];

  constructor(bytes: Uint8Array) {
    this.#text = Array.from(bytes, (byte) => String.fromCharCode(byte)).join('');
    const page = /\\ansicpg(\d+)/.exec(this.#text)?.[1] ?? '1252';
    const decode = decoderFor(CODE_PAGES[page] ?? `windows-${page}`);
    this.#decode = (byte) => {
      const letter = decode(Uint8Array.of(byte), true);
      this.#isHalf = !letter;
      return letter;
    };
  }

  html(): string {
    const token = /\\(?:'([0-9a-fA-F]{2})|([a-z]{1,32})(-?\d{1,10})? ?|([^a-z]))|([{}])|([\r\n]+)|([^\\{}\r\n]+)/gi;
    let skipLetters = 0;
    for (const m of this.#text.matchAll(token)) {
      const [, byte, word, figure, symbol, brace, , letters] = m;
      if (brace) this.#brace(brace);
      else if (byte !== undefined) skipLetters ? skipLetters-- : this.#say(this.#decode(Number.parseInt(byte, 16)));
      else if (word === 'u' && figure !== undefined) {
        this.#say(String.fromCharCode((Number(figure) + 65536) % 65536));
        skipLetters = this.#state.unicodeSkip;
      } else if (word) this.#word(word, figure === undefined ? null : Number(figure));
      else if (symbol === '*') this.#star();
      else if (symbol !== undefined)
        this.#say(
          LETTERS[symbol] ?? (/[\\{}]/.test(symbol) ? symbol : symbol === '\n' || symbol === '\r' ? (this.#endParagraph(), '') : ''),
        );
      else if (letters !== undefined) {
        const kept = letters.slice(skipLetters);
        skipLetters = Math.max(0, skipLetters - letters.length);
        // The second byte of a letter may look like one of its own.
        this.#say(this.#isHalf && kept ? this.#decode(kept.charCodeAt(0)) + kept.slice(1) : kept);
      }
    }
    this.#endParagraph();
    this.#endTable();
    return this.#html;
  }

  #brace(brace: string) {
    if (brace === '{') {
      if (this.#stack.length > MOST_DEEP) throw new RangeError('nested too deep');
      this.#stack.push({ ...this.#state });
      return;
    }
    const ended = this.#state;
    this.#state = this.#stack.pop() ?? { ...START };
    if (ended.into === 'picture' && this.#state.into !== 'picture') this.#endPicture();
    if (ended.into === 'style' && this.#state.into === 'style') this.#endStyle();
    if (ended.into === 'field' && this.#state.into !== 'field') this.#line += this.#openLink();
    if (ended.note && !this.#state.note) this.#line = `${this.#line.trimEnd()}]`;
    if (ended.link && !this.#state.link && this.#links.pop()) this.#line += '</a>';
  }

  // A group marked with a star may be passed over by who does not know it; those known are named here.
  #star() {
    if (!this.#state.skip) this.#state.skip = true;
  }

  #word(word: string, figure: number | null) {
    const on = figure !== 0;
    if (ASIDE.has(word)) this.#state.skip = true;
    const handle = WORDS[word];
    if (handle) handle.call(this, figure, on);
    else if (word in LETTERS) this.#say(LETTERS[word]!);
  }

  #say(words: string) {
    const { skip, into, hidden } = this.#state;
    if (into === 'property') this.#property += words;
    else if (into === 'value') {
      if (this.#property === 'wzDescription') this.#alt += words;
    } else if (into === 'picture') this.#hex += words.replace(/[^0-9a-f]/gi, '');
    else if (into === 'field') this.#field += words;
    else if (into === 'title') this.title += words;
    else if (into === 'listtext') this.#listed += words;
    else if (into === 'style') this.#styleOutline.name += words;
    else if (!skip && !hidden && words) {
      const { bold, italic } = this.#state;
      const marked = escape(words);
      const slanted = italic && words.trim() ? `<em>${marked}</em>` : marked;
      this.#line += bold && words.trim() ? `<strong>${slanted}</strong>` : slanted;
    }
  }

  #openLink(): string {
    const href = /HYPERLINK\s+(?:\\l\s+)?"([^"]*)"/.exec(this.#field)?.[1];
    this.#field = '';
    if (!href) return '';
    this.#links.push(href);
    return `<a href="${escape(href).replaceAll('"', '&quot;')}">`;
  }

  #endParagraph() {
    // A link ends with its paragraph at the latest.
    const line = this.#line + '</a>'.repeat(this.#links.length);
    this.#links = [];
    this.#line = '';
    const listed = this.#listed.trim();
    this.#listed = '';
    if (this.#row) {
      this.#row[this.#row.length - 1] += `${line} `;
      return;
    }
    this.#endTable();
    if (!line.replace(/<[^>]*>/g, '').trim() && !line.includes('<img')) return;
    const level = this.#outline < 6 ? this.#outline : (this.#levels.get(this.#style) ?? 9);
    if (level < 0) this.#html += `<h1 class="title">${line}</h1>`;
    else if (level < 6) this.#html += `<h${level + 1}>${line.replace(/<\/?strong>/g, '')}</h${level + 1}>`;
    else this.#html += `<p${listed ? ` style="mso-list:l0 level${this.#listLevel}"` : ''}>${listed ? `${escape(listed)} ` : ''}${line}</p>`;
  }

  #endTable() {
    if (this.#rows.length) this.#html += `<table>${this.#rows.join('')}</table>`;
    this.#rows = [];
  }

  #endPicture() {
    const bytes = Uint8Array.from(this.#hex.match(/../g) ?? [], (pair) => Number.parseInt(pair, 16));
    this.#hex = '';
    if (!bytes.length || !this.#pictureKind) return;
    const name = `picture-${this.pictures.size + 1}.${this.#pictureKind}`;
    this.pictures.set(name, { name, bytes });
    this.#line += `<img src="${name}" alt="${escape(this.#alt).replaceAll('"', '&quot;')}">`;
    this.#alt = '';
  }

  #endStyle() {
    const { number, level, name } = this.#styleOutline;
    if (/^\s*title\b/i.test(name)) this.#levels.set(number, -1);
    else if (level < 6) this.#levels.set(number, level);
    else {
      const heading = /^\s*heading ([1-6])\b/i.exec(name);
      if (heading) this.#levels.set(number, Number(heading[1]) - 1);
    }
    this.#styleOutline = { number: 0, level: 9, name: '' };
  }

  static readonly words: Record<string, (this: Reader, figure: number | null, on: boolean) => void> = {
    b(_, on) {
      this.#state.bold = on;
    },
    i(_, on) {
      this.#state.italic = on;
    },
    v(_, on) {
      this.#state.hidden = on;
    },
    plain() {
      Object.assign(this.#state, { bold: false, italic: false, hidden: false });
    },
    pard() {
      if (this.#state.into !== 'body' || this.#state.note) return;
      this.#outline = 9;
      this.#style = 0;
      this.#listLevel = 1;
      if (this.#row && this.#row.length === 1 && !this.#row[0]) this.#row = null;
    },
    par() {
      this.#endParagraph();
    },
    sect() {
      this.#endParagraph();
    },
    line() {
      this.#say('');
      if (!this.#state.skip) this.#line += '<br>';
    },
    tab() {
      this.#say(' ');
    },
    uc(figure) {
      this.#state.unicodeSkip = figure ?? 1;
    },
    outlinelevel(figure) {
      if (this.#state.into === 'style') this.#styleOutline.level = figure ?? 9;
      else this.#outline = figure ?? 9;
    },
    s(figure) {
      if (this.#state.into === 'style') this.#styleOutline.number = figure ?? 0;
      else this.#style = figure ?? 0;
    },
    stylesheet() {
      Object.assign(this.#state, { into: 'style', skip: false });
    },
    listtext() {
      this.#state.into = 'listtext';
    },
    pntext() {
      this.#state.into = 'listtext';
    },
    info() {
      this.#state.skip = true;
    },
    title() {
      if (this.#state.skip) this.#state.into = 'title';
    },
    fldinst() {
      Object.assign(this.#state, { into: 'field', skip: false });
    },
    fldrslt() {
      this.#state.link = this.#links.length > 0;
    },
    ilvl(figure) {
      this.#listLevel = (figure ?? 0) + 1;
    },
    shppict() {
      this.#state.skip = false;
    },
    footnote() {
      // A note stands in brackets where it was called for.
      Object.assign(this.#state, { note: true, skip: false });
      this.#line += ' [';
    },
    pict() {
      if (!this.#state.skip) this.#state.into = 'picture';
      this.#pictureKind = '';
    },
    sn() {
      this.#state.into = 'property';
      this.#property = '';
    },
    sv() {
      this.#state.into = 'value';
    },
    pngblip() {
      this.#pictureKind = 'png';
    },
    jpegblip() {
      this.#pictureKind = 'jpeg';
    },
    trowd() {
      this.#row ??= [''];
    },
    intbl() {
      this.#row ??= [''];
    },
    cell() {
      if (!this.#row) return;
      this.#row[this.#row.length - 1] += this.#line;
      this.#line = '';
      this.#row.push('');
    },
    row() {
      if (!this.#row) return;
      this.#rows.push(
        `<tr>${this.#row
          .slice(0, -1)
          .map((cell) => `<td>${cell.trim()}</td>`)
          .join('')}</tr>`,
      );
      this.#row = null;
    },
  };
}

const WORDS = Reader.words;
