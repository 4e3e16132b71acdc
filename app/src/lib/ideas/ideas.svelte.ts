import type { Idea } from '@even-page/core/write';
import { newRowId } from '$lib/block-id.ts';
import { askServer, form, json, Refused, refusalOf } from '$lib/ask-server.ts';
import { dropWaiting, keepWaiting, type WaitingIdea, waitingIdeas } from './waiting.ts';

/** An idea in the list: what became of it, and whether it waits for the network. */
export type ListedIdea = Idea & {
  id: string;
  createdAt: Date;
  pieceId: string | null;
  title: string | null;
  publishedAt: Date | null;
  isWaiting: boolean;
};

const AGAIN_MS = 20_000;

/** The list of ideas: what is typed stands there at once and is sent when it can be. */
export class Ideas {
  list = $state.raw<ListedIdea[]>([]);
  sorry = $state('');
  #sending = false;
  #timer: ReturnType<typeof setTimeout> | undefined;

  /** Takes over what the server knows; what waits here stays. */
  take(known: Omit<ListedIdea, 'isWaiting'>[]): void {
    const waiting = this.list.filter((idea) => idea.isWaiting && !known.some((k) => k.id === idea.id));
    this.list = [...waiting, ...known.map((idea) => ({ ...idea, isWaiting: false }))];
  }

  /** Begins to send what an earlier visit left here. Returns what ends it. */
  begin(): () => void {
    void this.#bringWaiting().then(() => this.send());
    const now = () => void this.send();
    window.addEventListener('online', now);
    return () => {
      window.removeEventListener('online', now);
      clearTimeout(this.#timer);
    };
  }

  async #bringWaiting(): Promise<void> {
    for (const waiting of (await waitingIdeas()).toReversed()) this.#show(waiting);
  }

  #show({ id, idea, createdAt }: WaitingIdea): void {
    const known = this.list.find((i) => i.id === id);
    const shown = { pieceId: null, title: null, publishedAt: null, ...known, ...idea, id, createdAt: new Date(createdAt), isWaiting: true };
    this.list = known ? this.list.map((i) => (i.id === id ? shown : i)) : [shown, ...this.list];
  }

  /** Keeps a new idea. */
  add(idea: Idea): Promise<void> {
    return this.#keep({ id: newRowId(), idea, createdAt: new Date().toISOString(), files: [] });
  }

  /** Keeps what was changed of an idea. */
  async change(id: string, change: Partial<Idea>, files: File[] = []): Promise<void> {
    // As it stands now: two changes may follow faster than the screen.
    const now = this.list.find((i) => i.id === id);
    if (!now) return;
    const { line, notes, subject, links, pictures, wishedFor, createdAt } = now;
    const idea = { line, notes, subject, links, pictures, wishedFor, ...change };
    await this.#keep({ id, idea, createdAt: createdAt.toISOString(), files });
  }

  async #keep(waiting: WaitingIdea): Promise<void> {
    this.#show(waiting);
    await keepWaiting(waiting);
    void this.send();
  }

  /** Sends what waits, the oldest first; what cannot be sent now waits on. */
  async send(): Promise<void> {
    if (this.#sending) return;
    this.#sending = true;
    clearTimeout(this.#timer);
    try {
      for (;;) {
        const next = (await waitingIdeas()).at(-1);
        if (!next) break;
        await this.#sendOne(next);
      }
      this.sorry = '';
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      if (cause.status && cause.status < 500) this.sorry = cause.message;
      this.#timer = setTimeout(() => void this.send(), AGAIN_MS);
    } finally {
      this.#sending = false;
    }
  }

  async #sendOne(waiting: WaitingIdea): Promise<void> {
    let { idea } = waiting;
    if (waiting.files.length) {
      const { pictures } = await askServer<{ pictures: string[] }>('/ideas/pictures', form('picture', waiting.files));
      idea = { ...idea, pictures: [...idea.pictures, ...pictures] };
      // From here on they are there: another try does not bring them again.
      await keepWaiting({ ...waiting, idea, files: [] });
    }
    await askServer(`/ideas/${waiting.id}`, json('PUT', { ...idea, createdAt: waiting.createdAt }));
    // What was changed meanwhile goes next.
    if (!(await dropWaiting(waiting.id, idea))) return;
    this.list = this.list.map((i) => (i.id === waiting.id ? { ...i, ...idea, isWaiting: false } : i));
  }

  /** Takes an idea out. */
  async remove(idea: ListedIdea): Promise<void> {
    await dropWaiting(idea.id);
    await this.#attempt(async () => {
      await askServer(`/ideas/${idea.id}`, { method: 'DELETE' });
      this.list = this.list.filter((i) => i.id !== idea.id);
    });
  }

  /** Begins a piece from an idea; the id of the piece, or null when it could not be. */
  async start(idea: ListedIdea): Promise<string | null> {
    let id: string | null = null;
    await this.#attempt(async () => {
      ({ id } = await askServer<{ id: string }>(`/ideas/${idea.id}/start`, { method: 'POST' }));
    });
    return id;
  }

  async #attempt(work: () => Promise<void>): Promise<void> {
    this.sorry = '';
    this.sorry = await refusalOf(work);
  }
}

/** A line of words as an idea. */
export const ideaOf = (line: string): Idea => ({
  line: line.slice(0, 300),
  notes: line.slice(300),
  subject: '',
  links: [],
  pictures: [],
  wishedFor: null,
});
