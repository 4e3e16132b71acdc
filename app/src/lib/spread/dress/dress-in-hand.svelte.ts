import { fileSizes, type Rights, SHAPES } from '@even-page/core/dress';
import type { Dress, DressedClip, DressedPicture } from '@even-page/core/post/dress';
import { withoutStretch } from '@even-page/core/post/media-fragment';
import { clipsOf, filesOf } from '@even-page/core/post/pictures';
import { schema, type PostNode } from '@even-page/core/post/schema';
import { askServer, json, Refused } from '$lib/ask-server.ts';
import { newRowId } from '$lib/block-id.ts';
import type { KeptUpload } from '$lib/kept-uploads.ts';
import { pictureAddress, pictureId } from '$lib/picture-address.ts';
import { type Sending, Uploads } from '$lib/uploads.svelte.ts';
import type { PageInHand } from '../page/page-in-hand.svelte.ts';
import type { Arriving, OnItsWay } from '../page/picture-views.ts';
import type { SourceInHand } from '../piece-data.ts';
import type { FoundClip, Picture } from '$lib/pictures/known.ts';

/** What is known of the pictures and clips of the page in hand, and the pictures on their way up. */
export class DressInHand implements Arriving {
  pictures = $state.raw<Record<string, Picture>>({});
  clips = $state.raw<Record<string, FoundClip>>({});
  readonly uploads: Uploads;
  readonly #urls = new Map<string, string>();
  readonly #watchers = new Set<() => void>();
  #asked = new Set<string>();

  constructor(
    readonly piece: string,
    readonly page: PageInHand,
    known: { pictures: readonly Picture[]; clips: readonly FoundClip[] },
    readonly sources: () => readonly SourceInHand[],
    /** Called when more is known, or other things are. */
    readonly learned: () => void,
  ) {
    this.know(known);
    this.uploads = new Uploads(
      piece,
      'picture',
      (upload, kept) => this.#takeIn(upload, kept),
      () => Promise.resolve(this.#tell()),
    );
  }

  /** Goes on with pictures that a closed window left on their way; returns what stops it. */
  begin(): () => void {
    void this.uploads.begin();
    const stop = $effect.root(() => {
      $effect(() => {
        void this.uploads.sending;
        this.#tell();
      });
    });
    return () => {
      stop();
      this.uploads.end();
      for (const url of this.#urls.values()) URL.revokeObjectURL(url);
    };
  }

  know({ pictures = [], clips = [] }: { pictures?: readonly Picture[]; clips?: readonly FoundClip[] }): void {
    if (pictures.length) this.pictures = { ...this.pictures, ...Object.fromEntries(pictures.map((p) => [p.src, p])) };
    if (clips.length) this.clips = { ...this.clips, ...Object.fromEntries(clips.map((c) => [c.address, c])) };
    this.learned();
  }

  /** Asks the server for what the page names and is not known yet. */
  learn(doc: PostNode): Promise<void> {
    return this.learnOf([...filesOf(doc), ...clipsOf(doc).map((c) => withoutStretch(c.address))]);
  }

  /** Asks the server for what is at some addresses, where it is not known yet. */
  async learnOf(addresses: readonly string[]): Promise<void> {
    const isNew = (src: string) => !this.pictures[src] && !this.clips[src] && !this.#asked.has(src) && !this.of(src);
    const wanted = addresses.filter(isNew);
    if (!wanted.length) return;
    for (const src of wanted) this.#asked.add(src);
    try {
      this.know(await askServer('/pictures/facts', json('POST', { addresses: wanted.slice(0, 500) })));
    } catch (cause) {
      if (!(cause instanceof Refused)) throw cause;
      for (const src of wanted) this.#asked.delete(src);
    }
  }

  /** Puts picture files onto the page at once and sends them up: a place that waits is theirs. Returns the ids of their blocks. */
  bring(files: readonly File[], at?: number): string[] {
    return this.page.insertBlocks(
      files.map((file) => schema.nodes.picture.create({ src: this.takeIn(file) })),
      at,
    );
  }

  /** Sends a picture file up, and gives the address by which it is shown from now on. */
  takeIn(file: File): string {
    const id = newRowId();
    this.#urls.set(id, URL.createObjectURL(file));
    void this.uploads.send(file, id);
    return pictureAddress(id);
  }

  /** Puts a picture that is known onto the page. */
  place(picture: Picture, at?: number): string {
    this.know({ pictures: [picture] });
    return this.page.insertBlocks([schema.nodes.picture.create({ src: picture.src, alt: picture.alt })], at)[0]!;
  }

  /** Fetches a picture from the web. Throws Refused with a sentence when there is none. */
  async fetched(from: { address: string; name?: string; alt?: string; rights?: Rights }): Promise<Picture> {
    const { pictures } = await askServer<{ pictures: Picture[] }>(`/pieces/${this.piece}/pictures`, json('POST', from));
    this.know({ pictures });
    return pictures[0]!;
  }

  /** Takes in a picture that was made here. Throws Refused with a sentence. */
  async made(file: File): Promise<Picture> {
    const form = new FormData();
    form.append('picture', file);
    const { pictures } = await askServer<{ pictures: Picture[] }>(`/pieces/${this.piece}/pictures`, { method: 'POST', body: form });
    this.know({ pictures });
    return pictures[0]!;
  }

  /** Changes what is known of a picture. Throws Refused with a sentence. */
  async change(src: string, change: Partial<Pick<Picture, 'name' | 'alt' | 'rights' | 'focus' | 'quality'>>): Promise<void> {
    const { picture } = await askServer<{ picture: Picture }>(src, json('PATCH', change));
    this.know({ pictures: [picture] });
  }

  /** Looks a clip up. Throws Refused with a sentence when there is none. */
  async lookUp(address: string): Promise<FoundClip> {
    const { clip } = await askServer<{ clip: FoundClip }>('/clips', json('POST', { address }));
    this.know({ clips: [clip] });
    return clip;
  }

  async #takeIn(upload: string, { file, picture }: KeptUpload): Promise<void> {
    const { pictures } = await askServer<{ pictures: Picture[] }>(
      `/pieces/${this.piece}/pictures`,
      json('POST', { upload, id: picture, name: file.name }),
    );
    this.know({ pictures });
  }

  /** The upload of a picture on its way. */
  sending(src: string): Sending | undefined {
    const id = pictureId(src);
    return id ? this.uploads.sending.find((s) => s.picture === id) : undefined;
  }

  of(src: string): OnItsWay | null {
    const sending = this.sending(src);
    const url = this.#urls.get(pictureId(src) ?? '') ?? '';
    // Before it is kept here, which takes a moment, it is on its way all the same.
    if (!sending) return url && !this.pictures[src] ? { url, share: 0, state: 'sending', says: '' } : null;
    const share = sending.size ? sending.sent / sending.size : 0;
    return { url, share, state: sending.state, says: sending.says };
  }

  /** Whose the pictures are that are known, by their address. */
  rights(): Record<string, Rights> {
    return Object.fromEntries(Object.values(this.pictures).map(({ src, rights }) => [src, rights]));
  }

  /** What the pictures weigh, in bytes, by their address. */
  weights(): Record<string, number> {
    return Object.fromEntries(Object.values(this.pictures).map(({ src, bytes }) => [src, bytes]));
  }

  /** The recordings of the piece that have no words yet, and so no captions. */
  captionless(): string[] {
    return this.sources().flatMap(({ recording, words }) => (recording && !words ? [`/recordings/${recording.digest}`] : []));
  }

  watch(look: () => void): () => void {
    this.#watchers.add(look);
    return () => this.#watchers.delete(look);
  }

  #tell(): void {
    for (const look of this.#watchers) look();
  }

  /** The page's pictures and clips with addresses here, for the reader's view. */
  dress(): Dress {
    return {
      picture: (src, shape) => this.#picture(src, shape),
      clip: (address) => this.#clip(address),
      isHere: true,
    };
  }

  #picture(src: string, shape: 'whole' | 'row'): DressedPicture | null {
    const picture = this.pictures[src];
    if (!picture) return null;
    const { credit } = picture;
    const at = (as: string) => `${src}?as=${as}`;
    if (shape === 'row') {
      const ratio = SHAPES.row.width / SHAPES.row.height;
      const width = Math.min(SHAPES.row.width, Math.round(Math.min(picture.width, picture.height * ratio)));
      return { files: [{ address: at('row'), width }], fallback: at('row'), width, height: Math.round(width / ratio), credit };
    }
    const sizes = fileSizes(picture);
    const { width, height } = sizes.at(-1)!;
    return {
      files: sizes.map((size) => ({ address: at(size.purpose), width: size.width })),
      ...{ fallback: at('fallback'), width, height, credit },
    };
  }

  #clip(address: string): DressedClip | null {
    const own = this.sources().find((s) => s.recording && address === `/recordings/${s.recording.digest}`);
    if (own)
      return {
        kind: own.recording!.isVideo ? 'video' : 'audio',
        ...{ address, width: 0, height: 0, captions: own.words ? `/sources/${own.id}/captions` : '' },
      };
    const found = this.clips[withoutStretch(address)];
    return found ? { kind: found.kind, address: found.player, width: found.width, height: found.height, captions: '' } : null;
  }
}
