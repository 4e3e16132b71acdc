import type { Details } from '@even-page/core/post/details';
import type { FoundSentence } from '@even-page/core/write';
import type { ReferencePage, Stand } from '@even-page/core/yardstick';
import { askServer, json, Refused } from '$lib/ask-server.ts';
import { core } from '$lib/workers/core.ts';
import type { CoreWork } from '$lib/workers/core.worker.ts';
import type { SentYardstick } from '$lib/workers/core/proofing.ts';
import type { Piece } from '../piece.svelte.ts';

/** A reference page as the server keeps it; times are text on their way. */
export type KeptPage = {
  id: string;
  address: string;
  page: ReferencePage;
  before: ReferencePage['figures'] | null;
  isOut: boolean;
  because: string;
  readAt: string | Date;
};
export type KeptYardstick = { id: string; phrase: string; pages: KeptPage[] };

/** The yardstick of the piece's main phrase, and how the page stands against it, live. */
export class YardstickInHand {
  kept = $state.raw<KeptYardstick | null>(null);
  said = $state.raw<SentYardstick | null>(null);
  stand = $state.raw<Stand | null>(null);
  /** Where the material speaks of each matter, by the matter. */
  spoken = $state.raw<Record<string, FoundSentence | null>>({});
  isBusy = $state(false);
  /** What kept it from being made, and what of it was left out. */
  sorry = $state('');
  left = $state.raw<readonly string[]>([]);
  readonly #piece: Piece;
  #phrase = '';

  constructor(piece: Piece) {
    this.#piece = piece;
  }

  /** The pages drafts are held against. */
  readonly taken = $derived(this.kept?.pages.filter((page) => !page.isOut) ?? []);

  get phrase(): string {
    return this.#piece.details.brief?.phrase?.trim() ?? '';
  }

  set phrase(phrase: string) {
    const brief: Details['brief'] = { ...this.#piece.details.brief, phrase };
    this.#piece.details.brief = brief;
  }

  /** Fetches the yardstick of the main phrase, unless it is in hand. */
  async load(again = false): Promise<void> {
    const phrase = this.phrase;
    if (phrase === this.#phrase && !again) return;
    this.#phrase = phrase;
    await this.#work(async () => {
      const found =
        phrase.length > 1 ? await askServer<{ yardstick: KeptYardstick | null }>(`/yardsticks?phrase=${encodeURIComponent(phrase)}`) : null;
      this.kept = found?.yardstick ?? null;
      await this.#measure();
    });
  }

  /** Makes the yardstick of the pages the result list has, or of those at some addresses. */
  async make(addresses: readonly string[] = []): Promise<void> {
    await this.#work(async () => {
      const { id } = await askServer<{ id: string }>('/yardsticks', json('POST', { phrase: this.phrase }));
      const { left } = await askServer<{ left: string[] }>(
        addresses.length ? `/yardsticks/${id}/pages` : `/yardsticks/${id}/results`,
        json('POST', addresses.length ? { addresses } : {}),
      );
      this.left = left;
    });
    const { sorry } = this;
    await this.load(true);
    this.sorry ||= sorry;
  }

  /** How the page stands now. */
  async look(): Promise<void> {
    const { page, details, hosts } = this.#piece;
    this.stand = this.said ? await core().stand(page.doc.toJSON() as Parameters<CoreWork['stand']>[0], details.title, hosts) : null;
  }

  async #measure(): Promise<void> {
    const name = (this.#piece.proofing.yardstick = this.kept?.id ?? '');
    this.said = await core().measureAgainst(
      name,
      this.taken.map(({ page }) => page),
    );
    await this.look();
    this.#piece.proofing.soon();
    const { matters } = this.said;
    const found = await core().spokenOf(
      this.#piece.material.tidied,
      matters.map(({ words }) => words),
    );
    this.spoken = Object.fromEntries(matters.map(({ id }, n) => [id, found[n]!]));
  }

  async #work(work: () => Promise<void>): Promise<void> {
    this.isBusy = true;
    this.sorry = '';
    try {
      await work();
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      this.sorry = cause.message;
    } finally {
      this.isBusy = false;
    }
  }
}
