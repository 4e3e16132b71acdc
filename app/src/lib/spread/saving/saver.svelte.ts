import { Step as PageStep } from 'prosemirror-transform';
import type { Details } from '@even-page/core/post/details';
import { mergeDrafts, type Choice, type Draft } from '@even-page/core/post/merge';
import { docFromJSON, schema, type PostNode } from '@even-page/core/post/schema';
import type { EditChange } from '@even-page/core/tidy';
import { askServer, json, Refused } from '$lib/ask-server.ts';
import { randomName } from '$lib/block-id.ts';
import { sayTime } from '$lib/parts/moments.ts';
import { status } from '$lib/status.svelte.ts';
import type { Step } from '$lib/steps.ts';
import { MOST_EDITS } from '$lib/limits.ts';
import { BrowserJournal, type Unsaved } from './browser-journal.ts';
import type { SentDraft } from './sent-draft.ts';
import { cutChanges } from './cut-changes.ts';

/** What is saved of a piece. */
export type State = Draft & { step: Step };

/** A version as the server has it. */
type Version = Draft & { version: number };

/** Words that a visit kept, as plain text. */
export type Offered = { visit: string; words: string };

/** The piece as the saver sees it. */
export type Held = {
  readonly id: string;
  now: () => State;
  /** Puts a page and details in place of what is there, with the caret where it was. */
  put: (draft: Draft) => void;
  /** Repairs of sources found in the journal. */
  putEdits: (edits: readonly EditChange[]) => void;
};

const SAVE_AFTER_MS = 500;
const FIRST_RETRY_MS = 500;
const LAST_RETRY_MS = 8000;
// A browser's database that hangs must not hold up the server.
const LONGEST_KEEPING_MS = 2000;

const newKey = () => randomName(20);

const AWAY = 'the server is away';
const ASKS = 'Changed here and elsewhere: choose below';

/**
 * Keeps what is written: in the browser as it is typed, on the server as soon as it answers. A save names the
 * version it is based on; what somebody else saved in between is put together with it, and where both changed
 * the same, nothing is sent until the writer has chosen.
 */
export class Saver {
  /** The version on the server that the page here is based on. */
  version = $state(0);
  /** Places changed here and elsewhere that wait for the writer. */
  choices = $state.raw<Choice[]>([]);

  readonly #held: Held;
  readonly #journal: BrowserJournal;
  #base: Version;
  /** What the choices are about, until they are made. */
  #theirs: Version | null = null;
  /** Words that an earlier visit kept and that could not be put onto the page: the writer says what becomes of them. */
  offered = $state.raw<Offered[]>([]);
  /** A draft on its way: sent, its answer not heard yet. `kept` resolves when the browser's journal has it. */
  #sent = $state.raw<{ draft: SentDraft; doc: PostNode; kept: Promise<unknown> } | null>(null);
  #edits: EditChange[] = [];
  #dirty = $state(false);
  /** Earlier visits whose words are not on the page yet. */
  #takingIn = $state(0);
  #working: Promise<void> | null = null;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #retryMs = FIRST_RETRY_MS;
  #closed = false;

  constructor(held: Held, base: Version) {
    this.#held = held;
    this.#base = base;
    this.version = base.version;
    this.#journal = new BrowserJournal(held.id, base.version, () => this.#sayKept('this browser has no room to keep a copy'));
  }

  /** Begins to keep, and takes in what an earlier visit could not send. */
  async begin(touchedAt: Date): Promise<void> {
    this.#say('');
    window.addEventListener('online', this.#tryAgain);
    document.addEventListener('visibilitychange', this.#tryAgain);
    this.#journal.begin();
    void this.#keep(this.#base.version);
    await this.#journal.takeOver((kept) => this.#takeIn(kept)).catch(() => this.#sayKept('this browser keeps nothing'));
    if (this.isSaved && !status.says) this.#saySaved(touchedAt);
  }

  /** Ends the visit. What the server does not have stays in the browser for the next one. */
  async close(): Promise<void> {
    window.removeEventListener('online', this.#tryAgain);
    document.removeEventListener('visibilitychange', this.#tryAgain);
    await this.save();
    this.#closed = true;
    clearTimeout(this.#timer);
    if (this.#hasSent) await this.#journal.drop();
    this.#journal.close();
  }

  /** Whether the server has everything, and nothing that this browser kept is left to put onto the page. */
  get isSaved(): boolean {
    return this.#hasSent && !this.#takingIn && !this.offered.length;
  }

  /** Whether the server has everything of this visit. */
  get #hasSent(): boolean {
    return !this.#dirty && !this.#sent && !this.choices.length;
  }

  /** Whether all of it would be there again if this window closed now. */
  get isSafe(): boolean {
    return this.isSaved || this.#journal.holdsAll;
  }

  /** Whether nothing was changed in this visit that the server does not have. */
  get isUntouched(): boolean {
    return this.isSaved && !this.#edits.length;
  }

  /** Repairs that the server does not have yet, as far as anybody knows. */
  get unsentEdits(): readonly EditChange[] {
    return [...(this.#sent?.draft.edits ?? []), ...this.#edits];
  }

  /** The page changed by these steps. */
  pageChanged(steps: readonly PageStep[]): void {
    this.#journal.keepSteps(steps.map((step) => step.toJSON() as object));
    this.#changed();
  }

  /** Details or step changed, or repairs of a source were taken or put back. */
  restChanged(edits: readonly EditChange[] = []): void {
    this.#edits.push(...edits);
    this.#keepRest();
    this.#changed();
  }

  /** Takes over what the server has now, as after material was added there. */
  async takeOver(theirs: Version): Promise<void> {
    while (this.#working) await this.#working;
    this.#putTogether(this.#base, theirs);
  }

  /** Saves what changed; resolves when the server has all of it, or with the reason said in the head line. */
  async save(): Promise<void> {
    clearTimeout(this.#timer);
    this.#working ??= this.#saveAll().finally(() => (this.#working = null));
    await this.#working;
  }

  /** Settles one choice: this side's change stays, theirs takes its place, or both stay. */
  choose(choice: Choice, which: 'mine' | 'theirs' | 'both'): void {
    if (which !== 'mine') {
      const { doc, details } = this.#held.now();
      if (choice.kind === 'detail') this.#held.put({ doc, details: { ...details, [choice.name]: choice.theirs } });
      else this.#held.put({ doc: withChoice(doc, choice, which === 'both'), details });
    }
    this.choices = this.choices.filter((c) => c !== choice);
    if (this.choices.length || !this.#theirs) return;
    this.#base = this.#theirs;
    this.version = this.#theirs.version;
    this.#theirs = null;
    this.#dirty = true;
    void this.save();
  }

  // ── Sending ─────────────────────────────────────────────────────────────────────────────────────────────

  #changed() {
    this.#dirty = true;
    if (this.choices.length) return;
    if (status.gravity === 'fine') this.#say('Saving');
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.save(), SAVE_AFTER_MS);
  }

  readonly #tryAgain = () => {
    if (!this.isSaved && document.visibilityState === 'visible') void this.save();
  };

  async #saveAll(): Promise<void> {
    let goesOn = true;
    while (goesOn && (this.#sent || this.#dirty) && !this.choices.length && !this.#closed) goesOn = await this.#send();
  }

  /** Sends one draft: the one whose answer was never heard, or what is there now. Returns whether to go on. */
  async #send(): Promise<boolean> {
    const sent = (this.#sent ??= this.#takeDraft());
    // The journal first, then the server: what the server has, this browser must know to be its own.
    await Promise.race([sent.kept, new Promise((resolve) => setTimeout(resolve, LONGEST_KEEPING_MS))]);
    try {
      const saved = await askServer<{ version: number; savedAt: string }>(`/pieces/${this.#held.id}/save`, json('PUT', sent.draft));
      this.#sent = null;
      this.#retryMs = FIRST_RETRY_MS;
      this.#base = { version: saved.version, doc: sent.doc, details: sent.draft.details };
      this.version = saved.version;
      this.#journal.heard(sent.draft.key, saved.version);
      if (this.#dirty) this.#say('Saving');
      else this.#saySaved(new Date(saved.savedAt));
      return true;
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      return this.#refused(cause);
    }
  }

  #takeDraft() {
    const { doc, details, step } = this.#held.now();
    const [edits, later] = cutChanges(this.#edits, MOST_EDITS);
    const draft = { key: newKey(), base: this.#base.version, doc: doc.toJSON() as object, details, step, edits };
    this.#edits = later;
    this.#dirty = later.length > 0;
    const kept = this.#journal.keepDraft(draft, null);
    if (later.length) this.#keepRest();
    return { draft, doc, kept };
  }

  #refused(refused: Refused): boolean {
    if (isAway(refused)) {
      this.#sayKept(refused.status === 507 ? 'the disk of the server is full' : AWAY);
      if (!this.#closed) this.#timer = setTimeout(() => void this.save(), this.#retryMs);
      this.#retryMs = Math.min(LAST_RETRY_MS, this.#retryMs * 2);
      return false;
    }
    // It was not taken, and the same again would not be either: what is there goes out anew.
    this.#edits = [...this.#sent!.draft.edits, ...this.#edits];
    this.#sent = null;
    this.#dirty = true;
    if (refused.status !== 409) {
      this.#sayKept(refused.message);
      return false;
    }
    const { version, doc, details } = refused.body as { version: number; doc: object; details: Details };
    this.#putTogether(this.#base, { version, doc: docFromJSON(doc), details });
    return true;
  }

  // ── Putting together ────────────────────────────────────────────────────────────────────────────────────

  /** Puts what is here and what the server has together, both having begun from `base`. */
  #putTogether(base: Draft | null, theirs: Version) {
    // A server that counts less than before was brought back from a backup: what is here is newer.
    const from = theirs.version < this.#base.version ? theirs : base;
    const merged = mergeDrafts(from, this.#held.now(), theirs);
    this.#held.put(merged);
    this.choices = merged.choices;
    if (merged.choices.length) {
      this.#theirs = theirs;
      // Kept as based on the old version: after a reload the same choice is asked again.
      void this.#keep(null);
      this.#say(ASKS, 'must');
      return;
    }
    this.#base = theirs;
    this.version = theirs.version;
    // One save more than may be needed: where nothing is new the server makes no version of it.
    this.#dirty = true;
    void this.#keep(null);
    void this.save();
  }

  /**
   * Takes in what an earlier visit kept: its last draft is sent once more if need be, what came after is put on top. While
   * the server is away it is tried again; what cannot be put onto the page is shown beside it.
   */
  async #takeIn(kept: Unsaved): Promise<void> {
    this.#takingIn++;
    try {
      while (!(await this.#isTakenIn(kept))) {
        this.#say(`Kept in this browser, ${AWAY}`, 'look');
        await new Promise((resolve) => setTimeout(resolve, LAST_RETRY_MS));
        if (this.#closed) return;
      }
    } finally {
      this.#takingIn--;
    }
    await this.save();
  }

  /** Puts what was kept on top, or offers it. Returns false when the server is away: then it stays where it is. */
  async #isTakenIn(kept: Unsaved): Promise<boolean> {
    try {
      if (await this.#putOnTop(kept)) await this.#journal.drop(kept.visit);
    } catch (cause) {
      if (isAway(cause)) return false;
      console.error(cause);
      const words = wordsOf(kept, this.#held.now().doc);
      if (words) {
        this.offered = [...this.offered, { visit: kept.visit, words }];
        this.#say('Kept words wait over the page', 'must');
      } else await this.#journal.drop(kept.visit);
    }
    return true;
  }

  /** Puts what was kept on top of what is here. Returns whether this visit's own journal has it now. */
  async #putOnTop({ draft, base, version: heard, steps, rest }: Unsaved): Promise<boolean> {
    const version = draft ? (heard ?? (await this.#sendAgain(draft))) : null;
    const before = draft ? { doc: docFromJSON(draft.doc), details: draft.details } : await this.#versionOf(base);
    if (!before) throw new Error('The version these steps were made on is gone');
    // This page may have been loaded before the draft arrived.
    if (version !== null && version > this.#base.version) this.#putTogether(this.#base, { version, ...before });
    if (heard !== null && !steps.length && !rest) return true;
    const from = version !== null || !draft ? before : await this.#versionOf(draft.base);
    const page = steps.reduce<PostNode>((page, step) => applied(page, step), before.doc);
    const merged = mergeDrafts(from, { doc: page, details: rest?.details ?? before.details }, this.#held.now());
    const found = [...(draft?.edits ?? []), ...(rest?.edits ?? [])];
    this.#held.put(merged);
    this.#held.putEdits(found);
    this.#edits.push(...found);
    this.#dirty = true;
    if (!merged.choices.length) {
      this.#say('Brought back what this browser kept');
      return this.#keep(null);
    }
    this.choices = merged.choices;
    this.#theirs = this.#base;
    this.#say(ASKS, 'must');
    return this.#keep(null, version ?? base);
  }

  /** Puts words that were offered at the end of the page, or throws them away. */
  async settle(offer: Offered, how: 'add' | 'drop'): Promise<void> {
    if (how === 'add') {
      const { doc, details } = this.#held.now();
      const paragraphs = offer.words
        .split('\n')
        .flatMap((line) => (line.trim() ? [schema.node('paragraph', null, schema.text(line))] : []));
      this.#held.put({ doc: schema.node('doc', null, [...doc.children, ...paragraphs]), details });
      this.#dirty = true;
      if (!(await this.#keep(null))) return;
    }
    this.offered = this.offered.filter((o) => o !== offer);
    await this.#journal.drop(offer.visit);
    this.#say('Saving');
    this.#dirty = true;
    await this.save();
  }

  /** Sends a draft whose answer was never heard. Returns its version; null when it is not taken: what is in it goes on top. */
  async #sendAgain(draft: SentDraft): Promise<number | null> {
    try {
      return (await askServer<{ version: number }>(`/pieces/${this.#held.id}/save`, json('PUT', draft))).version;
    } catch (cause) {
      if (cause instanceof Refused && !isAway(cause)) return null;
      throw cause;
    }
  }

  /** A version as the server has it; null when it no longer does. */
  async #versionOf(version: number): Promise<Draft | null> {
    try {
      const found = await askServer<{ doc: object; details: Details }>(`/pieces/${this.#held.id}/versions/${version}`);
      return { doc: docFromJSON(found.doc), details: found.details };
    } catch (cause) {
      if (cause instanceof Refused && cause.status === 404) return null;
      throw cause;
    }
  }

  // ── Keeping and saying ──────────────────────────────────────────────────────────────────────────────────

  /** Keeps what is here: as the server's version of a number, or as not sent and based on one. */
  #keep(version: number | null, base = this.#base.version): Promise<boolean> {
    const { doc, details, step } = this.#held.now();
    const draft = { key: newKey(), base, doc: doc.toJSON() as object, details, step, edits: this.#edits };
    return this.#journal.keepDraft(draft, version);
  }

  #keepRest() {
    const { details, step } = this.#held.now();
    this.#journal.keepRest({ details, step, edits: this.#edits });
  }

  #saySaved(at: Date) {
    if (this.isSaved) this.#say(`Saved ${sayTime(at)}`);
  }

  #sayKept(why: string) {
    if (this.isSaved) return;
    if (this.#journal.works) this.#say(`Kept in this browser, ${why}`, 'look');
    else this.#say(`Kept in this window only, ${why}`, 'must');
  }

  #say(says: string, gravity: typeof status.gravity = 'fine') {
    status.says = says;
    status.gravity = gravity;
  }
}

/** The words of a visit that do not stand on the page, a line a block. */
function wordsOf({ draft, steps }: Unsaved, page: PostNode): string {
  const lines: string[] = [];
  let isOpen = false;
  const walk = (part: unknown): void => {
    if (Array.isArray(part)) return part.forEach(walk);
    if (part === null || typeof part !== 'object') return;
    const { text, content, slice, doc } = part as Record<string, unknown>;
    if (typeof text === 'string') {
      // Runs of one block follow each other; a block between them ends the line.
      lines.push((isOpen ? (lines.pop() ?? '') : '') + text);
      isOpen = true;
    } else {
      isOpen = false;
      [content, slice, doc].forEach(walk);
      isOpen = false;
    }
  };
  walk([draft?.doc, steps]);
  const here = page.textBetween(0, page.content.size, '\n');
  return lines.filter((line) => line.trim() && !here.includes(line.trim())).join('\n');
}

/** The page after a step that was kept. Throws when it does not fit there. */
function applied(page: PostNode, step: object): PostNode {
  const { doc, failed } = PageStep.fromJSON(schema, step).apply(page);
  if (!doc) throw new Error(failed ?? 'A step that was kept does not fit');
  return doc;
}

const isAway = (cause: unknown) => cause instanceof Refused && (cause.status === 0 || cause.status >= 500);

/** The page with their side of a choice in place of this side's, or right after it. */
function withChoice(doc: PostNode, { id, theirs }: Choice & { kind: 'block' }, both: boolean): PostNode {
  const blocks = doc.children.flatMap((block) => {
    if (block.attrs.id !== id) return [block];
    if (!theirs) return both ? [block] : [];
    // Two blocks cannot share an id: the one that joins gets its own.
    return both ? [block, theirs.type.create({ ...theirs.attrs, id: '' }, theirs.content)] : [theirs];
  });
  return blocks.length ? schema.node('doc', null, blocks) : schema.nodes.doc.createAndFill()!;
}
