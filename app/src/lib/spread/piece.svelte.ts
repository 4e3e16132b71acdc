import { closeHistory } from 'prosemirror-history';
import type { EditorView } from 'prosemirror-view';
import { NodeSelection, TextSelection, type Command } from 'prosemirror-state';
import type { Step as PageStep } from 'prosemirror-transform';
import type { Details } from '@even-page/core/post/details';
import type { Draft } from '@even-page/core/post/merge';
import { withIds } from '@even-page/core/post/ids';
import { docFromJSON, schema, type Origin, type PostNode } from '@even-page/core/post/schema';
import { sectionsOf } from '@even-page/core/post/sections';
import { turnIn } from '@even-page/core/post/turns';
import { fedBy, feeding, tiesOf, type Stretch, type Ties } from '@even-page/core/shape/feeding';
import type { Finding } from '@even-page/core/proof/finding';
import type { Figures } from '@even-page/core/proof/figures';
import { draftChanges } from '@even-page/core/tidy/draft-changes';
import type { House } from '@even-page/core/tidy/house';
import { changeEdits, editKey, type Edit, type EditChange } from '@even-page/core/tidy/edit';
import { withSectionOf } from '@even-page/core/write/comparing';
import { looseTies, type TiesSeen } from '@even-page/core/write/holding';
import { askServer, form } from '$lib/ask-server.ts';
import { newBlockId } from '$lib/block-id.ts';
import type { Step } from '$lib/steps.ts';
import { status } from '$lib/status.svelte.ts';
import { core } from '$lib/workers/core.ts';
import { timeAt } from '@even-page/core/gather/recording/spoken';
import { Making } from './making.svelte.ts';
import type { Comparing, Outlet, Picture, PieceData, Posting, SourceInHand } from './piece-data.ts';
import { Player } from './player/player.svelte.ts';
import { sectionAt } from './page/commands.ts';
import { noteHeading } from './page/outline-commands.ts';
import { toDocument } from './page/to-document.ts';
import { Saver } from './saving/saver.svelte.ts';
import { showLooseTies } from './page/loose-ties.ts';
import { lightBlocks, type Light } from './page/lit-blocks.ts';

const PROOF_AFTER_MS = 400;

function leftIn({ proposed, edits }: Pick<SourceInHand, 'proposed' | 'edits'>): number {
  const taken = new Set(edits.map(editKey));
  return proposed!.filter((e) => !taken.has(editKey(e)) && e.kind !== 'asides').length;
}

/** The piece in hand: one truth for both leaves, the spine and the strip. The editor itself stays outside reactivity. */
export class Piece {
  readonly id: string;
  readonly house: House;
  readonly kinds: PieceData['kinds'];
  details = $state() as Details;
  step = $state() as Step;
  sources = $state.raw<SourceInHand[]>([]);
  outlets = $state.raw<Outlet[]>([]);
  postings = $state.raw<Posting[]>([]);
  findings = $state.raw<Finding[]>([]);
  figures = $state.raw<Figures | null>(null);
  /** Weights of pictures brought in during this visit, by address. */
  pictures = $state.raw<Record<string, Picture>>({});
  /** The ids of paragraphs whose origin marks may no longer hold. */
  loose = $state.raw<readonly string[]>([]);
  #held: TiesSeen = new WeakMap();
  /** Whether the writer is alone with the page: everything else is folded away. */
  alone = $state(false);
  /** Whether words are looked for on the page. */
  finding = $state(false);
  /** The stretches of the material that are being dragged to a section. */
  carried: readonly Stretch[] = [];
  /** The versions that are shown on the page instead of the page itself, if any. */
  comparing = $state.raw<Comparing | null>(null);
  /** The source open on the left leaf, and the passage it should show. */
  openSource = $state<string | null>(null);
  shownPassage = $state.raw<{ source: string; passage: number } | null>(null);
  /** A number that changes whenever the page does, and one that changes when the caret moves. */
  pageTick = $state(0);
  caretTick = $state(0);

  view: EditorView | null = null;
  #doc: PostNode;
  readonly #touchedAt: Date;
  readonly saver: Saver;
  readonly player = new Player();
  readonly making = new Making(this);
  #proofTimer: ReturnType<typeof setTimeout> | undefined;

  readonly sections = $derived.by(() => {
    void this.pageTick;
    return sectionsOf(this.doc);
  });
  readonly sectionHere = $derived.by(() => {
    void this.caretTick;
    return this.view ? sectionAt(this.sections, this.view.state.selection.from) : -1;
  });
  readonly hasWords = $derived.by(() => {
    void this.pageTick;
    return this.doc.textContent.trim() !== '';
  });
  /** Repairs proposed and neither taken nor looked at yet, over all sources; null while they are being found. */
  readonly leftToTidy = $derived(this.sources.every((s) => s.proposed) ? this.sources.reduce((sum, s) => sum + leftIn(s), 0) : null);
  // As text, so that typing, which changes no tie, ends here.
  readonly #ties = $derived.by(() => {
    void this.pageTick;
    return JSON.stringify(tiesOf(this.doc));
  });
  /** Which passages of the material feed which sections. */
  readonly fed = $derived(fedBy(JSON.parse(this.#ties) as Ties[]));
  /** The sources with what Tidy took and proposes, as the core wants them. */
  readonly tidied = $derived(this.sources.map(({ id, source, edits, proposed }) => ({ id, source, edits, proposed: proposed ?? [] })));

  constructor(data: PieceData) {
    this.id = data.piece.id;
    this.house = data.house;
    this.kinds = data.kinds;
    this.#doc = docFromJSON(data.piece.doc);
    this.step = data.piece.step;
    this.details = data.piece.details;
    this.#take(data);
    this.#touchedAt = data.piece.touchedAt;
    this.saver = new Saver(
      {
        id: this.id,
        now: () => ({ doc: this.doc, details: $state.snapshot(this.details), step: this.step }),
        put: (draft) => this.#put(draft),
        putEdits: (changes) => this.#putEdits(changes),
      },
      { version: data.piece.version, doc: this.#doc, details: data.piece.details },
    );
  }

  /** Starts the work that only a browser can do: called once, when the Spread stands there. */
  begin(): void {
    void this.saver.begin(this.#touchedAt);
    void this.#findEdits();
    this.#proofSoon();
  }

  /** Ends that work, and saves what is left to save. */
  end(): void {
    clearTimeout(this.#proofTimer);
    void this.saver.close();
  }

  /** The page as it is now. */
  get doc(): PostNode {
    return this.view?.state.doc ?? this.#doc;
  }

  /** Takes over what the server knows after material was added or the piece was sent. */
  adopt(data: PieceData): void {
    this.#take(data);
    const { version, doc, details } = data.piece;
    void this.saver.takeOver({ version, doc: docFromJSON(doc), details });
    void this.#findEdits();
    this.#proofSoon();
  }

  #take(data: PieceData) {
    // Whether a mark holds depends on the material.
    this.#held = new WeakMap();
    this.outlets = data.outlets;
    this.postings = data.postings;
    const known = new Map(this.sources.map((s) => [s.id, s]));
    // Words that came since, from the transcriber, are looked through anew.
    const isSame = (s: PieceData['sources'][number]) => known.get(s.id)?.source.passages.length === s.source.passages.length;
    this.sources = data.sources.map((s) => ({ ...s, proposed: isSame(s) ? (known.get(s.id)?.proposed ?? null) : null }));
    if (!this.sources.some((s) => s.id === this.openSource)) this.openSource = this.sources[0]?.id ?? null;
  }

  async #findEdits() {
    for (const { id, source, proposed } of this.sources) {
      if (proposed) continue;
      const found = await core().findEdits(source, this.house);
      this.sources = this.sources.map((s) => (s.id === id ? { ...s, proposed: found } : s));
    }
  }

  // ── The page ────────────────────────────────────────────────────────────────────────────────────────────

  /** The page changed under the writer's hands, by these steps. */
  pageChanged(steps: readonly PageStep[], areTyped = false): void {
    if (areTyped) this.#whenPainted(() => this.pageTick++);
    else this.pageTick++;
    this.saver.pageChanged(steps);
    this.#proofSoon();
  }

  /** The caret moved. */
  caretMoved(isTyped = false): void {
    if (isTyped) this.#whenPainted(() => this.caretTick++);
    else this.caretTick++;
  }

  // What stands around the page follows when the letter typed is painted: typing waits for nothing.
  #afterPaint: (() => void)[] = [];
  #whenPainted(follow: () => void): void {
    if (this.#afterPaint.push(follow) > 1) return;
    requestAnimationFrame(() =>
      setTimeout(() => {
        const all = this.#afterPaint;
        this.#afterPaint = [];
        for (const one of all) one();
      }),
    );
  }

  /** Details or the step changed. */
  changed(): void {
    this.saver.restChanged();
    this.#proofSoon();
  }

  /** Puts a page and details here that came from elsewhere: the caret stays, and undo leaves them alone. */
  #put({ doc, details }: Draft) {
    this.details = details;
    if (!this.view) this.#doc = doc;
    else {
      const tr = toDocument(this.view.state, doc);
      if (tr) this.view.dispatch(tr);
    }
    this.pageTick++;
    this.#proofSoon();
  }

  /** Gives the page to an editor, or takes it back from one. */
  attach(view: EditorView | null): void {
    this.#doc = this.doc;
    this.view = view;
    this.caretTick++;
    this.pageTick++;
  }

  /** Runs an editor command on the page and gives it the caret back. */
  run(command: Command): void {
    if (!this.view) return;
    command(this.view.state, this.view.dispatch, this.view);
    this.view.focus();
  }

  /** Puts other content on the page, in one step that undo takes back. */
  replacePage(doc: PostNode): void {
    if (!this.view) return;
    const tr = this.view.state.tr.replaceWith(0, this.view.state.doc.content.size, doc.content);
    // A step of its own for undo, however fast it follows on another.
    this.view.dispatch(closeHistory(tr.setSelection(TextSelection.atStart(tr.doc)).scrollIntoView()));
  }

  /** Rewrites the page where it differs from another, in a step that undo takes back; ids that are missing are given. */
  rewrite(doc: PostNode): void {
    if (!this.view) return;
    const tr = toDocument(this.view.state, withIds(doc, newBlockId));
    if (tr) this.view.dispatch(tr.setMeta('addToHistory', true));
  }

  /** Brings a whole version of the page back, in one step that undo takes back. */
  bringBack(doc: PostNode): void {
    this.replacePage(doc);
    this.comparing = null;
  }

  /** Brings one section of a version back, in one step that undo takes back. */
  bringBackSection(doc: PostNode, section: string): void {
    this.replacePage(withSectionOf(this.doc, doc, section));
  }

  /** Gives the first section that is headed so another heading, in one step that undo takes back. */
  renameHeading(old: string, heading: string): void {
    if (!this.view) return;
    const { tr, doc } = this.view.state;
    let at = -1;
    doc.forEach((block, pos) => {
      if (at < 0 && block.type === schema.nodes.heading && block.textContent === old) at = pos;
    });
    if (at < 0) return;
    const { size } = doc.nodeAt(at)!.content;
    this.view.dispatch(closeHistory(tr.insertText(heading, at + 1, at + 1 + size)));
    this.goToBlock(this.view.state.doc.nodeAt(at)!.attrs.id as string);
  }

  /** Turns the paragraph of the caret between as said and as written, in one step that undo takes back. */
  async turnWording(): Promise<void> {
    const { parent } = this.view!.state.selection.$from;
    const { id, origins } = parent.attrs as { id: string; origins?: Origin[] };
    const name = turnIn(parent).length;
    const text = parent.textContent.slice(name);
    const turned = await core().turnedBlock(this.tidied, text, origins ?? []);
    if (turned === null) status.says = 'These words were changed by hand: they stay as they are';
    else if (this.view && turned !== text) {
      this.view.state.doc.descendants((node, pos) => {
        if (node.attrs.id !== id || node.textContent.slice(name) !== text) return !node.isTextblock;
        this.view!.dispatch(closeHistory(this.view!.state.tr.insertText(turned, pos + 1 + name, pos + 1 + node.content.size)));
        return false;
      });
    }
  }

  /** Puts a picture into the page: at a position, or after the block of the caret. */
  insertPicture(picture: Picture, at?: number): void {
    if (!this.view) return;
    this.pictures = { ...this.pictures, [picture.src]: picture };
    const { state } = this.view;
    const spot = state.doc.resolve(Math.min(at ?? state.selection.to, state.doc.content.size));
    // Between blocks of the page, never inside a list or a paragraph.
    const place = spot.depth ? spot.after(1) : spot.pos;
    this.view.dispatch(state.tr.insert(place, schema.nodes.picture.create({ src: picture.src })).scrollIntoView());
  }

  /** Takes picture files in and puts them into the page. Throws Refused with a sentence when one is no picture. */
  async bringPictures(files: readonly File[], at?: number): Promise<void> {
    const { pictures } = await askServer<{ pictures: Picture[] }>(`/pieces/${this.id}/pictures`, form('picture', files));
    for (const picture of pictures) this.insertPicture(picture, at);
  }

  /** Lets stretches of the material feed a section, in one step that undo takes back. */
  feed(section: string, stretches: readonly Stretch[]): void {
    this.feedAll(stretches.map((stretch) => ({ section, stretch })));
  }

  /** Lets stretches of the material feed a section each, in one step that undo takes back. */
  feedAll(feeds: readonly { section: string; stretch: Stretch }[]): void {
    if (!this.view) return;
    const tr = this.view.state.tr;
    for (const { section, stretch } of feeds) {
      const found = feeding(tr.doc, section, stretch);
      if (found) tr.insert(found.at + 1, found.resumes).insert(found.at, found.paragraph);
    }
    if (tr.docChanged) this.view.dispatch(closeHistory(tr));
  }

  /** Sets how many words a section is to have; 0 when none are said. */
  wantWords(section: string, words: number): void {
    if (this.view) noteHeading(section, { target: words })(this.view.state, this.view.dispatch);
  }

  /** Goes to a block of the page, selects the stretch of its text if one is given, and lights it. */
  goToBlock(id: string, from?: number, to?: number): void {
    if (!this.view) return;
    const { state } = this.view;
    let at = -1;
    state.doc.descendants((node, pos) => {
      if (at < 0 && node.attrs.id === id) at = pos;
      return at < 0 && !node.isTextblock;
    });
    if (at < 0) return;
    const node = state.doc.nodeAt(at)!;
    const selection = node.isTextblock
      ? TextSelection.create(state.doc, at + 1 + (from ?? 0), at + 1 + (to ?? from ?? 0))
      : node.type === schema.nodes.picture
        ? NodeSelection.create(state.doc, at)
        : TextSelection.near(state.doc.resolve(at + 1));
    this.view.dispatch(state.tr.setSelection(selection).setMeta('addToHistory', false));
    this.view.focus();
    const dom = this.view.nodeDOM(at) as HTMLElement | null;
    dom?.scrollIntoView({ block: 'center', behavior: 'smooth' });
    this.light({ block: id });
  }

  /** Goes to a section by its number: to its heading, or to the top for what stands before the first. */
  goToSection(n: number): void {
    const section = this.sections[n];
    if (!section) return;
    const id = section.id === 'lead' ? (this.doc.firstChild?.attrs.id as string) : section.id;
    this.goToBlock(id);
  }

  /** Lights blocks of the page, or puts the light out. */
  light(light: Light): void {
    if (this.view) lightBlocks(this.view, light);
  }

  /** Shows the passages an origin mark names on the left leaf. */
  showOrigin(origins: readonly Origin[]): void {
    const [origin] = origins;
    if (!origin) return;
    if (this.step !== 'gather' && this.step !== 'tidy') this.goTo('gather');
    this.openSource = origin.source;
    this.shownPassage = { source: origin.source, passage: origin.first };
  }

  /** Takes the origin marks off a block, in one step that undo takes back. */
  untie(id: string): void {
    this.view?.state.doc.descendants((node, pos) => {
      if (node.attrs.id === id) this.view!.dispatch(closeHistory(this.view!.state.tr.setNodeAttribute(pos, 'origins', [])));
      return !node.isTextblock;
    });
  }

  /** Plays a source from a letter of one of its passages, if there is a recording of it. */
  playFrom(id: string, passage: number, offset = 0): void {
    const source = this.sources.find((s) => s.id === id);
    const said = source?.source.passages[passage];
    if (!source?.recording || said?.startMs === undefined) return;
    this.openSource = id;
    this.player.source = source;
    void this.player.playFrom(timeAt(said, offset));
  }

  /** Plays what an origin mark names. */
  playOrigin(origins: readonly Origin[]): void {
    const [origin] = origins;
    if (origin) this.playFrom(origin.source, origin.first);
  }

  // ── The road ────────────────────────────────────────────────────────────────────────────────────────────

  goTo(step: Step): void {
    if (step === this.step) return;
    this.step = step;
    this.changed();
  }

  /** Takes repairs over a source and puts others back. A draft that stands on the page follows. */
  changeEdits(id: string, take: readonly Edit[], drop: readonly Edit[]): void {
    const change: EditChange = { source: id, take: [...take], drop: drop.map(editKey) };
    const before = this.sources.find((s) => s.id === id)!;
    this.#putEdits([change]);
    if (this.view && before.reading !== 'plain') {
      const tr = this.view.state.tr;
      for (const c of draftChanges(tr.doc, id, before.source, before.edits, changeEdits(before.edits, change))) {
        if (c.text) tr.insertText(c.text, c.from, c.to);
        else tr.delete(c.from, c.to);
      }
      if (tr.docChanged) this.view.dispatch(closeHistory(tr));
    }
    this.saver.restChanged([change]);
  }

  #putEdits(changes: readonly EditChange[]) {
    for (const change of changes) {
      this.sources = this.sources.map((s) => (s.id === change.source ? { ...s, edits: changeEdits(s.edits, change) } : s));
    }
  }

  // ── Proof ───────────────────────────────────────────────────────────────────────────────────────────────

  #proofSoon() {
    clearTimeout(this.#proofTimer);
    this.#proofTimer = setTimeout(() => void this.#proof(), PROOF_AFTER_MS);
  }

  async #proof() {
    const loose = looseTies(this.doc, this.sources, this.#held);
    if (loose.join() !== this.loose.join()) {
      this.loose = loose;
      if (this.view) showLooseTies(this.view, loose);
    }
    const result = await core().proof(this.doc.toJSON() as object, $state.snapshot(this.details));
    this.findings = result.findings;
    this.figures = result.figures;
  }
}
