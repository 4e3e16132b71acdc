import { normal } from './terms.ts';

/** A heading as headings are compared: without case, marks and number. */
export const plainHeading = (heading: string): string =>
  normal(heading)
    .replace(/^\d+[.):]\s*/, '')
    .replace(/[^\p{L}\p{N}']+/gu, ' ')
    .trim();
