import { toString } from 'hast-util-to-string';
import type { Details } from '../post/details.ts';
import type { PostNode } from '../post/schema.ts';
import { dayAt } from '../language/days.ts';
import { storable } from '../language/storable.ts';
import { wordCount } from '../language/words.ts';
import { decode } from './decode.ts';
import { mainIn, wordsIn } from './html.ts';
import { readTree } from './rich.ts';
import { elementsOf, find, findAll, isElement, namesOf, parseHtml, type Element, type Parent, type Root } from './hast.ts';

/** A page of the web: its main text as a post, and what the page around it says of itself. */
export type WebPage = {
  doc: PostNode;
  details: Partial<Details>;
  /** Its words, and those of its main text among them. */
  words: number;
  mainWords: number;
  /** The day it was written or last changed, as it states it: YYYY-MM-DD. */
  date: string | null;
  /** What it says it is, in lower case: the types of its data (schema.org) and of its share card. */
  types: readonly string[];
  /** How many contributions of readers stand on it with how many words, how many prices, and how many things to put in a basket. */
  posts: number;
  postWords: number;
  prices: number;
  buyable: number;
  /** Whether it plays something. */
  plays: boolean;
};

const POST = /(?:^|[\s_-])(?:post|reply|comment|answer|message)(?:$|[\s_-])/i;
const JOINED = /\bjoined:?\s+(?:\w+ )?\d/gi;
const STATES_DAY =
  /\b(?:posted|published|updated|modified|reviewed|written)(?: on)?:?\s+(?:(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*,? )?(?=[\dA-Z])/gi;
const PRICE = /(?:[£$€]\s?\d|\d\s?(?:£|€|EUR|GBP|USD)\b)/g;
const BUY = /\b(?:add to (?:basket|bag|cart)|buy now|in stock|checkout)\b/i;
const LONGEST_DAY = 30;
const DATED = /^(?:article:(?:published|modified)_time|date|dc\.date|datepublished|datemodified|last-modified|og:updated_time)$/i;

/** Reads a page of the web. Throws a Complaint when it cannot be read. */
export function readWebPage(bytes: Uint8Array, address: string): WebPage {
  const tree = parseHtml(storable(decode(bytes)));
  const text = saidIn(tree);
  const data = findAll(tree, (node) => node.tagName === 'script' && /ld\+json/i.test(String(node.properties.type ?? ''))).flatMap(dataIn);
  const around = {
    date: dateOf(tree, data, text),
    types: typesOf(tree, data),
    ...contributions(tree, text),
    prices: text.match(PRICE)?.length ?? 0,
    buyable: findAll(
      tree,
      (node) => /^(?:button|a|input)$/.test(node.tagName) && BUY.test(`${toString(node)} ${String(node.properties.value ?? '')}`),
    ).length,
    plays: !!find(tree, ({ tagName }) => /^(?:video|iframe|embed|object)$/.test(tagName)),
  };
  const { main, whole } = mainIn(tree, address);
  const { doc, details } = readTree('html', tree, 'structure').draft!;
  return { ...around, doc, details, words: whole, mainWords: wordsIn(main) };
}

/** The words of a page, apart from one element to the next. */
const saidIn = (parent: Parent): string =>
  parent.children
    .map((child) =>
      child.type === 'text' ? child.value : isElement(child) && !/^(?:script|style|template)$/.test(child.tagName) ? saidIn(child) : '',
    )
    .join(' ');

/** What readers wrote: parts that are named so, or else as many members as boards say have joined. */
function contributions(tree: Root, text: string): Pick<WebPage, 'posts' | 'postWords'> {
  const isPost = (node: Element) => /^(?:div|article|li|section)$/.test(node.tagName) && POST.test(namesOf(node));
  const posts = findAll(tree, isPost).length;
  const members = text.match(JOINED)?.length ?? 0;
  if (members > posts) return { posts: members, postWords: wordCount(text) };
  const wordsOf = (parent: Parent): number =>
    elementsOf(parent).reduce((sum, node) => sum + (isPost(node) ? wordsIn(node) : wordsOf(node)), 0);
  return { posts, postWords: wordsOf(tree) };
}

type Data = Record<string, unknown>;

/** The things a script of data tells of (JSON-LD), one in another too; none where it is broken. */
function dataIn(script: Element): Data[] {
  const flat = (value: unknown): Data[] => {
    if (Array.isArray(value)) return value.flatMap(flat);
    return value && typeof value === 'object' ? [value as Data, ...flat((value as Data)['@graph'])] : [];
  };
  try {
    return flat(JSON.parse(toString(script)));
  } catch {
    return [];
  }
}

function typesOf(tree: Root, data: readonly Data[]): string[] {
  const cards = findAll(tree, (node) => node.tagName === 'meta' && node.properties.property === 'og:type').map((n) => n.properties.content);
  const items = findAll(tree, (node) => node.properties.itemType !== undefined).flatMap((n) => n.properties.itemType);
  return [...data.flatMap((d) => d['@type']), ...cards, ...items].map((type) => String(type).split('/').at(-1)!.toLowerCase());
}

/** The latest day a page states: to programs, or else in words. */
function dateOf(tree: Root, data: readonly Data[], text: string): string | null {
  const stated = [
    ...findAll(
      tree,
      (node) =>
        node.tagName === 'meta' && DATED.test(String(node.properties.property ?? node.properties.name ?? node.properties.itemProp ?? '')),
    ).map((n) => n.properties.content),
    ...data.flatMap((d) => [d.dateModified, d.datePublished]),
    ...findAll(tree, (node) => node.tagName === 'time').map((n) => n.properties.dateTime),
  ];
  const toPrograms = stated.flatMap((said) => /^\d{4}-\d\d-\d\d/.exec(String(said ?? ''))?.[0] ?? []);
  const days = toPrograms.length
    ? toPrograms
    : Array.from(text.matchAll(STATES_DAY)).flatMap(
        (m) => dayAt(text.slice(m.index + m[0].length, m.index + m[0].length + LONGEST_DAY)) ?? [],
      );
  return days.sort().at(-1) ?? null;
}
