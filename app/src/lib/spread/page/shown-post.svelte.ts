import type { Details } from '@even-page/core/post/details';
import { contentOf } from '@even-page/core/send';
import { pageInTheme, plainTheme } from '@even-page/core/theme';
import figures from '../../../../../docs/outlet.css?raw';
import { askServer, json } from '$lib/ask-server.ts';
import type { DressInHand } from '../dress/dress-in-hand.svelte.ts';
import type { MaterialInHand } from '../gather/material-in-hand.svelte.ts';
import type { Outlet, OutletTheme, Posting } from '../piece-data.ts';
import type { PageInHand } from './page-in-hand.svelte.ts';

/** What it is made of: the parts of a piece. */
type Parts = {
  readonly page: PageInHand;
  readonly material: MaterialInHand;
  readonly dress: DressInHand;
  readonly details: Readonly<Details>;
  readonly outlets: readonly Outlet[];
  readonly postings: readonly Posting[];
};

const PLAIN = plainTheme(figures);

/** The post as readers will see it: the same words an outlet gets, in the theme of that outlet. */
export class ShownPost {
  #themes = $state.raw<Readonly<Record<string, OutletTheme>>>({});
  #chosen = $state<string | null>(null);
  readonly #piece: Parts;

  constructor(piece: Parts) {
    this.#piece = piece;
  }

  /** The id of the outlet in whose theme it is shown: where it stands, else the first; empty for a plain page. */
  get outlet(): string {
    return this.#chosen ?? this.#piece.postings[0]?.outletId ?? this.#piece.outlets[0]?.id ?? '';
  }
  set outlet(id: string) {
    this.#chosen = id;
  }

  /** What is known of the theme of that outlet; undefined while nobody has asked. */
  get known(): OutletTheme | undefined {
    return this.#themes[this.outlet];
  }

  /** Whose theme is shown, in words. */
  get name(): string {
    const outlet = this.#piece.outlets.find(({ id }) => id === this.outlet);
    return outlet && this.known?.theme ? outlet.name : 'a plain page';
  }

  /** Asks for the theme of the outlet, unless it is known. Throws Refused when there is no answer. */
  async load(): Promise<void> {
    const id = this.outlet;
    if (id && !this.#themes[id]) this.#learn(id, await askServer<OutletTheme>(`/outlets/${id}/theme`));
  }

  /** Has the theme read from a post of the outlet. Throws Refused with what was wrong. */
  async take(address: string): Promise<void> {
    const id = this.outlet;
    this.#learn(id, await askServer<OutletTheme>(`/outlets/${id}/theme`, json('PUT', { address })));
  }

  #learn(id: string, theme: OutletTheme) {
    this.#themes = { ...this.#themes, [id]: theme };
  }

  /** The whole document. Safe to show: it is made of the post's own nodes, whose addresses are checked. */
  html(): string {
    const { page, details, dress, material } = this.#piece;
    const html = contentOf(details.standfirst, page.doc, { ...dress.dress(), paid: material.house.paid });
    return pageInTheme(this.known?.theme ?? PLAIN, { title: details.title || 'Untitled', html });
  }
}
