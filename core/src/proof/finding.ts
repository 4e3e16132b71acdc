import type { Rights } from '../dress/index.ts';
import type { Details } from '../post/details.ts';
import type { PostNode } from '../post/schema.ts';

/** How grave a finding is: `must` be fixed, or worth a `look`. */
export type Gravity = 'must' | 'look';

/** Where a finding is: a detail of the post, or a block of its page, with the stretch of its text if it is narrower. */
export type FindingPlace = { detail: keyof Details } | { block: string; from?: number; to?: number } | null;

/** One thing a check found, in the writer's words: what it is, and what to do about it. */
export type Finding = { check: string; gravity: Gravity; place: FindingPlace; says: string; hint: string };

/** What a check looks at: the post, and whose its pictures are, by their address, as far as that is known. */
export type Proofed = { doc: PostNode; details: Details; rights?: Readonly<Record<string, Rights>> };

/** A check: a plain function from a post to what it finds. */
export type Check = { name: string; run: (post: Proofed) => Omit<Finding, 'check'>[] };
