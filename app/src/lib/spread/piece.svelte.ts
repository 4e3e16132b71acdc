import { closeHistory } from 'prosemirror-history';
import { invalidateAll } from '$app/navigation';
import type { Details } from '@even-page/core/post/details';
import type { Draft } from '@even-page/core/post/merge';
import { docFromJSON, type Origin } from '@even-page/core/post/schema';
import { turnIn } from '@even-page/core/post/turns';
import { changeEdits, draftChanges, type Edit, type EditChange, editKey } from '@even-page/core/tidy';
import { timeAt } from '@even-page/core/gather';
import { askServer } from '$lib/ask-server.ts';
import type { Step } from '$lib/steps.ts';
import { status } from '$lib/status.svelte.ts';
import { core } from '$lib/workers/core.ts';
import { MaterialInHand } from './gather/material-in-hand.svelte.ts';
import { Making } from './making.svelte.ts';
import { PageInHand } from './page/page-in-hand.svelte.ts';
import { DressInHand } from './dress/dress-in-hand.svelte.ts';
import type { Drafter, Outlet, PieceData, Posting } from './piece-data.ts';
import { Player } from './player/player.svelte.ts';
import { Proofing } from './proof/proofing.svelte.ts';
import { ShownTheme } from './page/shown-theme.svelte.ts';
import { Saver } from './saving/saver.svelte.ts';
import type { Drafting } from './write/draft/drafting.svelte.ts';

/** The piece in hand: one truth for both leaves, the spine and the strip. */
export class Piece {
  readonly id: string;
  readonly page: PageInHand;
  readonly material: MaterialInHand;
  readonly dress: DressInHand;
  readonly proofing: Proofing;
  readonly saver: Saver;
  readonly player = new Player();
  readonly making = new Making(this);
  readonly shown = new ShownTheme(this);
  #details = $state() as Details;
  #step = $state() as Step;
  outlets = $state.raw<Outlet[]>([]);
  postings = $state.raw<Posting[]>([]);
  /** Whether the writer is alone with the page: everything else is folded away. */
  alone = $state(false);
  /** What stands beside the page in Dress, and in Write. */
  dressView = $state<'pictures' | 'clips' | 'cover'>('pictures');
  writeView = $state<'said' | 'brief' | 'rounds' | 'versions'>('said');
  /** The services that draft, and the drafting in hand once it was begun. */
  drafters = $state.raw<Drafter[]>([]);
  #drafting: Promise<Drafting> | undefined;
  #endDressing = () => {};
  readonly #touchedAt: Date;

  constructor(data: PieceData) {
    const { id, doc, details, step, version, touchedAt } = data.piece;
    this.id = id;
    this.page = new PageInHand(docFromJSON(doc), (steps) => {
      this.saver.pageChanged(steps);
      this.proofing.soon();
    });
    this.material = new MaterialInHand(data);
    this.dress = new DressInHand(
      id,
      this.page,
      data.dress,
      () => this.material.sources,
      () => this.proofing?.soon(),
    );
    this.proofing = new Proofing(this.page, this.material, () => this.detailsNow(), {
      rights: () => this.dress.rights(),
      weights: () => this.dress.weights(),
      captionless: () => this.dress.captionless(),
      hosts: () => this.hosts,
    });
    this.#step = step;
    this.#details = details;
    this.#touchedAt = touchedAt;
    this.outlets = data.outlets;
    this.drafters = data.drafters;
    this.postings = data.postings;
    this.saver = new Saver(
      {
        id,
        now: () => ({ doc: this.page.doc, details: this.detailsNow(), step: this.#step }),
        put: (draft) => this.#put(draft),
        putEdits: (changes) => this.material.putEdits(changes),
      },
      { version, doc: this.page.doc, details },
    );
  }

  /** Starts the work that only a browser can do: called once, when the Spread stands there. */
  begin(): void {
    void this.#beginSaving();
    this.#endDressing = this.dress.begin();
    void this.material.findEdits();
    this.proofing.soon();
  }

  async #beginSaving(): Promise<void> {
    await this.saver.begin(this.#touchedAt);
    // What an earlier visit sent as its window closed may have arrived after this page was fetched.
    const { touchedAt } = await askServer<{ touchedAt: string }>(`/pieces/${this.id}/touched`).catch(() => ({ touchedAt: null }));
    if (touchedAt && new Date(touchedAt) > this.#touchedAt && this.saver.isUntouched) await invalidateAll();
  }

  /** Ends that work, and saves what is left to save. */
  end(): void {
    this.proofing.end();
    this.#endDressing();
    void this.saver.close();
  }

  /** The hosts of its outlets: what leads there stays in the house. */
  get hosts(): string[] {
    return this.outlets.flatMap(({ endpoint }) => (URL.canParse(endpoint) ? [new URL(endpoint).host] : []));
  }

  /** The drafting of this piece: fetched when it is first asked for, and the same from then on. */
  drafting(): Promise<Drafting> {
    this.#drafting ??= import('./write/draft/drafting.svelte.ts').then(({ Drafting }) => new Drafting(this));
    this.#drafting.catch(() => (this.#drafting = undefined));
    return this.#drafting;
  }

  /** Turns to the words selected on the page, to have them rewritten. */
  async rewriteSelected(): Promise<void> {
    const drafting = await this.drafting().catch(() => null);
    if (!drafting) status.says = 'This part could not be fetched: the server does not answer';
    else if (!drafting.turnToSelection()) status.says = 'Select the words that should be rewritten first';
    else {
      this.goTo('write');
      this.writeView = 'rounds';
    }
  }

  /** Takes over what the server knows after material was added or the piece was sent. */
  adopt(data: PieceData): void {
    if (this.saver.isUntouched) this.#step = data.piece.step;
    this.outlets = data.outlets;
    this.drafters = data.drafters;
    this.dress.know(data.dress);
    this.postings = data.postings;
    this.proofing.forget();
    this.material.take(data.sources, this.saver.unsentEdits);
    const { version, doc, details } = data.piece;
    void this.saver.takeOver({ version, doc: docFromJSON(doc), details });
    void this.material.findEdits();
    this.proofing.soon();
  }

  /** Puts a page and details here that came from elsewhere: the caret stays, and undo leaves them alone. */
  #put({ doc, details }: Draft) {
    this.#details = details;
    this.page.put(doc);
    this.proofing.soon();
  }

  // Setting one of them is a change of the piece, wherever it is set.
  readonly details: Details = new Proxy({} as Details, {
    get: (_, name) => Reflect.get(this.#details, name) as unknown,
    has: (_, name) => Reflect.has(this.#details, name),
    ownKeys: () => Reflect.ownKeys(this.#details),
    getOwnPropertyDescriptor: (_, name) => Reflect.getOwnPropertyDescriptor(this.#details, name),
    set: (_, name, value) => {
      Reflect.set(this.#details, name, value);
      this.#changed();
      return true;
    },
  });

  /** The details as they are now, as plain data. */
  detailsNow(): Details {
    return $state.snapshot(this.#details);
  }

  /** Puts other details in place of all of them. */
  setDetails(details: Details): void {
    this.#details = details;
    this.#changed();
  }

  #changed() {
    this.saver.restChanged();
    this.proofing.soon();
  }

  get step(): Step {
    return this.#step;
  }

  /** Goes to a step of the road. */
  goTo(step: Step): void {
    if (step === this.#step) return;
    this.#step = step;
    this.#changed();
  }

  // ── Between page and material ───────────────────────────────────────────────────────────────────────────

  /** Takes repairs over a source and puts others back. A draft that stands on the page follows. */
  changeEdits(id: string, take: readonly Edit[], drop: readonly Edit[]): void {
    const change: EditChange = { source: id, take: [...take], drop: drop.map(editKey) };
    const before = this.material.sources.find((s) => s.id === id)!;
    this.material.putEdits([change]);
    const { view } = this.page;
    if (view && before.reading !== 'plain') {
      const tr = view.state.tr;
      for (const c of draftChanges(tr.doc, id, before.source, before.edits, changeEdits(before.edits, change))) {
        if (c.text) tr.insertText(c.text, c.from, c.to);
        else tr.delete(c.from, c.to);
      }
      if (tr.docChanged) view.dispatch(closeHistory(tr));
    }
    this.saver.restChanged([change]);
  }

  /** Turns the paragraph of the caret between as said and as written, in one step that undo takes back. */
  async turnWording(): Promise<void> {
    const { parent } = this.page.view!.state.selection.$from;
    const { id, origins } = parent.attrs as { id: string; origins?: Origin[] };
    const text = parent.textContent.slice(turnIn(parent).length);
    const turned = await core().turnedBlock(this.material.tidied, text, origins ?? []);
    if (turned === null) status.says = 'These words were changed by hand: they stay as they are';
    else if (turned !== text) this.page.reword(id, text, turned);
  }

  /** Shows the passages an origin mark names on the left leaf. */
  showOrigin(origins: readonly Origin[]): void {
    if (!origins.length) return;
    if (this.step !== 'gather' && this.step !== 'tidy') this.goTo('gather');
    this.material.show(origins);
  }

  /** Plays a source from a letter of one of its passages, if there is a recording of it. */
  playFrom(id: string, passage: number, offset = 0): void {
    const source = this.material.sources.find((s) => s.id === id);
    const said = source?.source.passages[passage];
    if (!source?.recording || said?.startMs === undefined) return;
    this.material.openSource = id;
    this.player.source = source;
    void this.player.playFrom(timeAt(said, offset));
  }

  /** Plays what an origin mark names. */
  playOrigin([origin]: readonly Origin[]): void {
    if (origin) this.playFrom(origin.source, origin.first);
  }
}
