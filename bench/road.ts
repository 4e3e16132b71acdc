// How pages made of talk stand against an editor's: the talks that are only measured, through the command line.
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { sentences } from '../core/src/language/sentences.ts';
import { run } from '../cli/src/run.ts';
import { stem, normal, isContentWord } from '../core/src/language/terms.ts';
import { words } from '../core/src/language/words.ts';
import { captionsOf } from './talk.ts';
import { isClosed } from '../core/src/tidy/wording/kinds.ts';
import { sectioned, weighed, type Sectioned, type Weighed } from '../core/training/told.ts';
import { articleFigures } from './articles.ts';
import { stopwatch } from './stopwatch.ts';
import { verdictFigures } from './verdicts.ts';
import type { Figure } from './measure.ts';

const MS_A_WORD = 380;
const NEAR_MS = 15_000;
// What pages were like before talk was written prose, by the same measures (21 recordings for the first, talks for the others).
const BEFORE = 'before: ';
const OPENS = /^(?:so|and|now|okay|ok|all ?right|alright|well|but then|then|anyway|yeah|yes|right|oh|um|uh|again)\b/i;
const POINTS =
  /\b(?:right here|over here|up here|down here|in here|here|over there|up there|right there|down there|as you can see|you can see|like that|like this|like so|see that)\b/gi;
const GOING = /\b(?:going to|gonna|go ahead|want to go|let me|let's)\b/gi;
const HOW_TO = /^(?:0\d|1\d|2[0-2]|5[6-9]|6\d|71)$/;
const SMALL = new Set(
  'the a an of to in on for and or is are it its be with your you my our this that how what why when do does not no at by from as into out up down off over'.split(
    ' ',
  ),
);

type Section = { heading: string; startMs: number; words: number };
type Page = { talk: Sectioned; weighed: Weighed; sections: Section[]; headings: string[][]; lines: string[]; title: string };

async function pageOf(talk: Sectioned, weighedTalk: Weighed, folder: string): Promise<Page> {
  const file = `${folder}/${talk.number}.vtt`;
  writeFileSync(
    file,
    captionsOf(
      talk.sentences.flatMap((s) => s.text.split(/\s+/)),
      MS_A_WORD,
    ),
  );
  const shape = JSON.parse((await run(['shape', '--json', file])).out) as { sections: (Section & { headings: string[] })[] };
  const md = (await run(['post', '--to', 'md', file])).out;
  const [, front = '', body = md] = /^---\n([\s\S]*?)\n---\n([\s\S]*)$/.exec(md) ?? [];
  return {
    talk,
    weighed: weighedTalk,
    sections: shape.sections,
    headings: shape.sections.map((s) => s.headings),
    lines: body.split('\n').filter((line) => line && !line.startsWith('#')),
    title: /^title: *(\S.*)$/m.exec(front)?.[1] ?? '',
  };
}

const stemsOf = (heading: string) =>
  new Set(
    heading
      .toLowerCase()
      .replace(/[^a-z0-9' -]/g, ' ')
      .split(/[ '-]+/)
      .filter((w) => w && !SMALL.has(w))
      .map((w) => w.slice(0, 5)),
  );
const listOf = (text: string) =>
  text
    .split(/\s+/)
    .map((w) => normal(w).replace(/[^\p{L}\p{N}']/gu, ''))
    .filter(Boolean);

/** Which words of `a` a longest common run of words with `b` keeps. */
function kept(a: readonly string[], b: readonly string[]): Uint8Array {
  const width = b.length + 1;
  const table = new Uint16Array((a.length + 1) * width);
  for (let i = a.length - 1; i >= 0; i--)
    for (let j = b.length - 1; j >= 0; j--)
      table[i * width + j] =
        a[i] === b[j] ? table[(i + 1) * width + j + 1]! + 1 : Math.max(table[(i + 1) * width + j]!, table[i * width + j + 1]!);
  const mask = new Uint8Array(a.length);
  for (let i = 0, j = 0; i < a.length && j < b.length;) {
    if (a[i] === b[j]) {
      mask[i++] = 1;
      j++;
    } else if (table[(i + 1) * width + j]! >= table[i * width + j + 1]!) i++;
    else j++;
  }
  return mask;
}

const LATER = new URL('texts/told-later/', import.meta.url);

/** The talks told when the rules stood: a line in square brackets is an editor's border. */
function toldLater(): Sectioned[] {
  return readdirSync(LATER)
    .filter((file) => /^\d/.test(file))
    .map((file) => {
      const talk: Sectioned = { number: file.slice(0, 2), sentences: [], borders: new Set(), sections: [] };
      for (const line of readFileSync(new URL(file, LATER), 'utf8').split('\n').filter(Boolean)) {
        const [, role, heading = ''] = /^\[(intro|close|section)(?:: (.*))?\]$/.exec(line) ?? [];
        if (role) {
          const from = talk.sentences.length;
          if (from) talk.borders.add(from);
          talk.sections.push({ role: role === 'intro' ? 'introduction' : role === 'close' ? 'close' : 'body', heading, from });
        } else talk.sentences.push(...sentences(line).map(({ text }, i) => ({ text, speaker: '', opensParagraph: i === 0 })));
      }
      return talk;
    });
}

/** The figures of the road from talk to page. */
export async function roadFigures(): Promise<Figure[]> {
  const folder = mkdtempSync(`${tmpdir()}/road-`);
  const talks = sectioned('measured');
  const weights = weighed('measured');
  const pages: Page[] = [];
  for (const [i, talk] of talks.entries()) pages.push(await pageOf(talk, weights[i]!, folder));
  const later: Page[] = [];
  for (const talk of toldLater()) later.push(await pageOf(talk, [], folder));
  rmSync(folder, { recursive: true });
  return [
    ...shapeRows(pages, 'Road'),
    ...wordingRows(pages),
    ...shapeRows(later, 'Told later'),
    ...againstEditor(pages),
    ...articleFigures(
      pages.map(({ talk, title, sections, lines }) => ({
        number: talk.number,
        said: talk.sentences.map((s) => s.text).join(' '),
        page: [title, ...sections.map((s) => s.heading), ...lines].join('.\n'),
      })),
    ),
    ...verdictFigures(
      pages.flatMap(({ talk, sections }) =>
        sections.slice(1).flatMap((s) => (s.heading ? [{ talk: talk.number, heading: s.heading }] : [])),
      ),
    ),
    ...(await stopwatch()),
  ];
}

function shapeRows(pages: readonly Page[], name: string): Figure[] {
  const n = { hits: 0, mine: 0, theirs: 0, bodies: 0, theirBodies: 0, sized: 0, first: 0, three: 0, headed: 0, open: 0, sentences: 0 };
  const m = { points: 0, going: 0, long: 0, count: 0, said: 0, titled: 0, lists: 0, howTo: 0 };
  for (const { talk, sections, headings, lines, title } of pages) {
    const before = [0];
    for (const s of talk.sentences) before.push(before.at(-1)! + s.text.split(/\s+/).length);
    const edge = (sentence: number) => before[sentence]! * MS_A_WORD;
    const free = new Set(talk.sections.map((s) => edge(s.from)).slice(1));
    n.theirs += free.size;
    n.mine += sections.length - 1;
    for (const { startMs } of sections.slice(1)) {
      const near = [...free]
        .filter((x) => Math.abs(x - startMs) <= NEAR_MS)
        .sort((a, b) => Math.abs(a - startMs) - Math.abs(b - startMs))[0];
      if (near === undefined) continue;
      free.delete(near);
      n.hits++;
    }
    const inner = sections.map((s, i) => ({ ...s, i, endMs: sections[i + 1]?.startMs ?? Infinity })).slice(1, -1);
    n.bodies += inner.length;
    n.sized += inner.filter((s) => s.words >= 120 && s.words <= 400).length;
    talk.sections.forEach((own, i) => {
      if (own.role !== 'body') return;
      n.theirBodies++;
      const [from, to] = [edge(own.from), edge(talk.sections[i + 1]?.from ?? talk.sentences.length)];
      const shared = (s: (typeof inner)[number]) => Math.min(s.endMs, to) - Math.max(s.startMs, from);
      const best = inner.filter((s) => shared(s) > 0).sort((a, b) => shared(b) - shared(a))[0];
      n.headed++;
      if (!best) return;
      const wanted = stemsOf(own.heading);
      const shares = (text: string) => [...stemsOf(text)].some((s) => wanted.has(s));
      if (shares(best.heading)) n.first++;
      if (headings[best.i]!.some(shares)) n.three++;
    });
    if (title) m.titled++;
    if (HOW_TO.test(talk.number)) {
      m.howTo++;
      if (lines.some((line) => /^1\. /.test(line))) m.lists++;
    }
    m.said += before.at(-1)!;
    for (const line of lines)
      for (const s of line
        .replace(/^\s*(?:[-*+>]|\d+[.)])\s+/, '')
        .replace(/[*_`\\]/g, '')
        .split(/(?<=[.?!])\s+(?=[A-Z0-9“"'])/)) {
        if (!/\p{L}/u.test(s)) continue;
        const size = s.split(/\s+/).length;
        n.sentences++;
        m.count += size;
        if (OPENS.test(s)) n.open++;
        if (size > 40) m.long++;
        m.points += (s.match(POINTS) ?? []).length;
        m.going += (s.match(GOING) ?? []).length;
      }
  }
  const share = (a: number, b: number) => (100 * a) / b;
  return [
    {
      what: `${name}, ${pages.length} talks: borders within 15 s of an editor's, F1`,
      value: share(2 * n.hits, n.mine + n.theirs),
      unit: '%',
      least: 56,
      against: `${BEFORE}22`,
    },
    {
      what: `${name}: body sections, share of what an editor sets`,
      value: n.bodies / n.theirBodies,
      unit: '',
      least: 0.8,
      most: 1.25,
      against: `${BEFORE}0.23`,
    },
    { what: `${name}: body sections of 120 to 400 words`, value: share(n.sized, n.bodies), unit: '%', least: 80, against: `${BEFORE}5` },
    {
      what: `${name}: headings that share a stem with the editor's, the first`,
      value: share(n.first, n.headed),
      unit: '%',
      least: 35,
      against: `${BEFORE}18`,
    },
    { what: `${name}: one of three`, value: share(n.three, n.headed), unit: '%', least: 55, against: '' },
    {
      what: `${name}: sentences that open with so, and, now, okay`,
      value: share(n.open, n.sentences),
      unit: '%',
      most: 3,
      against: `${BEFORE}43`,
    },
    { what: `${name}: pointing per 1,000 words`, value: (1000 * m.points) / m.count, unit: '', most: 6, against: `${BEFORE}12.5` },
    {
      what: `${name}: going to, let's, go ahead per 1,000 words`,
      value: (1000 * m.going) / m.count,
      unit: '',
      most: 4,
      against: `${BEFORE}20`,
    },
    { what: `${name}: sentences over 40 words`, value: share(m.long, n.sentences), unit: '%', against: '' },
    { what: `${name}: words kept`, value: share(m.count, m.said), unit: '%', least: 45, most: 85, against: `${BEFORE}97` },
    { what: `${name}: posts with a title`, value: share(m.titled, pages.length), unit: '%', least: 100, against: `${BEFORE}0` },
    {
      what: `${name}: ${m.howTo} how-to talks with a numbered list`,
      value: share(m.lists, m.howTo),
      unit: '%',
      least: 50,
      against: `${BEFORE}0`,
    },
  ];
}

/** That nothing stands on a page which nobody said. */
function wordingRows(pages: readonly Page[]): Figure[] {
  let invented = 0;
  for (const { talk, lines } of pages) {
    const said = new Set(talk.sentences.flatMap((s) => words(s.text).map((w) => stem(w.text))));
    for (const w of words(lines.join(' '))) if (!said.has(stem(w.text)) && !isClosed(normal(w.text)) && isContentWord(w.text)) invented++;
  }
  return [{ what: 'Road: content words nobody said', value: invented, unit: '', most: 0, against: '' }];
}

function againstEditor(pages: readonly Page[]): Figure[] {
  let [out, both, theirOut] = [0, 0, 0];
  const by = [0, 1, 2, 3].map(() => ({ said: 0, kept: 0 }));
  for (const { weighed: talk, lines } of pages) {
    const said: string[] = [];
    const weight: number[] = [];
    const editor: number[] = [];
    let rest: string[] = [];
    talk.forEach(({ text, weight: own, written }, i) => {
      const list = listOf(text);
      const goesOn = talk[i + 1] !== undefined && !talk[i + 1]!.written;
      const target = written ? listOf(written) : rest;
      const mask = kept(list, target);
      // An editor's joint sentence may hold words of the ones after it.
      rest = written ? (goesOn ? target : []) : rest;
      list.forEach((word, k) => {
        said.push(word);
        weight.push(own);
        editor.push(mask[k]!);
      });
    });
    const mine = kept(said, listOf(lines.join(' ')));
    said.forEach((word, i) => {
      if (!mine[i]) {
        out++;
        if (!editor[i]) both++;
      }
      if (!editor[i]) theirOut++;
      if (!isContentWord(word)) return;
      by[weight[i]!]!.said++;
      by[weight[i]!]!.kept += mine[i]!;
    });
  }
  const share = (w: number) => (100 * by[w]!.kept) / by[w]!.said;
  return [
    {
      what: 'Road: words taken out that the editor takes out too, precision',
      value: (100 * both) / out,
      unit: '%',
      least: 82,
      against: `${BEFORE}89`,
    },
    {
      what: 'Road: words the editor takes out that are taken out, recall',
      value: (100 * both) / theirOut,
      unit: '%',
      least: 40,
      against: `${BEFORE}3`,
    },
    { what: 'Road: content words kept of what must stay (weight 3)', value: share(3), unit: '%', least: 90, against: `${BEFORE}99` },
    { what: 'Road: content words kept of what never belongs (weight 0)', value: share(0), unit: '%', most: 60, against: `${BEFORE}96` },
  ];
}
