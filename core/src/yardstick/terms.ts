import { isContentWord, stem } from '../language/terms.ts';
import { sentences } from '../language/sentences.ts';
import { words } from '../language/words.ts';
import { rarityIn, type Subjects } from '../shape/index.ts';
import type { Part } from './parts.ts';
import { type Spread, spreadOf } from './spread.ts';

const MOST_WORDS = 4;

// Words that may stand inside a term.
const JOINS = new Set(['of', 'for', 'and', 'or', 'to', 'with', 'in', 'on', 'by', 'a', 'an', 'the']);

/** How often each term stands in a part, by its stems; and how it is written there. */
type PartTerms = ReadonlyMap<string, { n: number; written: string }>;

// A part of a page never changes: another stands in its place.
const known = new WeakMap<Part, PartTerms>();

/** Every run of one to four words of a part that begins and ends with a word of its own meaning. */
function termsIn(part: Part): PartTerms {
  let found = known.get(part);
  if (found) return found;
  const counts = new Map<string, { n: number; written: string }>();
  for (const { text } of sentences(part.text)) {
    const all = words(text).map((w) => ({ ...w, isContent: isContentWord(w.text), stem: stem(w.text) }));
    for (let i = 0; i < all.length; i++) {
      if (!all[i]!.isContent) continue;
      let key = '';
      for (let k = i; k < Math.min(all.length, i + MOST_WORDS); k++) {
        // A term does not go over a comma.
        if (k > i && /[^\s'’-]/.test(text.slice(all[k - 1]!.to, all[k]!.from))) break;
        key += (key && ' ') + all[k]!.stem;
        if (!all[k]!.isContent) {
          if (JOINS.has(all[k]!.text.toLowerCase())) continue;
          break;
        }
        const before = counts.get(key);
        if (before) before.n++;
        else counts.set(key, { n: 1, written: text.slice(all[i]!.from, all[k]!.to) });
      }
    }
  }
  known.set(part, (found = counts));
  return found;
}

/** A term that several pages share: how it is mostly written, in how many of them it stands, in headings too, and how often. */
export type Term = { key: string; text: string; pages: number; headings: number; counts: number[]; spread: Spread };

/** How often a term stands on a page, and how often in its title and headings. */
export function countOf(key: string, title: string, parts: readonly Part[]): { all: number; headings: number } {
  const times = (part: Part) => termsIn(part).get(key)?.n ?? 0;
  const inTitle = times(titleAsPart(title));
  const counted = { all: inTitle, headings: inTitle };
  for (const part of parts) {
    const n = times(part);
    counted.all += n;
    if (part.level) counted.headings += n;
  }
  return counted;
}

const titles = new Map<string, Part>();

function titleAsPart(title: string): Part {
  let part = titles.get(title);
  if (!part) {
    // Titles are typed letter by letter: only the last ones are kept.
    if (titles.size > 100) titles.clear();
    titles.set(title, (part = { level: 1, text: title }));
  }
  return part;
}

// Own choices: in so many of the pages, and so much more often there than in English at large.
const PAGES_SHARE = 0.3;
const FEWEST_PAGES = 2;
const MUCH_MORE = 8;
// A shorter term that hardly ever stands without the longer one is no term of its own.
const WITHIN = 0.7;
const MOST_TERMS = 150;

/**
 * The terms of one to four words that pages share, joined by their stems (Porter 1980).
 * @param subjects how often words stand in English; without it common words count too
 * @returns those of most pages first, then the longest, then the most frequent
 */
export function sharedTerms(pages: readonly { title: string; parts: readonly Part[] }[], subjects: Subjects | null): Term[] {
  const per = pages.map(({ title, parts }) => {
    const counts = new Map<string, number>();
    for (const part of [titleAsPart(title), ...parts])
      for (const [key, { n }] of termsIn(part)) counts.set(key, (counts.get(key) ?? 0) + n);
    return counts;
  });
  const all = new Map<string, { pages: number; n: number }>();
  for (const counts of per)
    for (const [key, n] of counts) {
      const sum = all.get(key) ?? { pages: 0, n: 0 };
      all.set(key, { pages: sum.pages + 1, n: sum.n + n });
    }
  const least = Math.max(FEWEST_PAGES, Math.ceil(PAGES_SHARE * pages.length));
  const content = per.reduce((sum, counts) => sum + [...counts].reduce((s, [key, n]) => s + (key.includes(' ') ? 0 : n), 0), 0);
  const rarity = rarityIn(subjects);
  const isTelling = (key: string) =>
    !subjects || key.split(' ').every((stem) => JOINS.has(stem) || (all.get(stem)?.n ?? 0) / content > MUCH_MORE * Math.exp(-rarity(stem)));
  const shared = [...all].filter(([key, { pages }]) => pages >= least && isTelling(key));
  const longer = new Map<string, number>();
  for (const [key, { n }] of shared) for (const within of shorterOf(key)) longer.set(within, Math.max(longer.get(within) ?? 0, n));
  return shared
    .filter(([key, { n }]) => (longer.get(key) ?? 0) < WITHIN * n)
    .sort((a, b) => b[1].pages - a[1].pages || b[0].split(' ').length - a[0].split(' ').length || b[1].n - a[1].n)
    .slice(0, MOST_TERMS)
    .map(([key, { pages: having }]) => {
      const counted = pages.map(({ title, parts }) => countOf(key, title, parts));
      const counts = counted.map((c) => c.all);
      return {
        key,
        text: writtenAs(key, pages),
        pages: having,
        headings: counted.filter((c) => c.headings).length,
        counts,
        spread: spreadOf(counts),
      };
    });
}

/** The runs of words inside a term. */
function shorterOf(key: string): string[] {
  const stems = key.split(' ');
  const found: string[] = [];
  for (let i = 0; i < stems.length; i++)
    for (let k = i + 1; k <= stems.length; k++) if (k - i < stems.length) found.push(stems.slice(i, k).join(' '));
  return found;
}

/** How a term is mostly written; without capitals where it is written so anywhere. */
function writtenAs(key: string, pages: readonly { parts: readonly Part[] }[]): string {
  const forms = new Map<string, number>();
  for (const { parts } of pages)
    for (const part of parts) {
      const found = termsIn(part).get(key);
      if (found) forms.set(found.written, (forms.get(found.written) ?? 0) + found.n);
    }
  const ranked = [...forms].sort((a, b) => b[1] - a[1]).map(([form]) => form);
  return ranked.find((form) => form === form.toLowerCase()) ?? ranked[0] ?? key;
}
