import { type Subject, SUBJECTS, type Told } from './subjects.ts';

/** A page of the invented web: where it stands, its title, what a result list says of it, and its HTML. */
export type InventedPage = { path: string; title: string; words: string; html: string };

type Sort = 'article' | 'long' | 'old' | 'thin' | 'copy' | 'forum' | 'shop' | 'list' | 'video';

/** The fifteen pages there are on each subject: their titles, what sort they are, and how many things they treat. */
const PAGES: { title: (phrase: string) => string; sort: Sort; treats: number }[] = [
  { title: (p) => `${capital(p)}: the whole guide`, sort: 'article', treats: 8 },
  { title: (p) => `How we go about ${p}`, sort: 'article', treats: 6 },
  { title: (p) => `${capital(p)} for beginners`, sort: 'article', treats: 7 },
  { title: (p) => `Everything about ${p}`, sort: 'long', treats: 12 },
  { title: (p) => `A quiet evening with tools: ${p}`, sort: 'article', treats: 5 },
  { title: (p) => `Questions on ${p}, answered`, sort: 'article', treats: 6 },
  { title: (p) => `${capital(p)}, as my aunt did it`, sort: 'old', treats: 5 },
  { title: (p) => `${capital(p)} in two minutes`, sort: 'thin', treats: 1 },
  { title: (p) => `${capital(p)}: a complete guide`, sort: 'copy', treats: 8 },
  { title: (p) => `Help with ${p}?`, sort: 'forum', treats: 4 },
  { title: (p) => `Things for ${p}`, sort: 'shop', treats: 3 },
  { title: (p) => `Notes on ${p}`, sort: 'article', treats: 7 },
  { title: (p) => `The best pages on ${p}`, sort: 'list', treats: 0 },
  { title: (p) => `Watch: ${p}`, sort: 'video', treats: 1 },
  { title: (p) => `What went wrong with ${p}`, sort: 'forum', treats: 3 },
];

const capital = (words: string) => words[0]!.toUpperCase() + words.slice(1);
const escaped = (words: string) => words.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
const slugOf = (words: string) => words.toLowerCase().replace(/[^a-z0-9]+/g, '-');

function pageOf(subject: Subject, n: number): InventedPage {
  const { title, sort, treats } = PAGES[n]!;
  const said = title(subject.phrase);
  const intro = subject.intros[n % subject.intros.length]!;
  const body = BODIES[sort](subject, sort === 'copy' ? 0 : n, treats);
  return {
    path: `/pages/${slugOf(subject.phrase)}/${n + 1}`,
    title: said,
    words: intro.slice(0, 150),
    html: around(said, sort, intro, body, n),
  };
}

/** What the nth page treats, in an order of its own. */
function toldOn({ told }: Subject, n: number, treats: number): Told[] {
  const turned = told.map((_, k) => told[(k * 5 + n * 3) % told.length]!);
  const each = told.length % 5 ? turned : told.map((_, k) => told[(k + n * 3) % told.length]!);
  return each.slice(0, treats);
}

const section = ({ headings, paragraphs }: Told, n: number, also = false) =>
  `<h2>${escaped(headings[n % headings.length]!)}</h2>\n<p>${escaped(paragraphs[n % paragraphs.length]!)}</p>` +
  (also ? `\n<p>${escaped(paragraphs[(n + 1) % paragraphs.length]!)}</p>` : '');

const article = (subject: Subject, n: number, treats: number) =>
  toldOn(subject, n, treats)
    .map((told, k) => section(told, n + k) + (k === 1 ? `\n<figure><img src="/drawn/${n}.png" alt="${escaped(told.name)}"></figure>` : ''))
    .join('\n') +
  `\n<p>More is in <a href="https://advice.larkfield.example/${slugOf(subject.phrase)}">the hall’s advice sheet</a>${n % 2 ? ' and in <a href="https://standards.larkfield.example/tools">the list of tools</a>' : ''}.</p>`;

const posts = (subject: Subject, n: number, treats: number) =>
  toldOn(subject, n, treats)
    .map(
      ({ paragraphs }, k) =>
        `<div class="post"><p class="who">neighbour${n}${k} wrote on <time datetime="2024-0${(k % 9) + 1}-11">day ${k + 1}</time></p><p>${k ? '' : 'Hello all, I am stuck. '}${escaped(paragraphs[(n + k) % paragraphs.length]!.split('. ')[0]!)}. Has anybody done it otherwise?</p></div>`,
    )
    .join('\n');

const BODIES: Record<Sort, (subject: Subject, n: number, treats: number) => string> = {
  article,
  old: article,
  thin: (subject, n, treats) =>
    toldOn(subject, n, treats)
      .map((told, k) => section(told, n + k))
      .join('\n'),
  copy: (subject, n, treats) => article(subject, n, treats).replaceAll('ten minutes', 'a few minutes'),
  long: (subject, n, treats) =>
    toldOn(subject, n, treats)
      .map((told, k) => section(told, n + k, true))
      .join('\n') +
    '\n<ul><li>Read it twice</li><li>Begin slowly</li></ul>\n<table><tr><th>Step</th><th>Minutes</th></tr><tr><td>First</td><td>10</td></tr></table>',
  forum: posts,
  shop: (subject, n, treats) =>
    toldOn(subject, n, treats)
      .map(
        ({ name }, k) =>
          `<div class="item"><h3>Set for ${name}</h3><p>£${9 + k * 4}.50, sent in two days.</p><button>Add to basket</button></div>`,
      )
      .join('\n'),
  list: (subject) =>
    `<ul>${PAGES.slice(0, 9)
      .map(({ title }, k) => `<li><a href="/pages/${slugOf(subject.phrase)}/${k + 1}">${escaped(title(subject.phrase))}</a></li>`)
      .join('')}</ul>`,
  video: (subject, n, treats) =>
    `<video src="/none.mp4" controls></video>\n${toldOn(subject, n, treats)
      .map((told) => `<p>${escaped(told.paragraphs[0]!)}</p>`)
      .join('\n')}`,
};

const DATES: Partial<Record<Sort, string>> = { old: '2011-05-02' };

/** A page as sites have it: with menus, a foot, and what it says of itself. */
function around(title: string, sort: Sort, intro: string, body: string, n: number): string {
  const date = DATES[sort] ?? `2026-0${(n % 9) + 1}-14`;
  const data =
    sort === 'forum'
      ? { '@type': 'DiscussionForumPosting' }
      : sort === 'shop'
        ? { '@type': 'Product' }
        : sort === 'article'
          ? { '@type': 'Article', dateModified: date }
          : null;
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>${escaped(title)} | Site ${n + 1}</title>
<meta property="article:published_time" content="${date}">
${data ? `<script type="application/ld+json">${JSON.stringify(data)}</script>` : ''}
</head>
<body>
<nav><a href="/">Home</a> <a href="/news">News</a> <a href="/shop">Shop</a> <a href="/about">About</a></nav>
<main>
<h1>${escaped(title)}</h1>
<p>${escaped(intro)}</p>
${body}
</main>
<footer><p>© Site ${n + 1}. All rights reserved. <a href="/privacy">Privacy policy</a></p></footer>
</body>
</html>`;
}

/** All pages, in the order their subjects stand. */
export const INVENTED_WEB: readonly InventedPage[] = SUBJECTS.flatMap((subject) => PAGES.map((_, n) => pageOf(subject, n)));
