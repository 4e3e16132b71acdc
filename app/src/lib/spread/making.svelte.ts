import { docFromJSON, type PostNode } from '@even-page/core/post/schema';
import type { Details } from '@even-page/core/post/details';
import type { Account, LeftOut } from '@even-page/core/page/made-page';
import { withIds } from '@even-page/core/post/ids';
import { editKey, isMark, type Edit } from '@even-page/core/tidy/edit';
import { turned } from '@even-page/core/tidy/wording/choices';
import { flowOf } from '@even-page/core/tidy/flow';
import { newBlockId } from '$lib/block-id.ts';
import { core } from '$lib/workers/core.ts';
import type { Piece } from './piece.svelte.ts';

/** What one press did, and what it takes to undo it. */
export type Made = {
  account: Account;
  seconds: number;
  titles: string[];
  leftOut: LeftOut[];
  /** Repairs taken by the press, by source. */
  took: Map<string, Edit[]>;
  before: { doc: PostNode; details: Details };
  filled: string[];
};

/** How long a writer waits for repairs to be found before the page is made without them. */
const LOOKED_MS = 50;

/** Makes a page of the material in one press, tells what was done, and takes it back. */
export class Making {
  readonly #piece: Piece;
  /** What was done last; null when nothing was made, or it was taken back. */
  made = $state.raw<Made | null>(null);
  busy = $state('');
  /** Whether the account stands on the left leaf. */
  shown = $state(false);

  constructor(piece: Piece) {
    this.#piece = piece;
  }

  /** Makes the page, of so many words if any are named. What stood there can be brought back by taking it back, or by undo. */
  async make(length?: number | 'all'): Promise<void> {
    if (this.busy) return;
    const piece = this.#piece;
    try {
      this.busy = 'Looking through the words';
      while (piece.leftToTidy === null) await new Promise((resolve) => setTimeout(resolve, LOOKED_MS));
      const begun = performance.now();
      const before = this.made?.before ?? { doc: piece.doc, details: $state.snapshot(piece.details) };
      const took = this.made?.took ?? new Map<string, Edit[]>();
      for (const { id, edits, proposed } of piece.sources) {
        const taken = new Set(edits.map(editKey));
        const sure = proposed!.filter((e) => !isMark(e) && !taken.has(editKey(e)));
        if (!sure.length) continue;
        took.set(id, [...(took.get(id) ?? []), ...sure]);
        piece.changeEdits(id, sure, []);
      }
      this.busy = 'Writing the page';
      const { doc, titles, standfirst, description, account, leftOut } = await core().makePage(
        piece.tidied,
        length === undefined ? {} : { length },
        piece.house,
      );
      piece.replacePage(withIds(docFromJSON(doc), newBlockId));
      const published = piece.sources.map((s) => s.published?.title ?? s.source.title).find(Boolean);
      const found = { title: published ?? titles[0] ?? '', standfirst, description };
      const filled = (['title', 'standfirst', 'description'] as const).filter((name) => !before.details[name] && found[name]);
      for (const name of filled) piece.details[name] = found[name];
      piece.changed();
      this.made = { account, titles, leftOut, took, before, filled, seconds: (performance.now() - begun) / 1000 };
      this.shown = true;
    } finally {
      this.busy = '';
    }
  }

  /** Takes back all that the press did: the page, the details and the repairs are as they were. */
  takeBack(): void {
    const { made } = this;
    if (!made) return;
    const piece = this.#piece;
    piece.replacePage(made.before.doc);
    piece.details = made.before.details;
    for (const [id, edits] of made.took) piece.changeEdits(id, [], edits);
    piece.changed();
    this.made = null;
    this.shown = false;
  }

  /** Brings a sentence that was left out onto the page, where it was said. */
  bringBack(out: LeftOut): void {
    const piece = this.#piece;
    const { source, sentence } = out;
    const held = piece.sources.find((s) => s.id === source);
    if (!held || !this.made) return;
    piece.changeEdits(source, [turned(flowOf(held.source).text, sentence, 'in')], []);
    const fed = piece.fed.get(source);
    let section: string | undefined;
    for (let passage = sentence.first; passage >= 0 && !section; passage--) section = fed?.get(passage)?.at(-1);
    const { first, last, startMs, text } = sentence;
    const stretch = {
      source,
      sentences: [{ ...sentence, first, last, ...(startMs === undefined ? {} : { startMs }) }],
      text,
      words: 0,
      feeds: [],
    };
    piece.feed(section ?? piece.sections[0]?.id ?? 'lead', [stretch]);
    this.made = { ...this.made, leftOut: this.made.leftOut.filter((o) => o !== out) };
  }

  /** Gives a section another of its headings. */
  head(old: string, heading: string): void {
    const piece = this.#piece;
    if (!this.made) return;
    piece.renameHeading(old, heading);
    const unsure = this.made.account.unsure.map((u) => (u.heading === old ? { ...u, heading } : u));
    this.made = { ...this.made, account: { ...this.made.account, unsure } };
  }
}
