import type { Rights } from '@even-page/core/dress';
import { type Figures, type Finding, type OwnPost, isTalk, type TriedLink, witnesses } from '@even-page/core/proof';
import type { Details } from '@even-page/core/post/details';
import type { Comfort } from '@even-page/core/theme';
import { looseTies, type TiesSeen } from '@even-page/core/write';
import { askServer, json, refusalOf } from '$lib/ask-server.ts';
import type { English } from '@even-page/core/language/speller';
import { core } from '$lib/workers/core.ts';
import { readUsage } from '$lib/workers/usage.ts';
import type { CoreWork } from '$lib/workers/core.worker.ts';
import { showLooseTies } from '../page/loose-ties.ts';
import type { PageInHand } from '../page/page-in-hand.svelte.ts';
import type { MaterialInHand } from '../gather/material-in-hand.svelte.ts';

const AFTER_MS = 400;
// So many passages are read for grammar before what was found is shown.
const READ_AT_ONCE = 12;

/** What is known around the page: whose its pictures are and what they weigh, which clips have no captions, which hosts are the house's. */
type Around = {
  rights: () => Record<string, Rights>;
  weights: () => Record<string, number>;
  captionless: () => string[];
  hosts: () => string[];
};

/** A published piece that speaks of what this one is about, with the words that do. */
type SharingPiece = { title: string; shingles: number[] };
type Others = { posts: OwnPost[]; speaking: SpeakingPost[]; sharing: SharingPiece[] };
export type SpeakingPost = { id: string; title: string; words: string };

/** Looks the page through again and again while it changes, beside the writer's hands. */
export class Proofing {
  findings = $state.raw<Finding[]>([]);
  /** Findings the writer looked at and left as they are. */
  left = $state.raw<Finding[]>([]);
  /** The names of the checks that were made. */
  checked = $state.raw<readonly string[]>([]);
  figures = $state.raw<Figures | null>(null);
  /** The web addresses the page links to. */
  addresses = $state.raw<readonly string[]>([]);
  /** What came of trying the links of the page, and when that was last done. */
  links = $state.raw<Record<string, TriedLink>>({});
  linksTriedAt = $state.raw<Date | null>(null);
  /** What the house has published besides, and which of it speaks of what this piece is about. */
  posts = $state.raw<readonly OwnPost[]>([]);
  speakingOfThis = $state.raw<readonly SpeakingPost[]>([]);
  /** The other pieces that share words with this one, as they were when that was last looked at. */
  sharing = $state.raw<readonly SharingPiece[]>([]);
  /** The sources the page is held against, by their ids. */
  heldAgainst = $state.raw<readonly string[]>([]);
  /** The share of its words that stand in the material word for word; null without material. */
  inMaterial = $state<number | null>(null);
  /** The name of the yardstick the page is held against; empty while there is none. */
  yardstick = '';
  /** How the page reads in the theme of its outlet, as it was last measured. */
  comfort: Comfort | null = null;
  /** The passages nobody has read for grammar and usage yet. */
  unread = $state.raw<readonly string[]>([]);
  /** Whether nobody can read for grammar now: what it takes could not be fetched. */
  isReadingStopped = $state(false);
  isTryingLinks = $state(false);
  /** The ids of paragraphs whose origin marks may no longer hold. */
  loose = $state.raw<readonly string[]>([]);
  #isReading = false;
  #isAtIt = false;
  #seen: TiesSeen = new WeakMap();
  #against: MaterialInHand['tidied'] | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #page: PageInHand;
  readonly #material: MaterialInHand;
  readonly #details: () => Details;
  readonly #around: Around;

  constructor(page: PageInHand, material: MaterialInHand, details: () => Details, around: Around) {
    this.#around = around;
    this.#page = page;
    this.#material = material;
    this.#details = details;
  }

  /** Looks it through when nothing has changed for a moment. */
  soon(): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#look(), AFTER_MS);
  }

  /** Whether a mark holds depends on the material, which is another now. */
  forget(): void {
    this.#seen = new WeakMap();
  }

  end(): void {
    clearTimeout(this.#timer);
  }

  async #look(): Promise<void> {
    const { doc, view } = this.#page;
    const loose = looseTies(doc, this.#material.sources, this.#seen);
    if (loose.join() !== this.loose.join()) {
      this.loose = loose;
      if (view) showLooseTies(view, loose);
    }
    const { tidied, sources, house } = this.#material;
    const heldAgainst = this.#details().witnesses ?? witnesses(doc, sources);
    if (tidied !== this.#against || heldAgainst.join() !== this.heldAgainst.join()) {
      this.#against = tidied;
      this.heldAgainst = heldAgainst;
      // Of talk nobody has tidied yet, who speaks and where a sentence ends is known from the repairs proposed.
      const heard = (t: (typeof tidied)[number]) => (isTalk(t.source) && !t.edits.length ? { ...t, edits: t.proposed } : t);
      await core().proofAgainst(tidied.filter(({ id }) => heldAgainst.includes(id)).map(heard));
    }
    const found = await core().proof(doc.toJSON() as Parameters<CoreWork['proof']>[0], this.#details(), this.#around.rights(), house, {
      links: this.links,
      posts: this.posts,
      pieces: this.sharing,
      hosts: this.#around.hosts(),
      weights: this.#around.weights(),
      captionless: this.#around.captionless(),
      comfort: this.comfort,
      english: this.#english(),
      yardstick: this.yardstick,
    });
    ({ findings: this.findings, left: this.left, checked: this.checked, figures: this.figures } = found);
    this.inMaterial = found.inMaterial;
    this.unread = found.unread;
    if (this.#isReading) void this.#readOn();
    if (found.addresses.join() !== this.addresses.join()) this.addresses = found.addresses;
  }

  /** Looks at spelling from now on, and reads for grammar and usage what nobody has read yet. */
  async readClosely(): Promise<void> {
    this.#isReading = true;
    await core().learnSpelling(this.#english());
    await this.#look();
  }

  /** Takes in how the page reads in the theme of its outlet. */
  learnComfort(comfort: Comfort): void {
    this.comfort = comfort;
    this.soon();
  }

  /** Leaves reading for grammar to those who wait for it. */
  rest(): void {
    this.#isReading = false;
  }

  async #readOn(): Promise<void> {
    if (this.#isAtIt) return;
    this.#isAtIt = true;
    try {
      while (this.#isReading && this.unread.length) {
        const texts = this.unread.slice(0, READ_AT_ONCE);
        await core().learnUsages(await readUsage(texts, this.#english()));
        this.unread = this.unread.slice(texts.length);
        this.soon();
      }
      this.isReadingStopped = false;
    } catch {
      this.isReadingStopped = true;
    } finally {
      this.#isAtIt = false;
    }
  }

  #english(): English {
    const said = this.#details().brief?.language;
    return said === 'British English' ? 'British' : said === 'American English' ? 'American' : 'either';
  }

  /** Asks the server what the piece has to do with the others of the house. */
  async learnOthers(id: string): Promise<void> {
    const known = await askServer<Others>(`/pieces/${id}/others`).catch(() => null);
    if (!known) return;
    ({ posts: this.posts, speaking: this.speakingOfThis, sharing: this.sharing } = known);
    await this.#look();
  }

  /** Has the server try the links that were not tried yet, or all of them again; says what kept it from that. */
  async tryLinks(again = false): Promise<string> {
    const wanted = this.addresses.filter((href) => again || !this.links[href]);
    if (!wanted.length || this.isTryingLinks) return '';
    this.isTryingLinks = true;
    const sorry = await refusalOf(async () => {
      const { links } = await askServer<{ links: Record<string, TriedLink> }>(
        '/links',
        json('POST', { addresses: wanted.slice(0, 1000), again }),
      );
      this.links = { ...this.links, ...links };
      this.linksTriedAt = new Date();
    });
    this.isTryingLinks = false;
    await this.#look();
    return sorry;
  }
}
