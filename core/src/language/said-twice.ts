/** Words that people say twice and mean it. */
export const SAID_TWICE: ReadonlySet<string> = new Set('had that very no yes bye really so much long many far way ha'.split(' '));
