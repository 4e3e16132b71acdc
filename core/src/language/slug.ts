/** The length a proposed slug is kept under, in characters (common practice, no source). */
export const SLUG_LENGTH = 60;

/**
 * A slug from a title: lower-case words with a dash between each, accents dropped, no word cut in half. Words
 * that do not fit in `length` characters are left out from the end; a single longer word is kept whole.
 */
export function slugOf(title: string, length = SLUG_LENGTH): string {
  const found = title
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[’']/g, '')
    .toLowerCase()
    .match(/[\p{Ll}\p{Lo}\p{N}]+/gu);
  let slug = '';
  for (const word of found ?? []) {
    const longer = slug ? `${slug}-${word}` : word;
    if (slug && longer.length > length) break;
    slug = longer;
  }
  return slug;
}
