import type { Rights } from '@even-page/core/dress';
import { type English, makeSpeller, type Speller } from '@even-page/core/language/speller';
import { terms } from '@even-page/core/language/terms';
import type { Details } from '@even-page/core/post/details';
import type { PostNode } from '@even-page/core/post/schema';
import {
  addressesOf,
  type Elsewhere,
  figuresOf,
  type OwnPost,
  proof,
  shareIn,
  stretchesOf,
  type TriedLink,
  type Usage,
} from '@even-page/core/proof';
import type { Comfort } from '@even-page/core/theme';
import type { House } from '@even-page/core/tidy';
import { findInMaterial, type FoundSentence } from '@even-page/core/write';
import {
  headingsOf,
  type NamedMatter,
  type ReferencePage,
  type SharedLink,
  shinglesOn,
  type Stand,
  standOf,
  type Yardstick,
  yardstickOf,
} from '@even-page/core/yardstick';
import { dictionaries, subjects } from './fetched.ts';
import { factsOf, materialIndex, materialShingles, type TidiedSource } from './material.ts';
import { type PageJson, pageOf } from './page-json.ts';

/** What a proof needs that others have to be asked for. */
export type AroundProof = {
  links: Record<string, TriedLink>;
  posts: readonly OwnPost[];
  pieces: readonly { title: string; shingles: number[] }[];
  /** The hosts of the house, whose links are inside. */
  hosts: readonly string[];
  weights: Record<string, number>;
  captionless: readonly string[];
  comfort: Comfort | null;
  /** The English the piece is spelt in, and the name of its yardstick; empty while it has none. */
  english: English;
  yardstick: string;
};

/** What drafts are held against, as it goes between the threads. */
export type SentYardstick = { matters: Omit<NamedMatter, 'direction'>[]; links: SharedLink[]; terms: number };

// What pages are proofed against.
let against: TidiedSource[] = [];
let speller: Speller | null = null;
const usages = new Map<string, readonly Usage[]>();

let yardstick: Yardstick | null = null;
let elsewhere: { name: string; pages: Elsewhere[]; pageHeadings: Map<string, string> } = { name: '', pages: [], pageHeadings: new Map() };
let sharing: { key: string; pieces: Elsewhere[] } = { key: '', pieces: [] };

// A sentence speaks of a matter when it says so many of its telling words.
const FEWEST_SAID = 2;

function saysMany(text: string, words: readonly string[]): boolean {
  const said = new Set(terms(text));
  return words.filter((word) => terms(word).some((term) => said.has(term))).length >= FEWEST_SAID;
}

/** The passages of a page nobody has read for how they are said. */
const unreadIn = (doc: PostNode): string[] => [
  ...new Set(stretchesOf(doc).flatMap(({ text }) => (text.trim() && !usages.has(text) ? [text] : []))),
];

/** Proof and the yardstick. */
export const proofing = {
  /** Learns to spell in an English: from then on a proof looks at spelling too. */
  async learnSpelling(english: English): Promise<void> {
    if (speller?.english === english) return;
    speller = makeSpeller(await dictionaries(), english);
  },
  /** Learns what was found in how some passages are said. */
  learnUsages(found: readonly (readonly [text: string, usages: Usage[]])[]): void {
    for (const [text, said] of found) usages.set(text, said);
  },
  /** Says what pages are proofed against from now on. */
  proofAgainst(tidied: TidiedSource[]) {
    against = tidied;
  },
  /** Says which reference pages drafts are held against from now on; what those treat. */
  async measureAgainst(name: string, pages: ReferencePage[]): Promise<SentYardstick> {
    const made = yardstickOf(pages, await subjects().catch(() => null));
    yardstick = pages.length ? made : null;
    elsewhere = { name, pages: pages.map((page) => ({ title: page.title, shingles: shinglesOn(page) })), pageHeadings: headingsOf(pages) };
    const { matters, links, terms } = made;
    return { links, terms: terms.length, matters: matters.map(({ direction: _, ...matter }) => matter) };
  },
  /** How a page stands against them; null while there are none. */
  stand: (json: PageJson, title: string, hosts: readonly string[]): Stand | null =>
    yardstick && standOf(title, pageOf(json), yardstick, hosts),
  /** For each of some words where the material speaks of them most clearly; null where it does not. */
  spokenOf(tidied: TidiedSource[], wanted: readonly (readonly string[])[]): (FoundSentence | null)[] {
    if (!tidied.length) return wanted.map(() => null);
    const index = materialIndex(tidied);
    return wanted.map((words) => {
      const [best] = findInMaterial(index, words.join(' '), 1);
      return best && saysMany(best.text, words) ? best : null;
    });
  },
  /** Everything that is found on a page, and its figures. */
  proof(json: PageJson, details: Details, rights: Record<string, Rights>, house: House, around: AroundProof) {
    const { pieces, hosts, english, yardstick: name, ...rest } = around;
    const doc = pageOf(json);
    const { subject = '', phrase = '', phrases = [] } = details.brief ?? {};
    const known = against.length ? factsOf(against, [...house.names, subject, phrase, ...phrases].join('. ')) : null;
    // What comes from the other thread is a copy each time.
    const key = JSON.stringify(pieces);
    if (sharing.key !== key) sharing = { key, pieces: pieces.map((p) => ({ title: p.title, shingles: new Set(p.shingles) })) };
    // What was learned for another piece says nothing of this one.
    const spelling = speller?.english === english ? speller : null;
    const found = proof({
      ...{ doc, details, rights, house, known, speller: spelling, usages, ...rest },
      ...{ ...(elsewhere.name === name ? elsewhere : {}), pieces: sharing.pieces },
    });
    const inMaterial = against.length ? shareIn(stretchesOf(doc), materialShingles(against)) : null;
    return { ...found, figures: figuresOf(doc, hosts), addresses: addressesOf(doc), inMaterial, unread: unreadIn(doc) };
  },
};
