import { askServer, json } from '$lib/ask-server.ts';
import type { Outlet, OutletTheme, Posting } from '../piece-data.ts';

/** Where the post may stand, and where it does. */
type Outlets = { readonly outlets: readonly Outlet[]; readonly postings: readonly Posting[] };

/** In whose theme the post is shown as readers will see it. */
export class ShownTheme {
  #themes = $state.raw<Readonly<Record<string, OutletTheme>>>({});
  #chosen = $state<string | null>(null);
  readonly #piece: Outlets;

  constructor(piece: Outlets) {
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
}
