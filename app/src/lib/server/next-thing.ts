import type { Looks } from './looks.ts';
import type { NextThing } from './schema.ts';

/** What stands around a page when the Desk decides what comes next. */
export type Surroundings = {
  sources: { name: string; title: string | null; words: number; durationMs: number | null; edits: number }[];
  posted: { outlet: string; isCurrent: boolean } | null;
};

/** The one sentence the Desk shows for a piece: what to do next on the road. */
export function nextThing({ words, first, more }: Looks, { sources, posted }: Surroundings): NextThing {
  if (!words) return beforeThePage(sources);
  if (posted?.isCurrent) return { gravity: 'fine', says: 'Published', rest: ` on ${posted.outlet}` };
  if (first?.gravity === 'must') return { gravity: 'must', says: first.says, rest: `: ${lowerFirst(first.hint)}` };
  if (posted) return { gravity: 'look', says: 'Changed since it was sent', rest: `: send it to ${posted.outlet} again` };
  if (!first) return { gravity: 'fine', says: 'Ready to send', rest: ': every check is fine' };
  return { gravity: 'look', says: first.says, rest: more ? ` and ${more} more to look at` : `: ${lowerFirst(first.hint)}` };
}

function beforeThePage(sources: Surroundings['sources']): NextThing {
  const [first] = sources;
  if (!first) return { gravity: 'look', says: 'Bring in material', rest: ' or write on the empty page' };
  if (sources.some((s) => s.edits > 0)) return { gravity: 'look', says: 'Ask for sections', rest: ': the words are tidied' };
  const minutes = Math.round((first.durationMs ?? 0) / 60_000);
  const what = minutes ? `a talk of ${minutes === 1 ? '1 minute' : `${minutes} minutes`}` : `${first.words.toLocaleString('en')} words`;
  return { gravity: 'look', says: 'Make a page of it', rest: `: ${what} just arrived` };
}

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
