import type { Details } from '@even-page/core/post/details';
import type { Form, OwnBrief } from '@even-page/core/post/brief';
import { docFromJSON, type Origin, type PostNode, schema } from '@even-page/core/post/schema';
import { plainText, wordsIn } from '@even-page/core/post/sections';
import { headedParts, type HeadedPart, markedText, readAnswer, type TaskName, TASKS } from '@even-page/core/write';
import { STANDING_PARTS } from '@even-page/core/shape';
import { newRowId } from '$lib/block-id.ts';
import { askServer, json, refusalOf } from '$lib/ask-server.ts';
import { type BriefGround, type StandingBrief } from '$lib/workers/core/drafting.ts';
import { core } from '$lib/workers/core.ts';
import type { MaterialInHand } from '../../gather/material-in-hand.svelte.ts';
import type { PageInHand } from '../../page/page-in-hand.svelte.ts';
import type { Drafter, Round } from '../../piece-data.ts';
import { newsFrom } from '$lib/news.ts';
import { placeOf, selectedWords, type Target, wordsOf } from './target.ts';

/** A round that is at work, and what came of it so far. */
export type Running = { target: Target; task: TaskName; text: string; stop: () => void };

/** A proposal: what a round came to for one place, as blocks. */
export type Proposal = { doc: PostNode; unknown: string[]; missing: string[] };

/** What is drafted for: the page, its details and the material, and who can be asked. */
type InHand = {
  readonly id: string;
  readonly page: PageInHand;
  readonly material: MaterialInHand;
  readonly details: Details;
  readonly drafters: readonly Drafter[];
  detailsNow: () => Details;
};

const AFTER_MS = 350;

/** The brief, the rounds with drafters, and what is proposed: all of it beside the page, never on it by itself. */
export class Drafting {
  readonly #piece: InHand;
  rounds = $state.raw<Round[] | null>(null);
  brief = $state.raw<StandingBrief | null>(null);
  running = $state.raw<Running | null>(null);
  /** How many sections are left to draft one by one. */
  left = $state(0);
  sorry = $state('');
  drafter = $state('');
  target = $state.raw<Target>({ kind: 'section', id: 'lead' });
  /** The round that is looked at, by its id; the newest of its target when none was chosen. */
  chosen = $state<string | null>(null);
  /** A part of a whole answer that is looked at, by its place. */
  part = $state<number | null>(null);
  /** What the writer changed in a proposal before taking it, by round and part. */
  edited = $state.raw(new Map<string, PostNode>());
  #timer: ReturnType<typeof setTimeout> | undefined;
  #asked = 0;

  constructor(piece: InHand) {
    this.#piece = piece;
    this.drafter = piece.drafters[0]?.id ?? '';
    void this.load();
  }

  /** The headed sections of the page that can be drafted one by one. */
  get sections() {
    return this.#piece.page.sections;
  }

  get drafterName(): string {
    return this.#piece.drafters.find((d) => d.id === this.drafter)?.name ?? '';
  }

  async load(): Promise<void> {
    await this.#attempt(async () => {
      this.rounds = (await askServer<{ rounds: Round[] }>(`/pieces/${this.#piece.id}/rounds`)).rounds;
    });
  }

  async #attempt(work: () => Promise<void>): Promise<void> {
    this.sorry = '';
    this.sorry = await refusalOf(work);
  }

  // ── The brief ────────────────────────────────────────────────────────────────────────────────────────────

  /** What the brief is made from, as it stands. */
  ground(): BriefGround {
    const { page, material } = this.#piece;
    return {
      doc: page.doc.toJSON() as object,
      details: this.#piece.detailsNow(),
      house: $state.snapshot(material.house),
      tidied: material.tidied,
      names: Object.fromEntries(material.sources.map((s) => [s.id, s.name])),
    };
  }

  /** Fills the brief in anew when nothing has changed for a moment. */
  soon(): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.fillIn(), this.brief ? AFTER_MS : 0);
  }

  async fillIn(): Promise<void> {
    const turn = ++this.#asked;
    const found = await core().brief(this.ground());
    // A later question has overtaken this answer.
    if (turn === this.#asked) this.brief = found;
  }

  /** Says something in the brief; undefined leaves it open again. */
  say(change: Partial<OwnBrief>): void {
    const said = { ...(this.#piece.detailsNow().brief ?? {}), ...change };
    for (const [name, value] of Object.entries(said)) if (value === undefined) delete said[name as keyof OwnBrief];
    this.#piece.details.brief = Object.keys(said).length ? said : undefined;
    this.soon();
  }

  /** Says something of one section: its form, of what, the passages that feed it. */
  saySection(id: string, change: { form?: Form; of?: string; passages?: string[] }): void {
    const all = this.#piece.detailsNow().brief?.sections ?? [];
    const own = { ...(all.find((s) => s.id === id) ?? { id }), ...change };
    this.say({ sections: [...all.filter((s) => s.id !== id), own] });
  }

  // ── Rounds ───────────────────────────────────────────────────────────────────────────────────────────────

  /** The rounds about a place, the newest first. */
  roundsOf(target: Target): Round[] {
    return (this.rounds ?? []).filter((round) => isAbout(round, target));
  }

  /** The round that is shown for the place in hand: the chosen one, or the newest that came to something. */
  get shown(): Round | null {
    const own = this.roundsOf(this.target);
    return own.find((r) => r.id === this.chosen) ?? own[0] ?? null;
  }

  /** Turns to a place, and to the newest that was proposed for it. */
  turnTo(target: Target): void {
    this.target = target;
    this.chosen = this.part = null;
    this.sorry = '';
  }

  /** Turns to the words selected on the page. False when none are. */
  turnToSelection(): boolean {
    const found = selectedWords(this.#piece.page);
    if (found) this.turnTo(found);
    return found !== null;
  }

  /** Asks the drafter for something about a place; what comes is shown as it comes. */
  async ask(task: TaskName, target: Target = this.target, wish = ''): Promise<void> {
    if (this.running) return;
    this.target = target;
    this.chosen = this.part = null;
    const stop = new AbortController();
    this.running = { target, task, text: '', stop: () => stop.abort() };
    await this.#attempt(async () => {
      const id = newRowId();
      const { page, material } = this.#piece;
      const was = wordsOf(page.doc, target);
      const all = await core().passages(material.tidied);
      const given = Object.entries(all).map(([key, origin]) => ({ id: key, origin }));
      const isRewrite = 'isRewrite' in TASKS[task] || task === 'check';
      // A proposal that is looked at is what a change is asked of, not the page.
      const about = isRewrite ? (this.#askedOf(target) ?? was) : null;
      const { request, passages } = await core().draftRequest(this.ground(), {
        task,
        wish,
        section: target.kind === 'section' ? target.id : target.kind === 'words' ? target.section : '',
        ...(about ? { text: markedText(about, given) } : {}),
        before: task === 'section' ? this.#before(target) : [],
      });
      const asked = this.#asking(target, task, was);
      const body = json('POST', { id, drafter: this.drafter, request, passages: isRewrite ? all : passages, asked });
      for await (const news of newsFrom<{ text: string } | { note: string } | { round: Round }>(
        `/pieces/${this.#piece.id}/rounds`,
        body,
        stop.signal,
      )) {
        if ('text' in news) this.running = { ...this.running!, text: this.running!.text + news.text };
        if ('round' in news) this.rounds = [news.round, ...(this.rounds ?? [])];
      }
      // What came before it was stopped is kept by the server.
      if (stop.signal.aborted) await this.load();
    });
    this.running = null;
  }

  /** Stops the round at work, and those that would follow. */
  stop(): void {
    this.left = 0;
    this.running?.stop();
  }

  /** Drafts section after section, in the order of the outline; each knows what went before. */
  async draftAll(): Promise<void> {
    const all = this.sections.map((s): Target => ({ kind: 'section', id: s.id }));
    this.left = all.length;
    for (const target of all) {
      if (!this.left) return;
      await this.ask('section', target);
      if (this.sorry) break;
      this.left = Math.max(0, this.left - 1);
    }
    this.left = 0;
  }

  /** Keeps an answer that was fetched by hand, for the place in hand. */
  async paste(text: string): Promise<void> {
    const { target } = this;
    const { page, material } = this.#piece;
    await this.#attempt(async () => {
      const passages = await core().passages(material.tidied);
      const section = target.kind === 'section' ? target.id : '';
      const asked = this.#asking(target, 'section', wordsOf(page.doc, target));
      const body = json('POST', { id: newRowId(), section, answer: text, passages, asked });
      const { round } = await askServer<{ round: Round }>(`/pieces/${this.#piece.id}/rounds/pasted`, body);
      this.rounds = [round, ...(this.rounds ?? [])];
      this.chosen = this.part = null;
    });
  }

  #asking(target: Target, task: TaskName, was: PostNode) {
    const part = target.kind === 'section' ? this.brief?.outline.find((p) => p.id === target.id) : undefined;
    const FORMED: Partial<Record<TaskName, Form>> = { list: 'list', steps: 'steps', table: 'table' };
    const words = target.kind === 'whole' ? (this.#piece.details.words ?? 0) : task === 'section' ? (part?.words ?? 0) : 0;
    return {
      form: FORMED[task] ?? (task === 'section' ? (part?.form ?? 'paragraphs') : 'paragraphs'),
      words,
      blocks: target.kind === 'words' ? target.blocks : [],
      was: was.toJSON() as object,
    };
  }

  /** What a change is asked of: the proposal that is looked at, if it was not taken yet. */
  #askedOf(target: Target): PostNode | null {
    const round = this.roundsOf(target)[0];
    return round && !round.taken && round.answer ? this.proposalOf(round).doc : null;
  }

  /** What stands before a section: what was proposed for each and not taken yet, or else what is there. */
  #before(target: Target) {
    if (target.kind !== 'section') return [];
    const at = this.sections.findIndex((s) => s.id === target.id);
    return this.sections.slice(0, Math.max(0, at)).map((s) => {
      const [round] = this.roundsOf({ kind: 'section', id: s.id });
      const doc =
        round && !round.taken && round.answer ? this.proposalOf(round).doc : wordsOf(this.#piece.page.doc, { kind: 'section', id: s.id });
      return { heading: s.heading, text: plainText(doc, '\n\n') };
    });
  }

  // ── Proposals ────────────────────────────────────────────────────────────────────────────────────────────

  /** What a round proposes, with what the writer changed in it. */
  proposalOf(round: Round, part: number | null = null): Proposal {
    const passages = new Map<string, Origin>(Object.entries(round.passages));
    const { doc, unknown, missing } = readAnswer(round.answer, passages);
    const own = part === null ? withoutOwnHeading(doc, this.#headingOf(round)) : (this.partsOf(round)[part]?.doc ?? doc);
    return { doc: this.edited.get(`${round.id}:${part}`) ?? own, unknown, missing };
  }

  /** The headed parts of an answer about the whole post, each with the section of the page it belongs to. */
  partsOf(round: Round): HeadedPart[] {
    const { doc } = readAnswer(round.answer, new Map(Object.entries(round.passages)));
    const standing = STANDING[round.task];
    if (standing) {
      const made = STANDING_PARTS[standing];
      const heading = 'heading' in made ? made.heading : '';
      const home = heading ? this.sections.find((s) => s.heading === heading)?.id : 'lead';
      return [{ heading, home: home ?? null, doc: withoutOwnHeading(doc, heading) }];
    }
    return headedParts(doc, this.#piece.page.doc);
  }

  #headingOf({ section }: Round): string {
    return this.sections.find((s) => s.id === section)?.heading ?? '';
  }

  /** Changes a proposal before it is taken. */
  edit(round: Round, part: number | null, doc: PostNode): void {
    this.edited = new Map([...this.edited, [`${round.id}:${part}`, doc]]);
  }

  /** Puts blocks of a proposal on the page, where it belongs, and notes that it was taken. */
  async take(round: Round, blocks: readonly PostNode[], how: 'whole' | 'part', target: Target = this.target): Promise<void> {
    const { page } = this.#piece;
    const place = placeOf(page.doc, target, docFromJSON(round.asked.was));
    if (!place) {
      this.sorry = 'The words this was made for are not on the page any more: select where it should go and ask again.';
      return;
    }
    if (place.inside) page.putInside(place.from, place.to, blocks);
    else page.putBlocks(place.from, place.to, blocks);
    await this.#noteTaken(round, how);
  }

  /** Takes every part of a whole answer: each in the place of its section, those that have none as new sections at the end. */
  async takeParts(round: Round): Promise<void> {
    const { page } = this.#piece;
    if (round.task === 'outline') {
      // Headings alone: what each must hold is its note.
      const known = new Set(this.sections.map((s) => s.heading));
      const fresh = this.partsOf(round).filter((part) => part.heading && !known.has(part.heading));
      const headings = fresh.map((part) =>
        schema.nodes.heading.create({ level: 2, note: part.doc.textContent.slice(0, 2000) }, schema.text(part.heading)),
      );
      page.putBlocks(page.doc.content.size, page.doc.content.size, headings);
      return this.#noteTaken(round, 'whole');
    }
    for (const [n, part] of this.partsOf(round).entries()) {
      const { doc } = this.proposalOf(round, n);
      const place = part.home ? placeOf(page.doc, { kind: 'section', id: part.home }, null) : null;
      if (place) page.putBlocks(place.from, place.to, doc.children);
      else {
        const heading = part.heading ? [schema.nodes.heading.create({ level: 2 }, schema.text(part.heading))] : [];
        page.putBlocks(page.doc.content.size, page.doc.content.size, [...heading, ...doc.children]);
      }
    }
    await this.#noteTaken(round, 'whole');
  }

  async #noteTaken(round: Round, taken: 'whole' | 'part'): Promise<void> {
    const takenAt = new Date().toISOString();
    this.rounds = (this.rounds ?? []).map((r) => (r.id === round.id ? { ...r, taken, takenAt } : r));
    await this.#attempt(async () => void (await askServer(`/pieces/${this.#piece.id}/rounds/${round.id}`, json('PUT', { taken }))));
  }
}

/** Tasks that make a standing part of the whole post. */
const STANDING: Partial<Record<TaskName, 'introduction' | 'conclusion' | 'questions'>> = {
  introduction: 'introduction',
  conclusion: 'conclusion',
  questions: 'questions',
};

const isAbout = (round: Round, target: Target): boolean =>
  target.kind === 'words'
    ? round.asked.blocks.length > 0 && round.asked.blocks.join() === target.blocks.join()
    : !round.asked.blocks.length && round.section === (target.kind === 'section' ? target.id : '');

/** A proposal without the heading of its own section, which stands on the page already. */
function withoutOwnHeading(doc: PostNode, heading: string): PostNode {
  const first = doc.firstChild;
  const isOwn =
    first?.type === schema.nodes.heading && doc.childCount > 1 && first.textContent.trim().toLowerCase() === heading.trim().toLowerCase();
  return isOwn ? doc.copy(doc.content.cut(first.nodeSize)) : doc;
}

/** How many words some blocks have. */
export const wordsInAll = (doc: PostNode): number => doc.children.reduce((sum, block) => sum + wordsIn(block), 0);
