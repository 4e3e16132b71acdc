import { expose } from 'comlink';
import { Complaint } from '@even-page/core/complaint';
import { findMatches, type Query } from '@even-page/core/tidy';

const work = {
  /** The places a query fits, or the sentence that says what is wrong with it. */
  find(text: string, query: Query, replacement: string) {
    try {
      return findMatches(text, query, replacement);
    } catch (cause) {
      if (cause instanceof Complaint) return cause.message;
      throw cause;
    }
  },
};

export type FinderWork = typeof work;

expose(work);
