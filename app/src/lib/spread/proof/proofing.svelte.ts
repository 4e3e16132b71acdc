import type { Rights } from '@even-page/core/dress';
import type { Figures, Finding } from '@even-page/core/proof';
import type { Details } from '@even-page/core/post/details';
import { looseTies, type TiesSeen } from '@even-page/core/write';
import { core } from '$lib/workers/core.ts';
import type { CoreWork } from '$lib/workers/core.worker.ts';
import { showLooseTies } from '../page/loose-ties.ts';
import type { PageInHand } from '../page/page-in-hand.svelte.ts';
import type { MaterialInHand } from '../gather/material-in-hand.svelte.ts';

const AFTER_MS = 400;

/** Looks the page through again and again while it changes, beside the writer's hands. */
export class Proofing {
  findings = $state.raw<Finding[]>([]);
  /** Findings the writer looked at and left as they are. */
  left = $state.raw<Finding[]>([]);
  /** The names of the checks that were made. */
  checked = $state.raw<readonly string[]>([]);
  figures = $state.raw<Figures | null>(null);
  /** The ids of paragraphs whose origin marks may no longer hold. */
  loose = $state.raw<readonly string[]>([]);
  #seen: TiesSeen = new WeakMap();
  #against: MaterialInHand['tidied'] | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #page: PageInHand;
  readonly #material: MaterialInHand;
  readonly #details: () => Details;
  readonly #rights: () => Record<string, Rights>;

  constructor(page: PageInHand, material: MaterialInHand, details: () => Details, rights: () => Record<string, Rights>) {
    this.#rights = rights;
    this.#page = page;
    this.#material = material;
    this.#details = details;
  }

  /** Looks it through when nothing has changed for a moment. */
  soon(): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#look(), AFTER_MS);
  }

  /** Whether a mark holds depends on the material, which is another now. */
  forget(): void {
    this.#seen = new WeakMap();
  }

  end(): void {
    clearTimeout(this.#timer);
  }

  async #look(): Promise<void> {
    const { doc, view } = this.#page;
    const loose = looseTies(doc, this.#material.sources, this.#seen);
    if (loose.join() !== this.loose.join()) {
      this.loose = loose;
      if (view) showLooseTies(view, loose);
    }
    const { tidied, house } = this.#material;
    if (tidied !== this.#against) await core().proofAgainst((this.#against = tidied));
    const found = await core().proof(doc.toJSON() as Parameters<CoreWork['proof']>[0], this.#details(), this.#rights(), house);
    ({ findings: this.findings, left: this.left, checked: this.checked, figures: this.figures } = found);
  }
}
