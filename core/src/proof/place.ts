import type { Details } from '../post/details.ts';
import type { Stretch } from './stretches.ts';

/**
 * Where a finding is: a detail of the post, or a block of its page, with a stretch inside it if it is narrower. `from` and
 * `to` count as positions do in the page, from where the content of the block begins.
 */
export type FindingPlace = { detail: keyof Details } | { block: string; from?: number; to?: number } | null;

/** The place of some letters of a stretch. */
export const placeIn = ({ block, at }: Stretch, from: number, to: number): FindingPlace => ({ block, from: at + from, to: at + to });
