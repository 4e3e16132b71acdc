import type { DraftRequest } from '../asked.ts';

/**
 * One thing a drafter can be asked for. `needs`: which passages go along, those of a section, all, or none; `asks`: what is
 * asked, a paragraph each.
 */
export type Task = {
  label: string;
  needs: 'section' | 'all' | 'none';
  /** Whether the answer takes the place of words given. */
  isRewrite?: boolean;
  asks: (request: DraftRequest) => string[];
};

/** How an answer shows what it rests on. */
export const RESTS =
  'End every paragraph, list item and table with the numbers of the passages it rests on, in square brackets: [p3, p7]. Where it rests on none, end it with [none].';

export const AS_MARKDOWN = 'Answer in Markdown, with nothing before it and nothing after it.';

export const ONLY_SAID = 'Say only what the passages say: no number, name, date, quotation or claim that is not in them.';
