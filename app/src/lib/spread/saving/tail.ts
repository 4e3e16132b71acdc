import type { Rest } from './sent-draft.ts';

type Told = { base: number; steps: [number, readonly object[]][]; rest: { n: number; rest: Rest } | null };

// Long stretches of it would hold up typing; the database has them a moment later.
const MOST = 100_000;

const keyOf = (piece: string, visit: string) => `even-page tail ${piece} ${visit}`;

/**
 * What the browser's database has not taken yet: written to the local storage before the next event, so that a window
 * closed right after a letter keeps it.
 */
export class Tail {
  readonly #key: string;
  readonly #told: Told;

  constructor(piece: string, visit: string, base: number) {
    this.#key = keyOf(piece, visit);
    this.#told = { base, steps: [], rest: null };
  }

  addSteps(n: number, steps: readonly object[]): void {
    this.#told.steps.push([n, steps]);
    this.#write();
  }

  setRest(n: number, rest: Rest): void {
    this.#told.rest = { n, rest };
    this.#write();
  }

  /** The database has all steps and rests before these numbers. */
  hasKept(steps: number, rests: number): void {
    this.#told.steps = this.#told.steps.filter(([n]) => n >= steps);
    if (this.#told.rest && this.#told.rest.n < rests) this.#told.rest = null;
    this.#write();
  }

  #write(): void {
    const { steps, rest } = this.#told;
    try {
      if (!steps.length && !rest) return localStorage.removeItem(this.#key);
      const text = JSON.stringify(this.#told);
      // Steps without those before them would mislead: then none.
      if (text.length > MOST) localStorage.removeItem(this.#key);
      else localStorage.setItem(this.#key, text);
    } catch {
      // No room, or not allowed: the database stands behind it.
    }
  }

  /** What a visit told last; null when nothing is there. */
  static of(piece: string, visit: string): Told | null {
    try {
      const text = localStorage.getItem(keyOf(piece, visit));
      return text === null ? null : (JSON.parse(text) as Told);
    } catch {
      return null;
    }
  }

  /** The visits of a piece that left something here. */
  static visitsOf(piece: string): string[] {
    const prefix = keyOf(piece, '');
    try {
      return Object.keys(localStorage).flatMap((key) => (key.startsWith(prefix) ? [key.slice(prefix.length)] : []));
    } catch {
      return [];
    }
  }

  static drop(piece: string, visit: string): void {
    try {
      localStorage.removeItem(keyOf(piece, visit));
    } catch {
      // Then nothing is there either.
    }
  }
}
