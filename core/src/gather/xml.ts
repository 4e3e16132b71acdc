import { XMLParser } from 'fast-xml-parser';
import { Complaint } from '../complaint.ts';

/** An XML element: its name and its attributes without their prefixes, and what stands in it, in order. */
export type XmlElement = { name: string; attrs: Record<string, string>; children: (XmlElement | string)[] };

// No document people write nests so deep; the walkers below recurse.
const MOST_DEEP = 200;

type Ordered = Record<string, unknown>;

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  removeNSPrefix: true,
  trimValues: false,
  parseTagValue: false,
  parseAttributeValue: false,
  // Entities of XML and HTML, and numbers: a document may declare none of its own.
  processEntities: true,
  htmlEntities: true,
});

/**
 * Reads XML. Throws a Complaint when it is damaged, nests too deep, or declares entities, by which a small file
 * can unfold into a huge one.
 */
export function parseXml(text: string): XmlElement {
  if (/<!ENTITY/i.test(text))
    throw new Complaint('This file declares entities of its own, which is not safe to read: save it again without them.');
  let tree: Ordered[];
  try {
    tree = parser.parse(text.replace(/<!DOCTYPE[^[>]*(?:\[[^\]]*\])?[^>]*>/i, '')) as Ordered[];
  } catch {
    throw damaged();
  }
  const root = tree.map((node) => elementOf(node, 0)).find((node): node is XmlElement => node !== null && typeof node === 'object');
  if (!root) throw damaged();
  return root;
}

const damaged = () => new Complaint('This file is damaged and cannot be read: save it again where it was made, then bring it in.');

function elementOf(node: Ordered, depth: number): XmlElement | string | null {
  if (depth > MOST_DEEP) throw new Complaint('This file nests deeper than can be read: save it again where it was made.');
  if ('#text' in node) return String(node['#text']);
  const name = Object.keys(node).find((key) => key !== ':@')!;
  if (name.startsWith('?') || name.startsWith('#')) return null;
  const attrs = Object.fromEntries(
    Object.entries((node[':@'] ?? {}) as Record<string, unknown>).map(([key, value]) => [key, String(value)]),
  );
  const children = (node[name] as Ordered[]).map((child) => elementOf(child, depth + 1)).filter((child) => child !== null);
  return { name, attrs, children };
}

/** The elements directly in one, those of a name if it is given. */
export function elements(parent: XmlElement, name?: string): XmlElement[] {
  return parent.children.filter((c): c is XmlElement => typeof c === 'object' && (name === undefined || c.name === name));
}

/** Every element of a name below one, in document order. */
export function descendants(parent: XmlElement, name: string): XmlElement[] {
  return elements(parent).flatMap((child) => [...(child.name === name ? [child] : []), ...descendants(child, name)]);
}

/** The words in an element. */
export function textOf(node: XmlElement | string): string {
  return typeof node === 'string' ? node : node.children.map(textOf).join('');
}
