/** Where the n-th picture of gathered material stands in its page until it is kept. */
export const pictureAddress = (n: number | ''): string => `gathered/${n}`;
