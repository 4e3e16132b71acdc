import type { Form } from '../../post/brief.ts';
import type { PostNode } from '../../post/schema.ts';
import type { Known } from './known-facts.ts';

/** A proposal and what it is held against. */
export type Proposed = {
  /** The proposal, and what stands on the page in its place. */
  doc: PostNode;
  was: PostNode;
  /** What stands elsewhere on the page. */
  others: readonly PostNode[];
  known: Known;
  asked: {
    form: Form;
    words: number;
    never: readonly string[];
    /** Addresses that must be in, and whether the links that were there must stay. */
    links: readonly string[];
    keepLinks: boolean;
    /** Headings that must not be copied: those of reference pages. */
    headings: readonly string[];
  };
  /** Passages the answer names that were not given, and what it says is missing. */
  unknown: readonly string[];
  missing: readonly string[];
};

/** What can be done about a finding at once: take its sentence out, or put a link back. */
export type GuardFix =
  { label: 'Take it out'; take: 'sentence' | 'block' } | { label: 'Put it back'; link: { address: string; words: string } };

/** One thing the guard has to say of a proposal. `block`: the place of the block among all blocks of words in it, with a stretch of its text. */
export type GuardFinding = {
  check: string;
  gravity: 'must' | 'look' | 'fine';
  block: number | null;
  from: number;
  to: number;
  says: string;
  hint: string;
  fix?: GuardFix;
};

/** One thing the guard looks for. */
export type GuardCheck = (proposed: Proposed) => GuardFinding[];
