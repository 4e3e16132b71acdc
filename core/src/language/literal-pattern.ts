/** Words as a regular expression that fits them and nothing else. */
export const literalPattern = (words: string): string => words.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&');
