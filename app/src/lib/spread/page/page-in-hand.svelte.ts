import { closeHistory } from 'prosemirror-history';
import type { EditorView } from 'prosemirror-view';
import { NodeSelection, TextSelection, type Command } from 'prosemirror-state';
import type { Step as PageStep } from 'prosemirror-transform';
import { withIds } from '@even-page/core/post/ids';
import { schema, type PostNode } from '@even-page/core/post/schema';
import { sectionsOf } from '@even-page/core/post/sections';
import { turnIn } from '@even-page/core/post/turns';
import type { Finding } from '@even-page/core/proof';
import { fedBy, feeding, type Stretch, type Ties, tiesOf } from '@even-page/core/shape';
import { withSectionOf } from '@even-page/core/write';
import { newBlockId } from '$lib/block-id.ts';
import type { Comparing } from '../piece-data.ts';
import { sectionAt } from './commands.ts';
import { lightBlocks, type Light } from './lit-blocks.ts';
import { mendFinding } from './mend-finding.ts';
import { noteHeading } from './outline-commands.ts';
import { toDocument } from './to-document.ts';

/** The page in hand: its document, the editor it is in if it is in one, and what can be done with it. The editor itself stays outside reactivity. */
export class PageInHand {
  view: EditorView | null = null;
  #doc: PostNode;
  readonly #onchange: (steps: readonly PageStep[]) => void;
  /** A number that changes whenever the page does, and one that changes when the caret moves. */
  tick = $state(0);
  caretTick = $state(0);
  /** The stretches of the material that are being dragged to a section. */
  carried: readonly Stretch[] = [];
  /** Whether words are looked for on the page. */
  finding = $state(false);
  /** The versions that are shown on the page instead of the page itself, if any. */
  comparing = $state.raw<Comparing | null>(null);

  readonly sections = $derived.by(() => {
    void this.tick;
    return sectionsOf(this.doc);
  });
  readonly sectionHere = $derived.by(() => {
    void this.caretTick;
    return this.view ? sectionAt(this.sections, this.view.state.selection.from) : -1;
  });
  readonly hasWords = $derived.by(() => {
    void this.tick;
    return this.doc.textContent.trim() !== '';
  });
  // As text, so that typing, which changes no tie, ends here.
  readonly #ties = $derived.by(() => {
    void this.tick;
    return JSON.stringify(tiesOf(this.doc));
  });
  /** Which passages of the material feed which sections. */
  readonly fed = $derived(fedBy(JSON.parse(this.#ties) as Ties[]));

  /** @param onchange is told of each step the writer's hands make */
  constructor(doc: PostNode, onchange: (steps: readonly PageStep[]) => void) {
    this.#doc = doc;
    this.#onchange = onchange;
  }

  /** The page as it is now. */
  get doc(): PostNode {
    return this.view?.state.doc ?? this.#doc;
  }

  /** The page changed under the writer's hands, by these steps. */
  changed(steps: readonly PageStep[], areTyped = false): void {
    if (areTyped) this.#whenPainted(() => this.tick++);
    else this.tick++;
    this.#onchange(steps);
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

  /** Puts a page here that came from elsewhere: the caret stays, and undo leaves it alone. */
  put(doc: PostNode): void {
    if (!this.view) this.#doc = doc;
    else {
      const tr = toDocument(this.view.state, doc);
      if (tr) this.view.dispatch(tr);
    }
    this.tick++;
  }

  /** Gives the page to an editor, or takes it back from one. */
  attach(view: EditorView | null): void {
    this.#doc = this.doc;
    this.view = view;
    this.caretTick++;
    this.tick++;
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

  /** Puts blocks where a stretch of the page stands, in one step that undo takes back; ids that are missing are given. */
  putBlocks(from: number, to: number, blocks: readonly PostNode[]): void {
    if (!this.view) return;
    const { tr, doc } = this.view.state;
    const kept = new Set<string>();
    doc.forEach((block, pos) => void ((pos < from || pos >= to) && kept.add(block.attrs.id as string)));
    const given = withIds(schema.node('doc', null, [...blocks]), () => newBlockId()).children.map((block) =>
      kept.has(block.attrs.id as string) ? block.type.create({ ...block.attrs, id: newBlockId() }, block.content) : block,
    );
    tr.replaceWith(from, to, blocks.length ? given : []);
    this.view.dispatch(closeHistory(tr));
  }

  /** Puts words where a stretch of one paragraph stands: one paragraph joins it, several part it. */
  putInside(from: number, to: number, blocks: readonly PostNode[]): void {
    if (!this.view) return;
    const [only] = blocks;
    const { tr, doc } = this.view.state;
    if (blocks.length === 1 && only!.isTextblock) this.view.dispatch(closeHistory(tr.replaceWith(from, to, only!.content)));
    else {
      const around = doc.resolve(from);
      const [start, end] = [around.before(1), around.after(1)];
      const paragraph = around.node(1);
      const rest = (content: PostNode['content']) => (content.textBetween(0, content.size).trim() ? [paragraph.copy(content)] : []);
      const head = rest(paragraph.content.cut(0, from - around.start(1)));
      const tail = rest(paragraph.content.cut(to - around.start(1)));
      this.putBlocks(start, end, [...head, ...blocks, ...tail]);
    }
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

  /** Gives the paragraph of an id other words behind its voice, where it still says the old, in one step that undo takes back. */
  reword(id: string, old: string, words: string): void {
    this.view?.state.doc.descendants((node, pos) => {
      const name = turnIn(node).length;
      if (node.attrs.id !== id || node.textContent.slice(name) !== old) return !node.isTextblock;
      this.view!.dispatch(closeHistory(this.view!.state.tr.insertText(words, pos + 1 + name, pos + 1 + node.content.size)));
      return false;
    });
  }

  /** Puts blocks between those of the page: at a position, or after the block of the caret. Returns their ids. */
  insertBlocks(blocks: readonly PostNode[], at?: number): string[] {
    if (!this.view || !blocks.length) return [];
    const { state } = this.view;
    const own = blocks.map((block) => block.type.create({ ...block.attrs, id: newBlockId() }, block.content));
    const spot = state.doc.resolve(Math.min(at ?? state.selection.to, state.doc.content.size));
    // Never inside a list or a paragraph.
    const place = spot.depth ? spot.after(1) : spot.pos;
    const tr = state.tr.insert(place, own);
    this.view.dispatch(closeHistory(tr.setSelection(NodeSelection.create(tr.doc, place)).scrollIntoView()));
    return own.map((block) => block.attrs.id as string);
  }

  /** Runs a command on the page from beside it: the keyboard stays where it is. Says whether it could be done. */
  apply(command: Command): boolean {
    return this.view ? command(this.view.state, this.view.dispatch) : false;
  }

  /** Mends what findings are about, in one step that undo takes back; says how many: those whose place is no longer as it was found stay. */
  mend(findings: readonly Finding[]): number {
    if (!this.view) return 0;
    const { tr } = this.view.state;
    const mended = findings.filter((finding) => mendFinding(tr, finding)).length;
    if (mended) this.view.dispatch(closeHistory(tr));
    return mended;
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

  /** Says what a section must say. */
  noteSection(section: string, note: string): void {
    if (this.view) noteHeading(section, { note })(this.view.state, this.view.dispatch);
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
      : node.isLeaf
        ? NodeSelection.create(state.doc, at)
        : TextSelection.between(state.doc.resolve(at + 1 + (from ?? 0)), state.doc.resolve(at + 1 + (to ?? from ?? 0)));
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

  /** Takes the origin marks off a block, in one step that undo takes back. */
  untie(id: string): void {
    this.view?.state.doc.descendants((node, pos) => {
      if (node.attrs.id === id) this.view!.dispatch(closeHistory(this.view!.state.tr.setNodeAttribute(pos, 'origins', [])));
      return !node.isTextblock;
    });
  }
}
