import type { Upload } from 'tus-js-client';
import { askServer, json, Refused } from '$lib/ask-server.ts';
import { dropUpload, keepUpload, keptUploads, type KeptUpload } from '$lib/kept-uploads.ts';

/** A recording on its way up. */
export type Sending = { key: string; name: string; size: number; sent: number; state: 'sending' | 'paused' | 'failed'; says: string };

// Below what the server takes in one request.
const CHUNK = 8 * 1024 * 1024;
const RETRY_MS = [0, 1000, 3000, 5000, 10_000, 20_000];

/** The recordings of a piece on their way up, in parts, so that each goes on where it was after a break or a reload. */
export class Uploads {
  sending = $state.raw<Sending[]>([]);
  readonly #uploads = new Map<string, Upload>();

  constructor(
    readonly piece: string,
    /** Called when one has arrived and become a source. */
    readonly arrived: () => Promise<void>,
  ) {}

  /** Goes on with what a closed window left behind. */
  async begin(): Promise<void> {
    for (const kept of await keptUploads(this.piece)) if (!this.#uploads.has(kept.key)) await this.#send(kept);
  }

  /** Sends a recording. */
  async send(file: File): Promise<void> {
    await this.#send(await keepUpload(this.piece, file));
  }

  async #send({ key, file }: KeptUpload): Promise<void> {
    this.sending = [...this.sending, { key, name: file.name, size: file.size, sent: 0, state: 'sending', says: '' }];
    const { Upload } = await import('tus-js-client');
    const upload = new Upload(file, {
      endpoint: '/uploads',
      chunkSize: CHUNK,
      retryDelays: RETRY_MS,
      metadata: { filename: file.name, filetype: file.type },
      fingerprint: () => Promise.resolve(`even-page:${key}`),
      onProgress: (sent) => this.#set(key, { sent }),
      onError: () => this.#set(key, { state: 'failed', says: 'The server does not answer. What arrived is kept there.' }),
      onSuccess: () => void this.#finish(key, file, upload),
    });
    this.#uploads.set(key, upload);
    const [before] = await upload.findPreviousUploads();
    // It may have arrived whole, and only the answer was lost.
    if (before?.uploadUrl && (await this.#isTakenIn(before.uploadUrl, file))) return this.#end(key, upload);
    if (before) upload.resumeFromPreviousUpload(before);
    upload.start();
  }

  async #finish(key: string, file: File, upload: Upload): Promise<void> {
    try {
      await this.#takeIn(upload.url!, file);
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      this.#set(key, { state: 'failed', says: cause.message });
      return;
    }
    await this.#end(key, upload);
  }

  /** Asks the server to make a source of an upload; asked twice it does so once. */
  async #takeIn(url: string, file: File): Promise<void> {
    const upload = new URL(url, location.href).pathname.split('/').at(-1)!;
    await askServer(`/pieces/${this.piece}/recordings`, json('POST', { upload, name: file.name }));
  }

  async #isTakenIn(url: string, file: File): Promise<boolean> {
    try {
      await this.#takeIn(url, file);
      return true;
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      return false;
    }
  }

  async #end(key: string, upload: Upload): Promise<void> {
    const { defaultOptions } = await import('tus-js-client');
    for (const { urlStorageKey } of await upload.findPreviousUploads()) await defaultOptions.urlStorage?.removeUpload(urlStorageKey);
    await this.#forget(key);
    await this.arrived();
  }

  async pause(key: string): Promise<void> {
    await this.#uploads.get(key)?.abort();
    this.#set(key, { state: 'paused' });
  }

  resume(key: string): void {
    this.#set(key, { state: 'sending', says: '' });
    this.#uploads.get(key)?.start();
  }

  /** Gives a recording up, here and on the server. */
  async giveUp(key: string): Promise<void> {
    await this.#uploads
      .get(key)
      ?.abort(true)
      .catch(() => {});
    await this.#forget(key);
  }

  /** Stops for now; what is on its way goes on when the piece is opened again. */
  end(): void {
    for (const upload of this.#uploads.values()) void upload.abort();
  }

  async #forget(key: string): Promise<void> {
    this.#uploads.delete(key);
    this.sending = this.sending.filter((s) => s.key !== key);
    await dropUpload(key);
  }

  #set(key: string, change: Partial<Sending>): void {
    this.sending = this.sending.map((s) => (s.key === key ? { ...s, ...change } : s));
  }
}
