import { openDB, type IDBPDatabase } from 'idb';
import { randomName } from '$lib/block-id.ts';
import type { Rest, SentDraft } from './sent-draft.ts';
import { Tail } from './tail.ts';
import { holdVisit, whenOver } from './visits.ts';

/**
 * All that one visit of a piece left behind: its last draft (null when not even the first was kept yet: then what came
 * after stands on version `base`), the version that draft became if that was heard, and what came after.
 */
export type Unsaved = {
  visit: string;
  draft: SentDraft | null;
  base: number;
  version: number | null;
  rest: Rest | null;
  steps: object[];
};

type Part = 'draft' | 'heard' | 'rest' | 'steps';

/** A draft as it lies in the store, with the numbers of the first steps and the first rest that are not part of it. */
type Stored = { draft: SentDraft; steps: number; rests: number };
type NumberedRest = { n: number; rest: Rest };

// Before they were numbered, all that lay beside a draft came after it.
const storedOf = (kept: Stored | SentDraft | undefined): Stored | undefined =>
  kept === undefined || 'draft' in kept ? kept : { draft: kept, steps: 0, rests: 0 };
const restOf = (kept: NumberedRest | Rest | undefined): NumberedRest | undefined =>
  kept === undefined || 'rest' in kept ? kept : { n: 0, rest: kept };

type Work = (store: {
  put: (value: unknown, key: IDBValidKey) => unknown;
  delete: (key: IDBKeyRange | IDBValidKey) => unknown;
}) => unknown[];

const STORE = 'kept';
// All keys that begin with these parts: a list sorts after every text and number.
const within = (...parts: string[]) => IDBKeyRange.bound(parts, [...parts, []]);

let opened: Promise<IDBPDatabase> | null = null;

function open(): Promise<IDBPDatabase> {
  return (opened ??= openDB('even-page', 1, { upgrade: (db) => void db.createObjectStore(STORE) }));
}

/**
 * The journal in the browser: what is typed is written here at once, before the server has it, and read again when
 * the window was closed in between. It lies in IndexedDB; what that has not taken yet lies in the tail, which is
 * written before the next letter can be typed. Each visit of a piece keeps its own, so that two windows never mix.
 */
export class BrowserJournal {
  readonly #piece: string;
  readonly #visit = randomName(20);
  readonly #failed: (cause: unknown) => void;
  readonly #tail: Tail;
  #steps = 0;
  #rests = 0;
  #waiting = 0;
  #broken = false;
  #letGo = () => {};

  /**
   * @param base the version the page is based on when the visit begins
   * @param failed is told when the browser has no room for more or does not let us keep anything
   */
  constructor(piece: string, base: number, failed: (cause: unknown) => void) {
    this.#piece = piece;
    this.#tail = new Tail(piece, this.#visit, base);
    this.#failed = failed;
  }

  /** Begins the visit: until it ends, other windows leave what it keeps alone. */
  begin(): void {
    this.#letGo = holdVisit(this.#visit);
  }

  /** Whether everything told so far is kept. */
  get holdsAll(): boolean {
    return !this.#broken && this.#waiting === 0;
  }

  get works(): boolean {
    return !this.#broken;
  }

  /**
   * Keeps a whole draft; what was kept in pieces before it is part of it, and what could not be kept before is made good.
   * Resolves, when it is there, with whether it is.
   */
  async keepDraft(draft: SentDraft, version: number | null): Promise<boolean> {
    const [steps, rests] = [this.#steps, this.#rests];
    const isKept = await this.#write((store) => [
      store.delete(within(this.#piece, this.#visit, 'steps')),
      store.delete(this.#key('rest')),
      store.put({ draft, steps, rests } satisfies Stored, this.#key('draft')),
      store.put({ key: draft.key, version }, this.#key('heard')),
    ]);
    if (!isKept) return false;
    this.#tail.hasKept(steps, rests);
    this.#broken = false;
    return true;
  }

  /** Notes that the server has a draft, and as which version. */
  heard(key: string, version: number): void {
    if (!this.#broken) void this.#write((store) => [store.put({ key, version }, this.#key('heard'))]);
  }

  /** Keeps steps of the page, in order. */
  keepSteps(steps: readonly object[]): void {
    const n = this.#steps++;
    this.#tail.addSteps(n, steps);
    this.#add(
      (store) => [store.put(steps, this.#key('steps', n))],
      () => this.#tail.hasKept(n + 1, 0),
    );
  }

  keepRest(rest: Rest): void {
    const n = this.#rests++;
    this.#tail.setRest(n, rest);
    this.#add(
      (store) => [store.put({ n, rest } satisfies NumberedRest, this.#key('rest'))],
      () => this.#tail.hasKept(0, n + 1),
    );
  }

  /**
   * Calls `take` with what each other visit of this piece left behind. Resolves when those that are over are taken in; one
   * that goes on in another window is taken when that closes.
   */
  async takeOver(take: (kept: Unsaved) => Promise<void>): Promise<void> {
    const keys = (await (await open()).getAllKeys(STORE, within(this.#piece))) as [string, string][];
    const visits = new Set([...keys.map(([, visit]) => visit), ...Tail.visitsOf(this.#piece)]);
    visits.delete(this.#visit);
    const takeFrom = async (visit: string) => {
      const kept = await this.#keptBy(visit);
      if (kept) await take(kept);
    };
    await Promise.all([...visits].map((visit) => whenOver(visit, () => takeFrom(visit))));
  }

  async #keptBy(visit: string): Promise<Unsaved | null> {
    const db = await open();
    const get = (part: Part) => db.get(STORE, [this.#piece, visit, part, 0]) as Promise<unknown>;
    const stored = storedOf((await get('draft')) as Stored | SentDraft | undefined);
    const tail = Tail.of(this.#piece, visit);
    if (!stored && !tail) return null;
    const draft = stored?.draft ?? null;
    const heard = (await get('heard')) as { key: string; version: number | null } | undefined;
    const rests = [tail?.rest, restOf((await get('rest')) as NumberedRest | Rest | undefined)];
    const rest = rests.filter((one) => !!one && one.n >= (stored?.rests ?? 0)).sort((a, b) => b!.n - a!.n)[0];
    return {
      visit,
      draft,
      base: draft?.base ?? tail!.base,
      version: draft && heard?.key === draft.key ? heard.version : null,
      rest: rest?.rest ?? null,
      steps: await this.#stepsOf(visit, stored?.steps ?? 0, tail?.steps ?? []),
    };
  }

  /** The steps of a visit from a number on, those of the store and those of the tail. Throws when some are missing in between. */
  async #stepsOf(visit: string, first: number, tail: readonly [number, readonly object[]][]): Promise<object[]> {
    const db = await open();
    const place = within(this.#piece, visit, 'steps');
    const numbers = ((await db.getAllKeys(STORE, place)) as [string, string, string, number][]).map((key) => key[3]);
    const values = (await db.getAll(STORE, place)) as object[][];
    const all = new Map<number, readonly object[]>([...numbers.map((n, i) => [n, values[i]!] as const), ...tail]);
    const found = [...all].filter(([n]) => n >= first).sort(([a], [b]) => a - b);
    // Where numbering began with a draft of before, the first is whatever comes first.
    if (found.some(([n], i) => n !== found[0]![0] + i)) throw new Error('Steps are missing in what this browser kept');
    return found.flatMap(([, steps]) => steps);
  }

  /** Throws away what a visit left behind; of this visit itself when none is named. */
  async drop(visit = this.#visit): Promise<void> {
    await this.#write((store) => [store.delete(within(this.#piece, visit))]);
    Tail.drop(this.#piece, visit);
  }

  /** Ends this visit; what it still holds is there for the next one. */
  close(): void {
    this.#letGo();
  }

  #key(part: Part, n = 0) {
    return [this.#piece, this.#visit, part, n];
  }

  /** Keeps something on top of the draft. With one such missing the next would mislead: then only a whole draft helps. */
  #add(work: Work, kept: () => void) {
    if (!this.#broken) void this.#write(work).then((isKept) => isKept && kept());
  }

  async #write(work: Work): Promise<boolean> {
    this.#waiting++;
    try {
      const tx = (await open()).transaction(STORE, 'readwrite');
      const all = [...work(tx.store as never), tx.done];
      // Said at once, the browser does not wait for this window to come round to it: the window may be closing.
      tx.commit();
      await Promise.all(all);
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
