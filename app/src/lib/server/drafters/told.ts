import { Complaint } from '@even-page/core/complaint';
import type { DraftEvent } from './form.ts';

/** What comes of a drafter, with what went wrong as a last word. */
export async function* told(events: AsyncIterable<DraftEvent>): AsyncGenerator<DraftEvent | { failed: string }> {
  try {
    yield* events;
  } catch (cause) {
    if (!(cause instanceof Complaint)) throw cause;
    yield { failed: cause.message };
  }
}
