import { descendants, elements, type XmlElement } from './xml.ts';

/** How a level of a list counts: with numbers, with bullets, or not at all; and the first number. */
type Level = { kind: 'o' | 'u' | 'c'; start: number };

/** What word/numbering.xml says of a list: what it is made from, its levels, and the numbers it begins anew with. */
type Numbering = { base: string; levels: Map<number, Level>; restarts: Map<number, number> };

const PROPERTIES = /<w:pPr>((?:(?!<\/w:pPr>|<w:pPrChange)[^])*)/g;
const ITEM = 'EvenPageItem';

/**
 * The document with a style of our own in place of each paragraph's numbering, which says what kind of item it is, how deep it
 * lies, its number and its list (ECMA-376-1, 17.9); and how those styles are written as HTML. Headings that are numbered stay
 * headings.
 */
export function withItems(xml: string, numbering: XmlElement | null, styles: XmlElement | null, isHeading: (style: string) => boolean) {
  if (!numbering) return { xml, map: [] as string[] };
  const lists = readLists(numbering);
  const ofStyle = numberedStyles(styles);
  const counts = new Map<string, number[]>();
  const begun = new Set<string>();
  const names = new Set<string>();
  const written = xml.replace(PROPERTIES, (whole, inner: string) => {
    const style = /<w:pStyle w:val="([^"]*)"/.exec(inner)?.[1] ?? '';
    const own = /<w:numPr>([^]*?)<\/w:numPr>/.exec(inner)?.[1];
    const number = /<w:numId w:val="(\d+)"/.exec(own ?? '')?.[1] ?? ofStyle.get(style)?.number;
    const depth = Number(/<w:ilvl w:val="(\d+)"/.exec(own ?? '')?.[1] ?? ofStyle.get(style)?.depth ?? 0);
    const list = number === undefined ? undefined : lists.get(number);
    if (!list || number === '0' || isHeading(style)) return whole;
    const { kind, start } = list.levels.get(depth) ?? { kind: 'u', start: 1 };
    const count = counts.get(list.base) ?? [];
    counts.set(list.base, count);
    if (!begun.has(number!)) {
      begun.add(number!);
      for (const [level, from] of list.restarts) count[level] = from - 1;
    }
    if (kind !== 'c') {
      count.length = Math.min(count.length, depth + 1);
      count[depth] = (count[depth] ?? start - 1) + 1;
    }
    const name = `${ITEM}-${kind}-${depth + 1}-${Math.max(0, count[depth] ?? 0)}-${list.base}`;
    names.add(name);
    return `<w:pPr><w:pStyle w:val="${name}"/>${inner.replace(/<w:pStyle [^>]*\/>|<w:numPr>[^]*?<\/w:numPr>/g, '')}`;
  });
  return { xml: written, map: [...names].map((name) => `p.${name} => p.${name.replace(ITEM, 'item')}:fresh`) };
}

function readLists(numbering: XmlElement): Map<string, Numbering> {
  const bases = new Map(elements(numbering, 'abstractNum').map((base) => [base.attrs.abstractNumId ?? '', base]));
  const levelsOf = (base: XmlElement | undefined): Map<number, Level> =>
    new Map((base ? elements(base, 'lvl') : []).map((level) => [Number(level.attrs.ilvl), levelOf(level)]));
  return new Map(
    elements(numbering, 'num').map((num) => {
      const base = valueOf(num, 'abstractNumId') ?? '';
      const restarts = elements(num, 'lvlOverride').flatMap((level): [number, number][] => {
        const from = valueOf(level, 'startOverride');
        return from === undefined ? [] : [[Number(level.attrs.ilvl), Number(from)]];
      });
      return [num.attrs.numId ?? '', { base, levels: levelsOf(bases.get(base)), restarts: new Map(restarts) }];
    }),
  );
}

/** A level without a mark of its own goes on with the item above it. */
function levelOf(level: XmlElement): Level {
  const format = valueOf(level, 'numFmt') ?? 'decimal';
  const isBare = format === 'none' || !(valueOf(level, 'lvlText') ?? '•').trim();
  return { kind: isBare ? 'c' : format === 'bullet' ? 'u' : 'o', start: Number(valueOf(level, 'start') ?? 1) };
}

function numberedStyles(styles: XmlElement | null): Map<string, { number: string; depth: number }> {
  const found = new Map<string, { number: string; depth: number }>();
  for (const style of styles ? elements(styles, 'style') : []) {
    const [properties] = descendants(style, 'numPr');
    const number = properties && valueOf(properties, 'numId');
    if (number) found.set(style.attrs.styleId ?? '', { number, depth: Number(valueOf(properties, 'ilvl') ?? 0) });
  }
  return found;
}

const valueOf = (node: XmlElement, name: string): string | undefined => elements(node, name)[0]?.attrs.val;
