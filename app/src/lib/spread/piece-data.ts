import type { Reading, ShownKind, Source } from '@even-page/core/gather';
import type { Details } from '@even-page/core/post/details';
import type { Form } from '@even-page/core/post/brief';
import type { Origin, PostNode } from '@even-page/core/post/schema';
import type { Theme } from '@even-page/core/theme';
import type { TaskName } from '@even-page/core/write';
import type { Edit, House } from '@even-page/core/tidy';
import type { Step } from '$lib/steps.ts';
import type { FoundClip, Picture } from '$lib/pictures/known.ts';

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
/** The theme of an outlet as it was last read, and from which of its posts; without one, the post it is offered to be read from. */
export type OutletTheme = { theme: Theme | null; from: string; notes: string[] };
export type Posting = { outletId: string; outlet: string; url: string; version: number; sentAt: Date };

/** A service that drafts, as it can be chosen. */
export type Drafter = { id: string; name: string };

/** One asking of a drafter and what came of it. */
export type Round = {
  id: string;
  section: string;
  task: TaskName;
  wish: string;
  drafter: string;
  state: 'working' | 'done' | 'stopped' | 'failed';
  answer: string;
  passages: Record<string, Origin>;
  notes: string[];
  asked: { form: Form; words: number; blocks: string[]; was: object };
  askedAt: string;
  askedBy: string;
  seconds: number;
  taken: 'whole' | 'part' | null;
  takenAt: string | null;
};

/** What the server sends for a piece. */
export type PieceData = {
  piece: { id: string; version: number; step: Step; doc: object; details: Details; touchedAt: Date };
  sources: Omit<SourceInHand, 'proposed'>[];
  postings: Posting[];
  outlets: Outlet[];
  drafters: Drafter[];
  /** What is known of the pictures and clips on the page. */
  dress: { pictures: Picture[]; clips: FoundClip[] };
  house: House;
  /** What each kind of source is called, and how it can be read. */
  kinds: Readonly<Record<string, ShownKind>>;
};

/** Two versions of the page: an older one, and a newer one or the page as it stands. */
export type Comparing = { older: number; newer: number | null; was: PostNode; is: PostNode | null };
