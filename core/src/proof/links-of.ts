import { isInside } from '../post/links.ts';
import type { PostNode } from '../post/schema.ts';
import { type Stretch, stretchesOf } from './stretches.ts';

/** A link in a stretch of words: its address, its words and where they stand. */
export type Link = { href: string; words: string; from: number; to: number };

/** The links of a stretch; what is linked on end to one address is one link. */
export function linksOf({ node }: Stretch): Link[] {
  const found: Link[] = [];
  node.forEach((child, from) => {
    const href = child.marks.find((mark) => mark.type.name === 'link')?.attrs.href as string | undefined;
    if (!href) return;
    const last = found.at(-1);
    const to = from + child.nodeSize;
    if (last?.href === href && last.to === from) Object.assign(last, { words: last.words + (child.text ?? ' '), to });
    else found.push({ href, words: child.text ?? '', from, to });
  });
  return found;
}

const EXAMPLE = /^(?:https?:)?\/\/(?:[^/]*\.)?(?:example\.(?:com|org|net)|[^/]+\.(?:test|invalid))(?:[:/]|$)/i;
const OWN =
  /^(?:https?:)?\/\/(?:(?:127|10)\.\d+\.\d+\.\d+|192\.168\.\d+\.\d+|(?:[^/]*\.)?localhost|[^/]*\.local)(?:[:/]|$)|^(?:file|blob|data):/i;

/** Whether an address is one that stands for others in examples and tests (RFC 2606). */
export const isExample = (href: string): boolean => EXAMPLE.test(href);

/** Whether an address leads to the writer's own machine or network (RFC 6761), or to an example. */
export const leadsNowhere = (href: string): boolean => isExample(href) || OWN.test(href);

/** The web addresses a page links to that are worth trying, each once. */
export function addressesOf(doc: PostNode): string[] {
  const addresses = new Set(stretchesOf(doc).flatMap((stretch) => linksOf(stretch).map(({ href }) => href)));
  return [...addresses].filter((href) => /^https?:\/\//i.test(href) && URL.canParse(href) && !isExample(href));
}

/** How many links of a page stay in the house, whose hosts are given, and how many lead elsewhere. */
export function linksInAndOut(doc: PostNode, hosts: readonly string[]): { linksInside: number; linksOutside: number } {
  const links = stretchesOf(doc).flatMap(linksOf);
  const linksInside = links.filter(({ href }) => isInside(href, hosts)).length;
  return { linksInside, linksOutside: links.length - linksInside };
}
