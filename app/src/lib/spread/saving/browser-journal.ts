import { openDB, type IDBPDatabase } from 'idb';
import type { Details } from '@even-page/core/post/details';
import type { EditChange } from '@even-page/core/tidy/edit';
import { randomName } from '$lib/block-id.ts';
import type { Step } from '$lib/steps.ts';

/** A draft as it was sent to the server: its key and the version it is based on. */
export type SentDraft = { key: string; base: number; doc: object; details: Details; step: Step; edits: EditChange[] };

/** What is not on the page and changed since the draft. */
export type Rest = Pick<SentDraft, 'details' | 'step' | 'edits'>;

/** All that one visit of a piece left behind: its last draft, the version that draft became if that was heard, and what came after. */
export type Kept = { visit: string; draft: SentDraft; version: number | null; rest: Rest | null; steps: object[] };

type Part = 'draft' | 'heard' | 'rest' | 'steps';

type Work = (store: {
  put: (value: unknown, key: IDBValidKey) => unknown;
  delete: (key: IDBKeyRange | IDBValidKey) => unknown;
}) => unknown[];

const STORE = 'kept';
// All keys that begin with these parts: a list sorts after every text and number.
const within = (...parts: string[]) => IDBKeyRange.bound(parts, [...parts, []]);
const lockOf = (visit: string) => `even-page ${visit}`;

let opened: Promise<IDBPDatabase> | null = null;

function open(): Promise<IDBPDatabase> {
  return (opened ??= openDB('even-page', 1, { upgrade: (db) => void db.createObjectStore(STORE) }));
}

/**
 * The journal in the browser (IndexedDB): what is typed is written here at once, before the server has it, and
 * read again when the window was closed in between. Each visit of a piece keeps its own, so that two windows
 * never mix.
 */
export class BrowserJournal {
  readonly #piece: string;
  readonly #visit = randomName(20);
  readonly #failed: (cause: unknown) => void;
  #steps = 0;
  #waiting = 0;
  #broken = false;
  #letGo = () => {};

  /** @param failed is told when the browser has no room for more or does not let us keep anything */
  constructor(piece: string, failed: (cause: unknown) => void) {
    this.#piece = piece;
    this.#failed = failed;
  }

  /** Begins the visit: until it ends, other windows leave what it keeps alone. */
  begin(): void {
    void navigator.locks?.request(lockOf(this.#visit), () => new Promise<void>((resolve) => (this.#letGo = resolve)));
  }

  /** Whether everything told so far is kept. */
  get holdsAll(): boolean {
    return !this.#broken && this.#waiting === 0;
  }

  get works(): boolean {
    return !this.#broken;
  }

  /** Keeps a whole draft; what was kept in pieces before it is part of it, and what could not be kept before is made good. */
  keepDraft(draft: SentDraft, version: number | null): void {
    void this.#write((store) => [
      store.delete(within(this.#piece, this.#visit, 'steps')),
      store.delete(this.#key('rest')),
      store.put(draft, this.#key('draft')),
      store.put({ key: draft.key, version }, this.#key('heard')),
    ]).then((kept) => kept && (this.#broken = false));
  }

  /** Notes that the server has a draft, and as which version. */
  heard(key: string, version: number): void {
    this.#add((store) => [store.put({ key, version }, this.#key('heard'))]);
  }

  /** Keeps steps of the page, in order. */
  keepSteps(steps: readonly object[]): void {
    const n = this.#steps++;
    this.#add((store) => [store.put(steps, this.#key('steps', n))]);
  }

  keepRest(rest: Rest): void {
    this.#add((store) => [store.put(rest, this.#key('rest'))]);
  }

  /**
   * Calls `take` with what each other visit of this piece left behind, as soon as that visit is over: at once for
   * one that ended earlier, when its window closes for one that goes on.
   */
  async takeOver(take: (kept: Kept) => Promise<void>): Promise<void> {
    const keys = (await (await open()).getAllKeys(STORE, within(this.#piece))) as [string, string][];
    const takeFrom = async (visit: string) => {
      const kept = await this.#keptBy(visit);
      if (kept) await take(kept);
    };
    for (const visit of new Set(keys.map(([, visit]) => visit))) {
      if (visit === this.#visit) continue;
      void (navigator.locks ? navigator.locks.request(lockOf(visit), () => takeFrom(visit)) : takeFrom(visit));
    }
  }

  async #keptBy(visit: string): Promise<Kept | null> {
    const db = await open();
    const get = (part: Part) => db.get(STORE, [this.#piece, visit, part, 0]) as Promise<unknown>;
    const draft = (await get('draft')) as SentDraft | undefined;
    if (!draft) return null;
    const heard = (await get('heard')) as { key: string; version: number | null } | undefined;
    const rest = ((await get('rest')) as Rest | undefined) ?? null;
    const steps = (await db.getAll(STORE, within(this.#piece, visit, 'steps'))) as object[][];
    return { visit, draft, version: heard?.key === draft.key ? heard.version : null, rest, steps: steps.flat() };
  }

  /** Throws away what a visit left behind; of this visit itself when none is named. */
  async drop(visit = this.#visit): Promise<void> {
    await this.#write((store) => [store.delete(within(this.#piece, visit))]);
  }

  /** Ends this visit; what it still holds is there for the next one. */
  close(): void {
    this.#letGo();
  }

  #key(part: Part, n = 0) {
    return [this.#piece, this.#visit, part, n];
  }

  /** Keeps something on top of the draft. With one such missing the next would mislead: then only a whole draft helps. */
  #add(work: Work) {
    if (!this.#broken) void this.#write(work);
  }

  async #write(work: Work): Promise<boolean> {
    this.#waiting++;
    try {
      const tx = (await open()).transaction(STORE, 'readwrite');
      await Promise.all([...work(tx.store as never), tx.done]);
      return true;
    } catch (cause) {
      this.#broken = true;
      this.#failed(cause);
      return false;
    } finally {
      this.#waiting--;
    }
  }
}
