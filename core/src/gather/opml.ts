import { postFromMarkdown } from '../post/markdown.ts';
import { schema, type PostNode } from '../post/schema.ts';
import { draftOf, plainWords } from './draft.ts';
import type { Format } from './format.ts';
import { plainPassages } from './plain-text.ts';
import { elements, parseXml, textOf, type XmlElement } from './xml.ts';
import { STRUCTURE_OR_PLAIN } from './readings.ts';

const { nodes } = schema;

/** OPML 2.0 outlines: each outline that holds others is a heading, those without are points under it. */
export const opml: Format = {
  kind: 'opml',
  label: 'outline',
  extensions: ['opml'],
  readings: STRUCTURE_OR_PLAIN,
  fits: ({ text }) => /^\s*<(?:(?!<html)[^])*?<opml[\s>]|^\s*<opml[\s>]/i.test(text().slice(0, 4000)),
  read: ({ text }, reading) => {
    const root = parseXml(text());
    const [head, body] = ['head', 'body'].map((name) => elements(root, name)[0]);
    const title = head ? elements(head, 'title').map(textOf).join(' ').trim() : '';
    const content = blocks(body ? elements(body, 'outline') : [], 2);
    const doc = nodes.doc.create(null, content.length ? content : [nodes.paragraph.create()]);
    if (reading === 'plain') return { source: { kind: 'opml', passages: plainPassages(plainWords(doc)), ...(title ? { title } : {}) } };
    return draftOf('opml', doc, title ? { title } : {});
  },
};

// Deeper than headings go, an outline goes on as a list in a list.
const DEEPEST_HEADING = 4;

function blocks(outlines: readonly XmlElement[], level: number): PostNode[] {
  const found: PostNode[] = [];
  let points: XmlElement[] = [];
  const flush = () => {
    if (points.length) found.push(list(points));
    points = [];
  };
  // Among headings, one that holds nothing yet is a heading too.
  const areHeadings = level <= DEEPEST_HEADING && outlines.some((outline) => elements(outline, 'outline').length);
  for (const outline of outlines) {
    if (!areHeadings) {
      points.push(outline);
      continue;
    }
    flush();
    found.push(nodes.heading.create({ level }, wordsOf(outline)), ...noteOf(outline), ...blocks(elements(outline, 'outline'), level + 1));
  }
  flush();
  return found;
}

const list = (outlines: readonly XmlElement[]): PostNode =>
  nodes.bulletList.create(
    null,
    outlines.map((outline) => {
      const inner = elements(outline, 'outline');
      return nodes.listItem.create(null, [
        nodes.paragraph.create(null, wordsOf(outline)),
        ...noteOf(outline),
        ...(inner.length ? [list(inner)] : []),
      ]);
    }),
  );

/** The words of an outline; one that names an address is a link to it. */
function wordsOf({ attrs }: XmlElement): PostNode | null {
  const words = (attrs.text ?? attrs.title ?? '')
    .replace(/<[^>]*>/g, '')
    .replace(/\s+/g, ' ')
    .trim();
  if (!words) return null;
  const href = attrs.url ?? attrs.htmlUrl ?? attrs.xmlUrl ?? '';
  return schema.text(words, /^https?:/i.test(href) ? [schema.marks.link.create({ href })] : []);
}

// Many outliners keep a longer note beside the words, under this name: paragraphs, or lists typed by hand.
function noteOf({ attrs }: XmlElement): PostNode[] {
  const note = attrs._note ?? '';
  if (!note.trim()) return [];
  return postFromMarkdown(note).children.map((block) =>
    block.isTextblock || !/List$/.test(block.type.name)
      ? nodes.paragraph.create(null, block.textContent ? schema.text(block.textContent) : null)
      : block,
  );
}
