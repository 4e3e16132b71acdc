/** The largest file the server takes, in bytes. */
export const MOST_BYTES = 25 * 1024 * 1024;

/** What is said of a larger one. */
export const tooLarge = (name: string) => `${name} is larger than 25 MB: bring in its captions or its words instead.`;

/** The most repairs a save carries: those of a long talk go up in several. */
export const MOST_EDITS = 5000;

/** The largest page that is kept, in letters of its JSON: far more than the longest post, and quick to save. */
export const MOST_PAGE = 2_000_000;

/** The most blocks of a page, those inside others counted too. */
export const MOST_BLOCKS = 6_000;
