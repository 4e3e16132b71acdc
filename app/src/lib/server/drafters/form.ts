import type { DraftRequest } from '@even-page/core/write';

/** Something that came from a drafter: a part of its text, or a sentence about it. */
export type DraftEvent = { text: string } | { note: string };

/** One event of a stream as it came. */
export type SentEvent = { event?: string; data: string };

/** How a kind of service is spoken to. */
export type DrafterForm = {
  label: string;
  /** Where below its address a request goes. */
  path: string;
  body: (request: DraftRequest, model: string) => object;
  /** What an event of its stream says; `over` when nothing follows. Throws a Complaint when it says that something went wrong. */
  read: (event: SentEvent) => { events: DraftEvent[]; over?: boolean };
  /** An answer that came as one, not as a stream; null when it is none. */
  whole: (body: unknown) => DraftEvent[] | null;
};
