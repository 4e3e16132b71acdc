// Words that talk is full of and writing is not (own list; common practice, no source).
const SPOKEN = new Set(
  "i you we so okay just that's it's i'm you're we're gonna going now well like don't yeah right here there know what's let's um uh".split(
    ' ',
  ),
);
// Talks told for this product have 0.085 to 0.22 of them, documents 0.01 to 0.065, two that talk to their reader 0.11.
const TALK = 0.08;

/** Whether a run of words is talk rather than writing without its marks. */
export const isTalk = (said: readonly string[]): boolean =>
  said.reduce((sum, word) => sum + (SPOKEN.has(word) ? 1 : 0), 0) > TALK * said.length;

// Words every English text is full of: of a hundred words more than this many.
const ENGLISH = new Set('the and to of it is you that a in'.split(' '));
const MUCH_ENGLISH = 0.12;

/** Whether a run of words is English. */
export const isEnglish = (said: readonly string[]): boolean =>
  said.reduce((sum, word) => sum + (ENGLISH.has(word) ? 1 : 0), 0) > MUCH_ENGLISH * said.length;
