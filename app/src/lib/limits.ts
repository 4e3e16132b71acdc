/** The largest file the server takes, in bytes. */
export const MOST_BYTES = 25 * 1024 * 1024;

/** What is said of a larger one. */
export const tooLarge = (name: string) => `${name} is larger than 25 MB: bring in its captions or its words instead.`;
