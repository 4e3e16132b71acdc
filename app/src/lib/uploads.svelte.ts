import type { Upload } from 'tus-js-client';
import { Refused } from '$lib/ask-server.ts';
import { dropUpload, keepUpload, keptUploads, type KeptUpload } from '$lib/kept-uploads.ts';

/** A file on its way up; `picture` is the id it has on the page already, if it is one. */
export type Sending = {
  key: string;
  picture: string | null;
  name: string;
  size: number;
  sent: number;
  state: 'sending' | 'paused' | 'failed';
  says: string;
};

/** What becomes of a file that has arrived whole. Asked twice it is done once; throws Refused when it cannot be taken in. */
export type TakeIn = (upload: string, file: KeptUpload) => Promise<void>;

// Below what the server takes in one request.
const CHUNK = 8 * 1024 * 1024;
const RETRY_MS = [0, 1000, 3000, 5000, 10_000, 20_000];

/** Files of a piece on their way up, in parts, so that each goes on where it was after a break or a reload. */
export class Uploads {
  sending = $state.raw<Sending[]>([]);
  readonly #uploads = new Map<string, Upload>();

  constructor(
    readonly piece: string,
    readonly kind: 'recording' | 'picture',
    readonly takeIn: TakeIn,
    /** Called when one has been taken in. */
    readonly arrived: (file: KeptUpload) => Promise<void>,
  ) {}

  /** Goes on with what a closed window left behind. */
  async begin(): Promise<void> {
    for (const kept of await keptUploads(this.piece))
      if ((kept.picture ? 'picture' : 'recording') === this.kind && !this.#uploads.has(kept.key)) await this.#send(kept);
  }

  /** Sends a file; a picture with the id it has on the page. */
  async send(file: File, picture?: string): Promise<void> {
    await this.#send(await keepUpload(this.piece, file, picture));
  }

  async #send(kept: KeptUpload): Promise<void> {
    const { key, file, picture = null } = kept;
    this.sending = [...this.sending, { key, picture, name: file.name, size: file.size, sent: 0, state: 'sending', says: '' }];
    const { Upload } = await import('tus-js-client');
    const upload = new Upload(file, {
      endpoint: '/uploads',
      chunkSize: CHUNK,
      retryDelays: RETRY_MS,
      metadata: { filename: file.name, filetype: file.type },
      fingerprint: () => Promise.resolve(`even-page:${key}`),
      onProgress: (sent) => this.#set(key, { sent }),
      onError: () => this.#set(key, { state: 'failed', says: 'The server does not answer. What arrived is kept there.' }),
      onSuccess: () => void this.#finish(kept, upload),
    });
    this.#uploads.set(key, upload);
    const [before] = await upload.findPreviousUploads();
    // It may have arrived whole, and only the answer was lost.
    if (before?.uploadUrl && (await this.#isTakenIn(before.uploadUrl, kept))) return this.#end(kept, upload);
    if (before) upload.resumeFromPreviousUpload(before);
    upload.start();
  }

  async #finish(kept: KeptUpload, upload: Upload): Promise<void> {
    try {
      await this.takeIn(idOf(upload.url!), kept);
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      this.#set(kept.key, { state: 'failed', says: cause.message });
      return;
    }
    await this.#end(kept, upload);
  }

  async #isTakenIn(url: string, kept: KeptUpload): Promise<boolean> {
    try {
      await this.takeIn(idOf(url), kept);
      return true;
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      return false;
    }
  }

  async #end(kept: KeptUpload, upload: Upload): Promise<void> {
    const { defaultOptions } = await import('tus-js-client');
    for (const { urlStorageKey } of await upload.findPreviousUploads()) await defaultOptions.urlStorage?.removeUpload(urlStorageKey);
    await this.#forget(kept.key);
    await this.arrived(kept);
  }

  async pause(key: string): Promise<void> {
    await this.#uploads.get(key)?.abort();
    this.#set(key, { state: 'paused' });
  }

  resume(key: string): void {
    this.#set(key, { state: 'sending', says: '' });
    this.#uploads.get(key)?.start();
  }

  /** Gives a file up, here and on the server. */
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

const idOf = (url: string) => new URL(url, location.href).pathname.split('/').at(-1)!;
