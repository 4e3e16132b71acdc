import { PAGE_KINDS } from './page-kind.ts';
import type { ReferencePage } from './reference-page.ts';
import { quantile } from './spread.ts';

// Own choices: under so much of the middle page's length a page is thin, and after so many years it is old.
const THIN = 0.5;
const OLD_YEARS = 3;

/**
 * Why a page leaves room for a better one: it is no article, thin, or old; empty where it does not.
 * @param readAt the day it was read, YYYY-MM-DD
 */
export function roomAt(page: ReferencePage, pages: readonly ReferencePage[], readAt: string): string[] {
  const lengths = pages.filter(({ kind }) => kind === 'article').map(({ figures }) => figures.words);
  const middle = quantile(
    lengths.sort((a, b) => a - b),
    0.5,
  );
  const { kind, date, figures } = page;
  return [
    ...(kind === 'article' ? [] : [PAGE_KINDS[kind]]),
    ...(figures.words < THIN * middle ? [`thin, ${figures.words} words`] : []),
    ...(date && Number(readAt.slice(0, 4)) - Number(date.slice(0, 4)) >= OLD_YEARS ? [`old, of ${date.slice(0, 4)}`] : []),
  ];
}
