import { docFromJSON, type PostNode } from '@even-page/core/post/schema';
import { fitDetails, type Details } from '@even-page/core/post/details';
import { type Account, type Fact, type LeftOut, titleOfName } from '@even-page/core/page';
import { withIds } from '@even-page/core/post/ids';
import { type Edit, editKey, flowOf, isMark, turned } from '@even-page/core/tidy';
import { newBlockId } from '$lib/block-id.ts';
import { core } from '$lib/workers/core.ts';
import type { MaterialInHand } from './gather/material-in-hand.svelte.ts';
import type { PageInHand } from './page/page-in-hand.svelte.ts';

/** What one press did, and what it takes to undo it. */
export type Made = {
  account: Account;
  /** Titles the page could have. */
  titles: string[];
  seconds: number;
  leftOut: LeftOut[];
  /** Figures and names that nobody has held against what was said yet. */
  facts: Fact[];
  /** Repairs taken by the press, by source. */
  took: Map<string, Edit[]>;
  before: { doc: PostNode; details: Details };
  filled: string[];
};

/** What the press works on: the page, its details and the material, and how they are changed. */
type InHand = {
  readonly page: PageInHand;
  readonly material: MaterialInHand;
  readonly details: Details;
  detailsNow: () => Details;
  setDetails: (details: Details) => void;
  changeEdits: (source: string, put: Edit[], drop: Edit[]) => void;
};

// Repairs are asked for so often, and waited for so long; then the page is made without them.
const ASKED_MS = 50;
const WAITED_MS = 30_000;
const MOST_TITLES = 3;

/** Makes a page of the material in one press, tells what was done, and takes it back. */
export class Making {
  readonly #piece: InHand;
  /** What was done last; null when nothing was made, or it was taken back. */
  made = $state.raw<Made | null>(null);
  busy = $state('');
  /** Why no page was made, in a sentence. */
  sorry = $state('');
  /** Whether the account stands on the left leaf. */
  shown = $state(false);

  constructor(piece: InHand) {
    this.#piece = piece;
  }

  /** Makes the page, of so many words if any are named. What stood there can be brought back by taking it back, or by undo. */
  async make(length?: number | 'all'): Promise<void> {
    if (this.busy) return;
    const piece = this.#piece;
    const taken: [source: string, edits: Edit[]][] = [];
    this.sorry = '';
    try {
      this.busy = 'Looking through the words';
      for (let waited = 0; piece.material.leftToTidy === null && waited < WAITED_MS; waited += ASKED_MS)
        await new Promise((resolve) => setTimeout(resolve, ASKED_MS));
      const begun = performance.now();
      const before = this.made?.before ?? { doc: piece.page.doc, details: piece.detailsNow() };
      const took = this.made?.took ?? new Map<string, Edit[]>();
      for (const { id, edits, proposed } of piece.material.sources) {
        const known = new Set(edits.map(editKey));
        const sure = (proposed ?? []).filter((e) => !isMark(e) && !known.has(editKey(e)));
        if (!sure.length) continue;
        taken.push([id, sure]);
        piece.changeEdits(id, sure, []);
      }
      this.busy = 'Writing the page';
      const { doc, titles, standfirst, description, account, leftOut, facts } = await core().makePage(
        piece.material.tidied,
        length === undefined ? {} : { length },
        piece.material.house,
      );
      for (const [id, edits] of taken) took.set(id, [...(took.get(id) ?? []), ...edits]);
      piece.page.replacePage(withIds(docFromJSON(doc), newBlockId));
      const given = piece.material.sources.flatMap((s) => s.published?.title ?? s.source.title ?? titleOfName(s.name) ?? []);
      const choices = [...new Set([...given, ...titles])].slice(0, MOST_TITLES);
      const { details: found } = fitDetails({ title: choices[0] ?? '', standfirst, description });
      const filled = (['title', 'standfirst', 'description'] as const).filter((name) => !before.details[name] && found[name]);
      for (const name of filled) piece.details[name] = found[name]!;
      this.made = { account, titles: choices, leftOut, facts, took, before, filled, seconds: (performance.now() - begun) / 1000 };
      this.shown = true;
    } catch {
      for (const [id, edits] of taken) piece.changeEdits(id, [], edits);
      this.sorry = 'No page could be made of this. Nothing was changed; try again, or go through Tidy and Shape.';
    } finally {
      this.busy = '';
    }
  }

  /** Takes back all that the press did: the page, the details and the repairs are as they were. */
  takeBack(): void {
    const { made } = this;
    if (!made) return;
    const piece = this.#piece;
    piece.page.replacePage(made.before.doc);
    piece.setDetails(made.before.details);
    for (const [id, edits] of made.took) piece.changeEdits(id, [], edits);
    this.made = null;
    this.shown = false;
  }

  /** Brings a sentence that was left out onto the page, where it was said. */
  bringBack(out: LeftOut): void {
    const piece = this.#piece;
    const { source, sentence } = out;
    const held = piece.material.sources.find((s) => s.id === source);
    if (!held || !this.made) return;
    piece.changeEdits(source, [turned(flowOf(held.source).text, sentence, 'in')], []);
    const fed = piece.page.fed.get(source);
    let section: string | undefined;
    for (let passage = sentence.first; passage >= 0 && !section; passage--) section = fed?.get(passage)?.at(-1);
    const { speaker } = held.source.passages[sentence.first]!;
    const stretch = { source, sentences: [sentence], text: sentence.text, words: 0, feeds: [], ...(speaker ? { speaker } : {}) };
    piece.page.feed(section ?? piece.page.sections[0]?.id ?? 'lead', [stretch]);
    this.made = { ...this.made, leftOut: this.made.leftOut.filter((o) => o !== out) };
  }

  /** Gives the page another of its titles. */
  entitle(title: string): void {
    this.#piece.details.title = title;
  }

  /** A figure or a name is right. */
  confirm(fact: Fact): void {
    if (this.made) this.made = { ...this.made, facts: this.made.facts.filter((f) => f !== fact) };
  }

  /** Puts key points before the first section. Returns whether the page says any. */
  async addKeyPoints(): Promise<boolean> {
    const piece = this.#piece;
    const before = piece.page.doc;
    const found = await core().withStandingPart(before.toJSON() as object, 'keyPoints', {});
    // What was typed meanwhile is not written over.
    if (!found || piece.page.doc !== before) return false;
    piece.page.replacePage(withIds(docFromJSON(found), newBlockId));
    return true;
  }

  /** Gives a section another of its headings. */
  head(old: string, heading: string): void {
    const piece = this.#piece;
    if (!this.made) return;
    piece.page.renameHeading(old, heading);
    const unsure = this.made.account.unsure.map((u) => (u.heading === old ? { ...u, heading } : u));
    this.made = { ...this.made, account: { ...this.made.account, unsure } };
  }
}
