import type { Component } from 'svelte';
import type { Step } from '$lib/steps.ts';
import type { Piece } from './piece.svelte.ts';

/** What stands on the left leaf. */
export type Leaf = Component<{ piece: Piece }>;

type Fetched = () => Promise<{ default: Leaf }>;

/** Each step has a leaf; others stand there for a while. */
export type LeafName = Step | 'account';

/** Every leaf there is; each is fetched when it is first opened. */
const LEAVES: Record<LeafName, Fetched> = {
  gather: () => import('./gather/GatherLeaf.svelte'),
  tidy: () => import('./tidy/TidyLeaf.svelte'),
  shape: () => import('./shape/ShapeLeaf.svelte'),
  write: () => import('./write/WriteLeaf.svelte'),
  dress: () => import('./dress/DressLeaf.svelte'),
  proof: () => import('./proof/ProofLeaf.svelte'),
  send: () => import('./send/SendLeaf.svelte'),
  account: () => import('./Account.svelte'),
};

/** A leaf by its name. Rejects when it cannot be fetched. */
export const leafOf = async (name: LeafName): Promise<Leaf> => (await LEAVES[name]()).default;

/** Fetches whatever the Spread may still need, to be at hand while the server is away. What failed is asked for again when it is wanted. */
export function fetchTheRest(): void {
  const rest: (() => Promise<unknown>)[] = [
    ...Object.values(LEAVES),
    () => import('./send/post-files.ts'),
    () => import('./shape/BringIn.svelte'),
    () => import('./tidy/Wording.svelte'),
    () => import('./page/ReadersView.svelte'),
    () => import('./page/Markup.svelte'),
    () => import('./page/ComparedPage.svelte'),
    () => import('./page/pasting.ts'),
  ];
  for (const fetch of rest) void fetch().catch(() => undefined);
}
