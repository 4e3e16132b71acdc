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

/** The web addresses a page links to, each once. */
export function addressesOf(doc: PostNode): string[] {
  const addresses = new Set(stretchesOf(doc).flatMap((stretch) => linksOf(stretch).map(({ href }) => href)));
  return [...addresses].filter((href) => /^https?:\/\//i.test(href) && URL.canParse(href));
}

/** How many links of a page stay in the house, whose hosts are given, and how many lead elsewhere. */
export function linksInAndOut(doc: PostNode, hosts: readonly string[]): { linksInside: number; linksOutside: number } {
  const links = stretchesOf(doc).flatMap(linksOf);
  const linksInside = links.filter(({ href }) => isInside(href, hosts)).length;
  return { linksInside, linksOutside: links.length - linksInside };
}
