import type { Rights } from '../dress/index.ts';
import type { Speller } from '../language/speller.ts';
import type { Details } from '../post/details.ts';
import type { PostNode } from '../post/schema.ts';
import type { Comfort } from '../theme/index.ts';
import { type House, usualHouse } from '../tidy/index.ts';
import type { Known } from '../write/index.ts';
import type { FindingPlace } from './place.ts';
import type { OwnPost } from './own-posts.ts';
import type { Usage } from './usage/usage.ts';
import type { Elsewhere } from './own-words.ts';
import type { TriedLink } from './tried-link.ts';
import { type Stretch, stretchesOf } from './stretches.ts';

/** What checks are about, as they are grouped on screen. */
export const KINDS = {
  whole: 'Whole',
  truth: 'True to the material',
  own: 'Own words',
  reading: 'Reading',
  language: 'Language',
  findable: 'Findable',
  links: 'Links',
  pictures: 'Pictures and clips',
  everyone: 'For everyone',
  comfort: 'Comfort',
} as const;
export type Kind = keyof typeof KINDS;

/** How grave a finding is: `must` be fixed, or worth a `look`. */
export type Gravity = 'must' | 'look';

/** What mends a finding at once: other words for its stretch, a link for it, a detail, an attribute of its block, or the block taken out. */
export type Fix = { label: string } & (
  | { text: string }
  | { href: string }
  | { detail: 'slug' | 'byline'; value: string }
  | { attrs: Record<string, unknown> }
  | { takeOut: true }
);

/** What a check found: what it is, and what to do about it, in the writer's words. */
export type Found = { place: FindingPlace; says: string; hint: string; fix?: Fix };

/**
 * One finding, with the words that stand at its place, and why it matters. `key` is the same as long as the place says the same: what was left
 * by the writer stays left.
 */
export type Finding = Found & { check: string; kind: Kind; gravity: Gravity; key: string; why: string; words: string };

/** What checks look at. */
export type Proofed = {
  doc: PostNode;
  details: Details;
  /** House style; the usual one where none is given. */
  house?: House;
  /** Whose the pictures are, by their address, as far as that is known. */
  rights?: Readonly<Record<string, Rights>>;
  /** What its pictures weigh as readers get them, in bytes, by their address. */
  weights?: Readonly<Record<string, number>>;
  /** The addresses of clips that have no captions. */
  captionless?: readonly string[];
  /** How it reads in the theme of its outlet; none while nobody has measured. */
  comfort?: Comfort | null;
  /** What came of trying its links, by address, as far as they were tried. */
  links?: Readonly<Record<string, TriedLink>>;
  /** What the house has published besides. */
  posts?: readonly OwnPost[];
  /** The pages of the yardstick, and their headings as they are compared (language/plain-heading.ts) with the page each is from. */
  pages?: readonly Elsewhere[];
  pageHeadings?: ReadonlyMap<string, string>;
  /** Other pieces of the house. */
  pieces?: readonly Elsewhere[];
  /** What knows how words are spelt; none while it is not there yet. */
  speller?: Speller | null;
  /** What was found in how things are said, by the text that was read for it. */
  usages?: ReadonlyMap<string, readonly Usage[]>;
  /** What the material says; none when nothing was gathered, or while it is not known yet. */
  known?: Known | null;
};

/** A post made ready for checks: with its stretches of words, found once for all of them. */
export type Ready = Omit<Proofed, 'house'> & { house: House; stretches: readonly Stretch[] };

/** Makes a post ready for checks. */
export const ready = (post: Proofed): Ready => ({ ...post, house: post.house ?? usualHouse(), stretches: stretchesOf(post.doc) });

/** One thing that is checked. `why` is one sentence for the writer; `source` where it is from. */
export type Check = {
  name: string;
  kind: Kind;
  gravity: Gravity;
  why: string;
  source: string;
  run: (post: Ready) => Found[];
};

/** Where a rule is from that everybody follows and nobody published. */
export const PRACTICE = 'common practice, no source';
