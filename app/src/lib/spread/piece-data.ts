import type { Reading, ShownKind, Source } from '@even-page/core/gather';
import type { Details } from '@even-page/core/post/details';
import type { PostNode } from '@even-page/core/post/schema';
import type { Edit, House } from '@even-page/core/tidy';
import type { Step } from '$lib/steps.ts';

/** A source of the piece as the Spread holds it: what it says, the repairs taken, and those proposed once they are known. */
export type SourceInHand = {
  id: string;
  name: string;
  bytes: number;
  words: number;
  durationMs: number | null;
  /** How its bytes were read, what the reading has to say, and the address it was fetched from. */
  reading: Reading;
  notes: string[];
  address: string | null;
  /** The recording behind the words, where it was published, and how the transcriber stands with it. */
  recording: { digest: string; type: string; isVideo: boolean; bytes: number } | null;
  published: { title: string; description: string; address: string } | null;
  transcribing: { state: 'working' | 'failed'; job: string | null; progress: number; says: string } | null;
  source: Source;
  edits: Edit[];
  proposed: Edit[] | null;
};

export type Outlet = { id: string; name: string; endpoint: string };
export type Posting = { outletId: string; outlet: string; url: string; version: number; sentAt: Date };

/** What the server sends for a piece. */
export type PieceData = {
  piece: { id: string; version: number; step: Step; doc: object; details: Details; touchedAt: Date };
  sources: Omit<SourceInHand, 'proposed'>[];
  postings: Posting[];
  outlets: Outlet[];
  house: House;
  /** What each kind of source is called, and how it can be read. */
  kinds: Readonly<Record<string, ShownKind>>;
};

/** Two versions of the page: an older one, and a newer one or the page as it stands. */
export type Comparing = { older: number; newer: number | null; was: PostNode; is: PostNode | null };

/** A picture as the server took it in. */
export type Picture = { src: string; width: number; height: number; bytes: number; originalBytes: number; name: string };
