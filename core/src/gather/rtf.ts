import { decoderFor } from './decode.ts';
import { beginsWith } from './raw.ts';
import type { Format, GatheredPicture } from './format.ts';
import { readRich } from './rich.ts';
import { STRUCTURE_OR_PLAIN } from './readings.ts';
import { escaped } from '../language/escaped.ts';

/** Rich Text Format (Microsoft, version 1.9.1): paragraphs, headings by outline level, lists, tables, links, pictures. */
export const rtf: Format = {
  kind: 'rtf',
  label: 'document',
  extensions: ['rtf'],
  readings: STRUCTURE_OR_PLAIN,
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
  struck: boolean;
  hidden: boolean;
  skip: boolean;
  // Heads, feet and lists of things: nothing in them is read, whatever they hold.
  aside: boolean;
  into: 'body' | 'field' | 'picture' | 'title' | 'listtext' | 'style' | 'property' | 'value';
  unicodeSkip: number;
  link: boolean;
  note: boolean;
  box: boolean;
};

const START: State = {
  bold: false,
  italic: false,
  struck: false,
  hidden: false,
  skip: false,
  aside: false,
  into: 'body',
  unicodeSkip: 1,
  link: false,
  note: false,
  box: false,
};

// Words of styles that say what a paragraph is.
const QUOTATION = /^\s*(?:quot|block ?text|intense quote)/i;
const CAPTION = /^\s*(?:(?:\w+ ?)?caption|illustration)\b/i;
const CODE = /^\s*(?:source code|preformatted|html preformatted|plain text)\b/i;
const CONTENTS = /^\s*(?:toc \d|toc heading|contents (?:\d|heading))/i;

// A bullet or a number as it is typed at the head of a paragraph that hangs.
const TYPED = /^(?:([•·▪◦‣–—○■\uF0B7*-])|\(?(\d{1,3})[.)])(?:\s|&nbsp;|\u00A0)+/;
// A first paragraph so large, bold and in the middle is the title, in half points.
const TITLE_SIZE = 30;

// Groups that hold nothing to read.
const ASIDE = new Set(
  'fonttbl colortbl listtable listoverridetable rsidtbl generator themedata colorschememapping latentstyles datastore xmlnstbl header headerl headerr headerf footer footerl footerr footerf annotation atnid atnauthor nonshppict author operator keywords comment company doccomm bkmkstart bkmkend pgdsctbl filetbl revtbl objdata shprslt'.split(
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

const STYLE = { number: 0, level: 9, name: '', isOfLetters: false };

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
  // Whether a list says of the paragraph that it is an item, whether it is numbered, and the last number of each list.
  #isListed = false;
  #isNumbered = false;
  #start = 1;
  // Whether the last item had a number.
  #isCounting = false;
  #counts = new Map<number, number>();
  #style = 0;
  #level = 0;
  #list = 0;
  #indent = 0;
  #hanging = 0;
  #size = 24;
  #isCentred = false;
  // How far the items that are open are set in.
  #indents: number[] = [];
  #notes: string[] = [];
  #boxed = '';
  #host: string[] = [];
  #roles = new Map<number, string>();
  #levels = new Map<number, number>();
  #styleOutline = { ...STYLE };
  #field = '';
  #links: string[] = [];
  #hex = '';
  #pictureKind = '';
  #property = '';
  #alt = '';
  #rows: string[] = [];

  constructor(bytes: Uint8Array) {
    this.#text = withoutBinary(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));
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
    return this.#html + (this.#notes.length ? `<ol>${this.#notes.map((note) => `<li>${note.trim()}</li>`).join('')}</ol>` : '');
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
    if (ended.into === 'field' && this.#state.into !== 'field') this.#write(this.#openLink());
    if (ended.link && !this.#state.link && this.#links.pop()) this.#write('</a>');
    if (ended.box && !this.#state.box) {
      this.#endParagraph(true);
      this.#line = this.#host.pop() ?? '';
    }
  }

  // A group marked with a star may be passed over by who does not know it; those known are named here.
  #star() {
    if (!this.#state.skip) this.#state.skip = true;
  }

  #word(word: string, figure: number | null) {
    const on = figure !== 0;
    if (ASIDE.has(word)) this.#state.aside = true;
    const handle = WORDS[word];
    if (handle) handle.call(this, figure, on);
    else if (word in LETTERS) this.#say(LETTERS[word]!);
  }

  #say(words: string) {
    const { skip, aside, into, hidden } = this.#state;
    if (aside) return;
    if (into === 'property') this.#property += words;
    else if (into === 'value') {
      if (this.#property === 'wzDescription') this.#alt += words;
    } else if (into === 'picture') this.#hex += words.replace(/[^0-9a-f]/gi, '');
    else if (into === 'field') this.#field += words;
    else if (into === 'title') this.title += words;
    else if (into === 'listtext') this.#listed += words;
    else if (into === 'style') this.#styleOutline.name += words;
    else if (!skip && !hidden && words) {
      const { bold, italic, struck } = this.#state;
      const marked = escaped(words);
      const slanted = italic && words.trim() ? `<em>${marked}</em>` : marked;
      const through = struck && words.trim() ? `<del>${slanted}</del>` : slanted;
      this.#write(bold && words.trim() ? `<strong>${through}</strong>` : through);
    }
  }

  /** Puts words where they belong: into the note that is open, else into the line. */
  #write(html: string) {
    if (this.#state.note && this.#notes.length) this.#notes[this.#notes.length - 1] += html;
    else this.#line += html;
  }

  #openLink(): string {
    const href = /HYPERLINK\s+(?:\\l\s+)?"([^"]*)"/.exec(this.#field)?.[1];
    this.#field = '';
    if (!href) return '';
    this.#links.push(href);
    return `<a href="${escaped(href)}">`;
  }

  #endParagraph(isBox = this.#state.box) {
    // A link ends with its paragraph at the latest.
    const line = this.#line + '</a>'.repeat(this.#links.length);
    this.#links = [];
    this.#line = '';
    const listed = this.#listed.trim();
    this.#listed = '';
    const isListed = this.#isListed;
    this.#isListed = false;
    if (this.#row) {
      this.#row[this.#row.length - 1] += `${line} `;
      return;
    }
    this.#endTable();
    if (!line.replace(/<[^>]*>/g, '').trim() && !line.includes('<img')) return;
    const written = this.#paragraph(line, listed, isListed);
    if (isBox) this.#boxed += written;
    else {
      this.#html += written + this.#boxed;
      this.#boxed = '';
    }
  }

  /** A paragraph as HTML: a heading, an item, what its style says, or plain. */
  #paragraph(line: string, listed: string, isListed: boolean): string {
    const level = this.#outline < 6 ? this.#outline : (this.#levels.get(this.#style) ?? 9);
    const role = this.#roles.get(this.#style) ?? '';
    const isFirst = !this.#html && this.#isCentred && this.#size >= TITLE_SIZE && /^<strong>/.test(line);
    if (level < 0 || isFirst) return `<h1 class="title">${line.replace(/<\/?strong>/g, '')}</h1>`;
    if (level < 6) return `<h${level + 1}>${line.replace(/<\/?strong>/g, '')}</h${level + 1}>`;
    if (CONTENTS.test(role)) return '';
    if (QUOTATION.test(role)) return `<blockquote><p>${line}</p></blockquote>`;
    if (CODE.test(role)) return `<pre class="line">${line}\n</pre>`;
    if (CAPTION.test(role)) return `<p class="caption">${line}</p>`;
    const typed = this.#hanging < 0 && !listed ? TYPED.exec(line.replace(/^\s+/, '')) : null;
    // A list level without a mark goes on with the item above.
    const goesOn = isListed && !listed && !typed && !this.#isNumbered && this.#isCounting && this.#indents.at(-1) === this.#indent;
    const isItem = (listed || typed || isListed) && !goesOn;
    if (!isItem) {
      if (this.#indents.length && this.#indent > 0 && this.#indent >= this.#indents.at(-1)!)
        return `<p class="item-c-${this.#indents.length}-0-rtf">${line}</p>`;
      this.#indents = [];
      return `<p>${line}</p>`;
    }
    while (this.#indents.length && this.#indents.at(-1)! > this.#indent) this.#indents.pop();
    if (this.#indents.at(-1) !== this.#indent) this.#indents.push(this.#indent);
    const depth = Math.max(this.#level + 1, this.#indents.length);
    const counted = this.#isNumbered && !listed ? (this.#counts.get(this.#list) ?? this.#start - 1) + 1 : undefined;
    if (counted !== undefined) this.#counts.set(this.#list, counted);
    const number = typed ? typed[2] : (/^\(?(\d{1,3})[.)]?$/.exec(listed)?.[1] ?? counted);
    this.#isCounting = number !== undefined;
    const words = typed ? line.replace(/^\s+/, '').slice(typed[0].length) : line;
    return `<p class="item-${number ? 'o' : 'u'}-${depth}-${number ?? 0}-rtf${this.#list}">${words}</p>`;
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
    this.#line += `<img src="${name}" alt="${escaped(this.#alt)}">`;
    this.#alt = '';
  }

  #endStyle() {
    const { number, level, name, isOfLetters } = this.#styleOutline;
    this.#styleOutline = { ...STYLE };
    // A style for letters makes no paragraph a heading.
    if (isOfLetters) return;
    this.#roles.set(number, name);
    if (/^\s*title\b/i.test(name)) this.#levels.set(number, -1);
    else if (level < 6) this.#levels.set(number, level);
    else {
      const heading = /^\s*heading ([1-6])\b/i.exec(name);
      if (heading) this.#levels.set(number, Number(heading[1]) - 1);
    }
  }

  static readonly words: Record<string, (this: Reader, figure: number | null, on: boolean) => void> = {
    b(_, on) {
      this.#state.bold = on;
    },
    i(_, on) {
      this.#state.italic = on;
    },
    strike(_, on) {
      this.#state.struck = on;
    },
    v(_, on) {
      this.#state.hidden = on;
    },
    // Words taken out while changes were kept track of.
    deleted(_, on) {
      this.#state.hidden = on;
    },
    plain() {
      Object.assign(this.#state, { bold: false, italic: false, struck: false, hidden: false });
    },
    fs(figure) {
      this.#size = figure ?? 24;
    },
    qc() {
      this.#isCentred = true;
    },
    li(figure) {
      if (this.#state.into === 'body') this.#indent = figure ?? 0;
    },
    fi(figure) {
      if (this.#state.into === 'body') this.#hanging = figure ?? 0;
    },
    ls(figure) {
      this.#list = figure ?? 0;
    },
    cs() {
      if (this.#state.into === 'style') this.#styleOutline.isOfLetters = true;
    },
    pard() {
      if (this.#state.into !== 'body' || this.#state.note) return;
      this.#outline = 9;
      this.#style = 0;
      this.#level = 0;
      this.#list = 0;
      this.#indent = 0;
      this.#hanging = 0;
      this.#isCentred = false;
      if (this.#row && this.#row.length === 1 && !this.#row[0]) this.#row = null;
    },
    par() {
      if (this.#state.note) this.#write(' ');
      else this.#endParagraph();
    },
    sect() {
      this.#endParagraph();
    },
    line() {
      this.#say('');
      if (!this.#state.skip) this.#write('<br>');
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
      this.#isListed = true;
      this.#isNumbered = false;
    },
    pndec() {
      this.#isNumbered = true;
    },
    pnstart(figure) {
      this.#start = figure ?? 1;
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
      Object.assign(this.#state, { link: this.#links.length > 0, skip: false });
    },
    ilvl(figure) {
      if (this.#state.into === 'body') this.#level = figure ?? 0;
    },
    // The words of a box stand behind the paragraph it is tied to.
    shptxt() {
      Object.assign(this.#state, { box: true, skip: false, into: 'body' });
      this.#host.push(this.#line);
      this.#line = '';
    },
    shppict() {
      this.#state.skip = false;
    },
    footnote() {
      // A note stands at the end, under the number by which it was called.
      if (this.#state.note) return;
      this.#line = `${this.#line.trimEnd()}[${this.#notes.length + 1}]`;
      this.#notes.push('');
      Object.assign(this.#state, { note: true, skip: false, bold: false, italic: false });
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

/** RTF with the bytes of its pictures written as figures, as they mostly are (RTF 1.9.1, \\bin). */
function withoutBinary(text: string): string {
  const mark = /\\bin(\d+) ?/g;
  let written = '';
  let at = 0;
  for (let m = mark.exec(text); m; m = mark.exec(text)) {
    const end = Math.min(text.length, mark.lastIndex + Number(m[1]));
    written += text.slice(at, m.index);
    for (const byte of text.slice(mark.lastIndex, end)) written += byte.charCodeAt(0).toString(16).padStart(2, '0');
    mark.lastIndex = at = end;
  }
  return written + text.slice(at);
}
