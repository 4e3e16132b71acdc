import { type Colour, colourOf, type Comfort, CONTENT, contrast, neededContrast, over } from '@even-page/core/theme';

type Spot = Comfort['wide'][number];
type Measured = Omit<Comfort, 'outlet' | 'wide'>;

// CSS 2.2, 10.8.1: a browser's own distance of lines is between 1.0 and 1.2.
const OWN_SPACING = 1.2;
const MOST_LETTERS = 40;

const contentIn = (doc: Document): Element => doc.querySelector(`.${CONTENT}`) ?? doc.body;
const styleOf = (element: Element): CSSStyleDeclaration => element.ownerDocument.defaultView!.getComputedStyle(element);

/**
 * Measures how comfortably a post reads as a browser shows it.
 * @param blocks the number of blocks of its page: they are its last ones
 */
export function measureComfort(doc: Document, blocks: number): Measured {
  const content = contentIn(doc);
  const paragraph = [...content.querySelectorAll(':scope > p')].find(({ textContent }) => textContent.trim()) ?? content;
  const { fontSize, lineHeight, color } = styleOf(paragraph);
  const size = parseFloat(fontSize);
  const ground = groundOf(paragraph);
  const colour = colourOf(color);
  const texts = [...content.querySelectorAll('*')].filter((element) =>
    [...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.nodeValue!.trim()),
  );
  const body = texts.filter((element) => element.matches('p, li, td, th, blockquote'));
  return {
    size,
    spacing: lineHeight === 'normal' ? OWN_SPACING : parseFloat(lineHeight) / size,
    contrast: colour && ground ? contrast(colour, ground) : 21,
    fonts: [...new Set(body.map((element) => styleOf(element).fontFamily.split(',')[0]!.replace(/["']/g, '').trim()))],
    faint: faintIn(texts, content, blocks),
  };
}

/** The words that stand out too little, once for each colour. */
function faintIn(texts: readonly Element[], content: Element, blocks: number): Comfort['faint'] {
  const faint = new Map<string, Comfort['faint'][number]>();
  for (const element of texts) {
    const { color, fontSize, fontWeight } = styleOf(element);
    const [colour, ground] = [colourOf(color), groundOf(element)];
    if (!colour || !ground) continue;
    const needed = neededContrast(parseFloat(fontSize), Number(fontWeight));
    const found = contrast(colour, ground);
    const key = `${color} ${JSON.stringify(ground)}`;
    if (found < needed && !faint.has(key)) faint.set(key, { ...spotOf(element, content, blocks), contrast: found, needed });
  }
  return [...faint.values()];
}

/** The colour behind the words of an element; null where a picture may be. */
function groundOf(element: Element): Colour | null {
  const layers: Colour[] = [];
  for (let at: Element | null = element; at; at = at.parentElement) {
    const { backgroundColor, backgroundImage } = styleOf(at);
    if (backgroundImage !== 'none') return null;
    const layer = colourOf(backgroundColor);
    if (layer?.alpha) layers.push(layer);
    if (layer?.alpha === 1) break;
  }
  return layers.reduceRight<Colour>((ground, layer) => over(layer, ground), { red: 255, green: 255, blue: 255, alpha: 1 });
}

/** The blocks that stick out of the screen the document is shown on now. */
export function stickingOut(doc: Document, blocks: number): Spot[] {
  const { scrollWidth, clientWidth: screen } = doc.documentElement;
  if (scrollWidth <= screen + 1) return [];
  const content = contentIn(doc);
  const wide = [...content.children].filter((block) =>
    [block, ...block.querySelectorAll('*')].some((element) => rightOf(element) > screen + 1 && !isSlid(element, block)),
  );
  return wide.length
    ? wide.map((block) => ({ ...spotOf(block, content, blocks), screen }))
    : [{ block: null, words: 'What stands around the post', screen }];
}

const rightOf = (element: Element): number => {
  const { left, right } = element.getBoundingClientRect();
  // A word that does not break sticks out of its box.
  return styleOf(element).overflowX === 'visible' ? Math.max(right, left + element.scrollWidth) : right;
};

/** Whether something slides inside its own frame. */
function isSlid(element: Element, within: Element): boolean {
  for (let at = element.parentElement; at && within.contains(at); at = at.parentElement)
    if (styleOf(at).overflowX !== 'visible') return true;
  return false;
}

function spotOf(element: Element, content: Element, blocks: number): Omit<Spot, 'screen'> {
  const all = [...content.children];
  const n = all.findIndex((block) => block.contains(element)) - (all.length - blocks);
  const text = element.textContent.replace(/\s+/g, ' ').trim();
  const words = text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS).replace(/\s\S*$/, '')}…` : text;
  return { block: n >= 0 ? n : null, words };
}
