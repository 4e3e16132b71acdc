import { Complaint } from '@even-page/core/complaint';
import type { ReferencePage } from '@even-page/core/yardstick';
import { fetchAddress } from './fetch-address.ts';
import { Helper } from './helper.ts';

/** A page as it came, to be measured; or measured pages, to say which are to be left out. */
export type MeasureAsk = { bytes: Uint8Array; address: string } | { pages: ReferencePage[] };
export type Measured = { page: ReferencePage } | { because: string[] };

const measurer = new Helper<MeasureAsk, Measured>('reference-pages', {
  mostMs: 20_000,
  mostMb: 700,
  tooLong: 'Measuring this page took too long and was stopped: leave it out.',
  tooLarge: 'Measuring this page took more memory than there is for it: leave it out.',
  broken: 'This page could not be measured.',
});

// A page that has fewer words is none to hold a draft against: most are drawn by a script that was not run.
const FEWEST_WORDS = 5;
// What people read on one page; more is a book.
const MOST_LETTERS = 400_000;

/** Measures a page from its HTML. Throws a Complaint when it cannot be read, or holds no words. */
export async function measured(bytes: Uint8Array, address: string): Promise<ReferencePage> {
  const { page } = (await measurer.ask({ bytes, address })) as { page: ReferencePage };
  if (page.figures.words < FEWEST_WORDS)
    throw new Complaint(
      'This page has no words to measure. Where a site draws its pages by script, save the page in your browser and drop the file here.',
    );
  if (page.parts.reduce((sum, { text }) => sum + text.length, 0) > MOST_LETTERS)
    throw new Complaint('This page is as long as a book, and no yardstick for a post.');
  return page;
}

/** Fetches a page under the rules of `fetchAddress`, and measures it. */
export async function fetchedPage(address: string): Promise<{ address: string; page: ReferencePage }> {
  const { bytes, address: found = address } = await fetchAddress(address);
  return { address: found, page: await measured(bytes, found) };
}

/** For each page why it is proposed to be left out; empty for those that serve. */
export async function becauseOf(pages: ReferencePage[]): Promise<string[]> {
  return ((await measurer.ask({ pages })) as { because: string[] }).because;
}
