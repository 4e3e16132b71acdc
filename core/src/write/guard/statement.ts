/**
 * One sentence that is held against what is known, the sentences of the material it is said to rest on, and what stands beside
 * it, such as the row of a cell.
 */
export type Statement = { text: string; rests: readonly number[]; beside?: string };

/**
 * What nobody said, as far as is known: a stretch of the statement, where the material says the same of something else, and
 * what it does say of this. Sentences by their place among those of the material.
 */
export type Doubt = {
  kind: 'figure' | 'name' | 'quotation' | 'denial';
  from: number;
  to: number;
  says: string;
  elsewhere: number | null;
  near: readonly number[];
  /** What the material has that is nearly like it: a name, or what was said instead of a quotation. */
  meant?: string;
};
