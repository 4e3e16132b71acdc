import { readWebPage } from '../gather/index.ts';
import { wordCount } from '../language/words.ts';
import type { PostNode } from '../post/schema.ts';
import { isInside } from '../post/links.ts';
import { pageFigures, type PageFigures } from './page-figures.ts';
import { kindOf, type PageKind } from './page-kind.ts';
import { type Part, partsOf } from './parts.ts';

/** A page that drafts are held against, as it was when it was read. */
export type ReferencePage = {
  title: string;
  kind: PageKind;
  /** The day it was written or last changed, as it states it: YYYY-MM-DD. */
  date: string | null;
  figures: PageFigures;
  /** How much of its words is its main text, 0 to 1. */
  mainShare: number;
  parts: Part[];
  /** The addresses its main text links to on other sites. */
  links: string[];
};

/** Measures a page of the web. Throws a Complaint when it cannot be read, or has no words. */
export function measurePage(html: Uint8Array, address: string): ReferencePage {
  const page = readWebPage(html, address);
  const { doc, details, date, words, mainWords } = page;
  const hosts = URL.canParse(address) ? [new URL(address).host] : [];
  const linked = linkedWords(doc);
  return {
    title: details.title ?? '',
    kind: kindOf(page, linked.words / Math.max(1, mainWords)),
    date,
    figures: pageFigures(doc, hosts),
    mainShare: mainWords / Math.max(1, words),
    parts: partsOf(doc),
    links: [...new Set(linked.addresses.filter((href) => /^https?:/i.test(href) && !isInside(href, hosts)))],
  };
}

function linkedWords(doc: PostNode): { words: number; addresses: string[] } {
  const found = { words: 0, addresses: [] as string[] };
  doc.descendants((node) => {
    const href = node.marks.find((mark) => mark.type.name === 'link')?.attrs.href as string | undefined;
    if (!href) return;
    found.words += wordCount(node.text ?? '');
    found.addresses.push(href);
  });
  return found;
}
