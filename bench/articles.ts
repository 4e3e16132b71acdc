// How pages made of talks stand against the articles an editor made of them (.post.md): what must not be missing, and how much
// of the matter is the same.
import { readdirSync, readFileSync } from 'node:fs';
import { sentences } from '../core/src/language/sentences.ts';
import { normal, terms } from '../core/src/language/terms.ts';
import { words } from '../core/src/language/words.ts';
import { isClosed } from '../core/src/tidy/wording/kinds.ts';
import type { Figure } from './measure.ts';

const FOLDER = new URL('../core/training/told/', import.meta.url);
const WARNS = /\b(?:never|do not|don't|don’t|must not|careful|warning|danger|not safe)\b/i;
// A warning stands when so many of its stems stand together in one sentence, or in two that follow each other.
const STANDS = 0.5;

type Made = { number: string; said: string; page: string };

/** The article of a talk as plain text; none where no editor made one. */
function articleOf(number: string): string | null {
  const name = readdirSync(FOLDER).find((file) => file.startsWith(`${number}-`) && file.endsWith('.post.md'));
  return name ? plain(readFileSync(new URL(name, FOLDER), 'utf8')) : null;
}

const plain = (md: string) =>
  md
    .replace(/^\s*(?:#+|[-*+>]|\d+[.)])\s+/gm, '')
    .replace(/[*_`|\\]/g, ' ')
    .replace(/[^\S\n]+/g, ' ');

const figuresIn = (text: string) => new Set((text.match(/\d+(?:[.,:]\d+)*/g) ?? []).map((n) => n.replaceAll(',', '')));
/** Words with a capital where none opens a sentence. */
const namesIn = (text: string) =>
  new Set(
    sentences(text).flatMap(({ text: own }) =>
      words(own)
        .slice(1)
        .filter((w) => /^\p{Lu}\p{Ll}/u.test(w.text) && !isClosed(normal(w.text)))
        .map((w) => normal(w.text).replace(/'s$/, '')),
    ),
  );
const stemsIn = (text: string) => new Set(terms(text));

const share = (of: ReadonlySet<string>, among: ReadonlySet<string>) => [...of].filter((x) => among.has(x)).length / Math.max(1, of.size);

/** Of the warnings of an article that the talk gives, how many the page gives too. */
function warnings(article: string, said: string, page: string): { given: number; kept: number } {
  const givenBy = (text: string) => {
    const all = sentences(text).map((s) => stemsIn(s.text));
    return (wanted: ReadonlySet<string>) => all.some((s, i) => share(wanted, new Set([...s, ...(all[i + 1] ?? [])])) >= STANDS);
  };
  const [inTalk, onPage] = [givenBy(said), givenBy(page)];
  const wanted = sentences(article)
    .filter((s) => WARNS.test(s.text))
    .map((s) => stemsIn(s.text))
    .filter((s) => s.size > 1 && inTalk(s));
  return { given: wanted.length, kept: wanted.filter(onPage).length };
}

/** The figures of pages beside an editor's articles. */
export function articleFigures(made: readonly Made[]): Figure[] {
  const n = { figures: 0, figuresKept: 0, names: 0, namesKept: 0, warned: 0, warnedKept: 0 };
  const matter = { page: [0, 0], talk: [0, 0], half: [0, 0] } as Record<'page' | 'talk' | 'half', [number, number]>;
  let articles = 0;
  for (const { number, said, page } of made) {
    const article = articleOf(number);
    if (!article) continue;
    articles++;
    const count = (find: (text: string) => Set<string>): [number, number] => {
      const wanted = [...find(article)].filter((x) => find(said).has(x));
      return [wanted.length, wanted.filter((x) => find(page).has(x)).length];
    };
    const [figures, figuresKept] = count(figuresIn);
    const [names, namesKept] = count(namesIn);
    const warned = warnings(article, said, page);
    n.figures += figures;
    n.figuresKept += figuresKept;
    n.names += names;
    n.namesKept += namesKept;
    n.warned += warned.given;
    n.warnedKept += warned.kept;
    const theirs = stemsIn(article);
    const all = words(said);
    const half = said.slice(0, all[Math.floor(all.length / 2)]?.from);
    for (const [name, text] of [
      ['page', page],
      ['talk', said],
      ['half', half],
    ] as const) {
      const own = stemsIn(text);
      matter[name][0] += share(own, theirs);
      matter[name][1] += share(theirs, own);
    }
  }
  const percent = (a: number, b: number) => (100 * a) / Math.max(1, b);
  const mean = (sum: number) => percent(sum, articles);
  const beside = (i: 0 | 1) => `the whole talk ${mean(matter.talk[i]).toFixed(0)}, its first half ${mean(matter.half[i]).toFixed(0)}`;
  const kept = (what: string, a: number, b: number): Figure => ({
    what: `Road: ${what} of an editor's articles that stand on the page`,
    value: percent(a, b),
    unit: '%',
    least: 95,
    against: `${b} in ${articles} articles`,
  });
  return [
    kept('figures', n.figuresKept, n.figures),
    kept('names', n.namesKept, n.names),
    kept('warnings', n.warnedKept, n.warned),
    { what: 'Road: content stems of the page that the article has', value: mean(matter.page[0]), unit: '%', against: beside(0) },
    { what: 'Road: content stems of the article that the page has', value: mean(matter.page[1]), unit: '%', against: beside(1) },
  ];
}
