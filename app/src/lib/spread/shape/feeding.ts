/** What a drag of passages carries; the passages themselves are those chosen in the list. */
export const PASSAGES = 'application/x-even-page-passages';
