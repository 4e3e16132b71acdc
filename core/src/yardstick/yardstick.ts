import { plainHeading } from '../language/plain-heading.ts';
import { shinglesOf } from '../language/shingles.ts';
import { isContentWord, stem } from '../language/terms.ts';
import { words } from '../language/words.ts';
import type { Subjects } from '../shape/index.ts';
import { type Matter, mattersOf } from './matters.ts';
import { passagesOf } from './passages.ts';
import type { ReferencePage } from './reference-page.ts';
import { reworded } from './reworded.ts';
import { sharedTerms, type Term } from './terms.ts';
import { weighingBy, type Weighing } from './weights.ts';

/** A matter as it is shown: with a number of its own, its telling words, and a heading for it in words that are on no page. */
export type NamedMatter = Matter & { id: string; words: string[]; own: string };

/** What drafts are held against: the pages that were taken in, what they treat, and the terms they share. */
export type Yardstick = { pages: readonly ReferencePage[]; matters: NamedMatter[]; terms: Term[]; links: SharedLink[]; weigh: Weighing };

/** An address that several pages link to: a place to look. */
export type SharedLink = { address: string; pages: number };

const FEWEST_PAGES = 2;

/** Makes a yardstick of the pages that are taken in. */
export function yardstickOf(pages: readonly ReferencePage[], subjects: Subjects | null): Yardstick {
  const passages = pages.map((page) => passagesOf(page.parts));
  const weigh = weighingBy(passages.flat(), subjects);
  const taken = pages.flatMap((page) => [page.title, ...page.parts.filter((part) => part.level).map((part) => part.text)]);
  const written = writtenForms(pages);
  const matters = mattersOf(passages, weigh).map((matter, n): NamedMatter => {
    const telling = matter.stems.map((stem) => written.get(stem) ?? stem);
    const own = reworded(matter.headings, taken, telling);
    taken.push(own);
    return {
      ...matter,
      id: `m${n}`,
      words: telling,
      name: matter.name || telling.slice(0, 3).join(', '),
      own,
    };
  });
  return { pages, matters, terms: sharedTerms(pages, subjects), links: sharedLinks(pages), weigh };
}

/** How each stem is mostly written, in small letters. */
function writtenForms(pages: readonly ReferencePage[]): Map<string, string> {
  const forms = new Map<string, Map<string, number>>();
  for (const { parts } of pages)
    for (const { text } of parts)
      for (const word of words(text)) {
        if (!isContentWord(word.text)) continue;
        const key = stem(word.text);
        const own = forms.get(key) ?? new Map<string, number>();
        own.set(word.text.toLowerCase(), (own.get(word.text.toLowerCase()) ?? 0) + 1);
        forms.set(key, own);
      }
  return new Map([...forms].map(([key, own]) => [key, [...own].sort((a, b) => b[1] - a[1])[0]![0]]));
}

function sharedLinks(pages: readonly ReferencePage[]): SharedLink[] {
  const counts = new Map<string, number>();
  for (const { links } of pages) for (const address of new Set(links.map(bare))) counts.set(address, (counts.get(address) ?? 0) + 1);
  return [...counts]
    .filter(([, n]) => n >= FEWEST_PAGES)
    .sort((a, b) => b[1] - a[1])
    .map(([address, pages]) => ({ address, pages }));
}

const bare = (href: string): string => href.split('#')[0]!.replace(/\/$/, '');

// Headings everybody writes say nothing about whose they are (own list).
const EVERYBODYS =
  /^(?:introduction|conclusion|summary|overview|contents|questions(?: and answers)?|faqs?|sources|further reading|tools|materials|in short|key points|before you start)$/;

/** The headings of others that must not stand on a page of one's own, as they are compared, with the page each is from. */
export const headingsOf = (pages: readonly ReferencePage[]): Map<string, string> =>
  new Map(
    pages.flatMap(({ title, parts }) =>
      parts.flatMap(({ level, text }) => {
        const said = plainHeading(text);
        return level && said.includes(' ') && !EVERYBODYS.test(said) ? [[said, title] as const] : [];
      }),
    ),
  );

/** The shingles of a page: what must not stand on one's own word for word. */
export const shinglesOn = ({ parts }: ReferencePage): Set<number> =>
  new Set(parts.flatMap(({ text }) => shinglesOf(text).map(({ hash }) => hash)));
