import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { jaccard, likeness, minHash, shinglesOf } from '@even-page/core/language/shingles';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { readSubjects } from '@even-page/core/shape';
import {
  headingsOf,
  measurePage,
  offPurpose,
  phrasesAsTable,
  phrasesFromTable,
  roomAt,
  standOf,
  weighingBy,
  yardstickOf,
} from '@even-page/core/yardstick';
import { INVENTED_WEB } from '../../../standins/results/src/invented-web.ts';
import { SUBJECTS } from '../../../standins/results/src/subjects.ts';
import { atLeast } from '../../src/yardstick/binomial.ts';
import { reworded } from '../../src/yardstick/reworded.ts';
import { spreadOf } from '../../src/yardstick/spread.ts';
import { FIVE_PAGES } from './five-pages.ts';

const subjects = readSubjects(new Uint8Array(readFileSync(new URL('../../data/subjects.bin', import.meta.url))));
const bytes = (text: string) => new TextEncoder().encode(text);

describe('reference pages', () => {
  const pages = FIVE_PAGES.map(({ html }) => measurePage(html, 'https://site.example/page'));

  it('are counted as by hand', () => {
    for (const [n, { counted, kind, date }] of FIVE_PAGES.entries()) {
      const { grade: _, ...figures } = pages[n]!.figures;
      expect(figures, pages[n]!.title).to.deep.equal(counted);
      expect([pages[n]!.kind, pages[n]!.date]).to.deep.equal([kind, date]);
    }
  });

  it('are proposed to be left out where they serve another purpose, with the reason', () => {
    const because = offPurpose(pages, (passages) => weighingBy(passages, subjects)).map((found) => found?.reason);
    expect(because).to.deep.equal([undefined, undefined, 'kind', 'kind', undefined]);
  });

  it('say where there is room', () => {
    expect(pages.map((page) => roomAt(page, pages, '2026-11-28'))).to.deep.equal([
      [],
      [],
      ['forum', 'thin, 6 words'],
      ['shop', 'thin, 6 words'],
      ['old, of 2019'],
    ]);
  });

  const kept = [pages[0]!, pages[1]!, pages[4]!];
  const yardstick = yardstickOf(kept, subjects);

  it('share terms and links, counted as by hand', () => {
    const term = (key: string) => yardstick.terms.find((t) => t.key === key);
    // "oil" stands four, three and three times (titles count); "lift the door" on two pages, as a heading of both.
    expect(term('oil')).to.include({ pages: 3 });
    expect(term('oil')!.counts).to.deep.equal([4, 3, 3]);
    expect(term('lift the door')).to.include({ pages: 2, headings: 2 });
    expect(yardstick.links).to.deep.equal([{ address: 'https://pins.example/a', pages: 2 }]);
    expect(headingsOf(kept).get('lift the door')).to.equal('Quiet hinges');
  });

  it('hold a draft in their spread, and say when more is of no use', () => {
    const draft = postFromMarkdown(
      `## Lift the door\n\nLift the door off its pins, two people at least.\n\n${'Oil it with thin oil. '.repeat(12)}`,
    );
    const stand = standOf('Hinges', draft, yardstick, []);
    const strip = (name: string) => stand.strips.find((s) => s.measure === name)!;
    expect(strip('words')).to.deep.include({ pages: [32, 37, 21], draft: 73, says: 'longer than every page: more words make it worse' });
    expect(strip('words').spread).to.deep.equal({ least: 21, low: 26.5, middle: 32, high: 34.5, most: 37 });
    expect(strip('questions')).to.deep.include({ pages: [1, 0, 1], draft: 0 });
    expect(stand.terms.find((t) => t.key === 'oil')).to.include({ draft: 24, state: 'crammed' });
    expect(stand.terms.find((t) => t.key === 'cloth')).to.include({ draft: 0, state: 'missing' });
  });

  it('are read whatever they are made of', () => {
    expect(measurePage(bytes('<p>Only a few words here'), '').figures.words).to.equal(5);
    expect(measurePage(bytes('<script type="application/ld+json">{broken</script><main><p>Words'), 'no address').figures.words).to.equal(1);
    expect(() => measurePage(bytes(''), '')).to.throw('empty');
    expect(() => measurePage(bytes('<div>'.repeat(500) + 'deep'), '')).to.throw('nests deeper');
  });
});

describe('matters', () => {
  // Which pages treat what is known of the invented web, for it is made of labelled paragraphs.
  for (const [n, { phrase, told }] of SUBJECTS.entries())
    it(`are found as they were written: ${phrase}`, () => {
      const web = INVENTED_WEB.slice(n * 15, n * 15 + 15).map((p) => ({
        html: p.html,
        page: measurePage(bytes(p.html), `https://web.example${p.path}`),
      }));
      const articles = web.filter(({ page }) => page.kind === 'article');
      const { matters } = yardstickOf(
        articles.map(({ page }) => page),
        subjects,
      );
      let [right, found, there] = [0, 0, 0];
      for (const matter of matters) {
        const label = told.find(({ headings }) => headings.includes(matter.name))!;
        const treating = articles.flatMap(({ html }, k) => (label.paragraphs.some((p) => html.includes(p)) ? [k] : []));
        right += matter.pages.filter((k) => treating.includes(k)).length;
        found += matter.pages.length;
        there += treating.length;
      }
      expect(matters.length).to.be.within(9, 14);
      expect(right / found, 'precision').to.be.above(0.85);
      expect(right / there, 'recall').to.be.above(0.8);
      const headings = headingsOf(articles.map(({ page }) => page));
      for (const { own } of matters) expect(headings.has(own.toLowerCase()), own).to.equal(false);
    });

  it('are worded anew, never as a page has them', () => {
    const said = (heading: string, ...taken: string[]) => reworded([heading], [heading, ...taken], ['burr', 'edge']);
    expect(said('How often should you sharpen?')).to.equal('How often to sharpen');
    expect(said('What is a burr?')).to.equal('Burr explained');
    expect(said('Water or oil on the stone?')).to.equal('Water against oil on the stone');
    expect(said('Feel for the burr')).to.equal('How to feel for the burr');
    expect(said('3. Common mistakes')).to.equal('About common mistakes');
    expect(said('What is a burr?', 'Burr explained')).to.equal('About burr and edge');
  });
});

describe('the statistics', () => {
  it('have the upper tail of the binomial distribution', () => {
    // Tables of the binomial distribution (values from memory): n = 20, p = 0.25; n = 10, p = 0.5; n = 5, p = 1/6.
    expect(atLeast(10, 20, 0.25)).to.be.closeTo(0.0139, 0.00005);
    expect(atLeast(8, 10, 0.5)).to.be.closeTo(56 / 1024, 1e-9);
    expect(atLeast(1, 5, 1 / 6)).to.be.closeTo(1 - (5 / 6) ** 5, 1e-9);
    expect(atLeast(0, 9, 0.1)).to.equal(1);
    expect(atLeast(3, 2, 0.1)).to.equal(0);
    expect(atLeast(40, 6000, 0.002)).to.be.below(1e-8);
  });

  it('have quartiles as definition 7 of Hyndman and Fan has them', () => {
    // Worked by hand: 1 2 3 4 lie at 1.75, 2.5 and 3.25.
    expect(spreadOf([4, 2, 1, 3])).to.deep.equal({ least: 1, low: 1.75, middle: 2.5, high: 3.25, most: 4 });
    expect(spreadOf([])).to.deep.equal({ least: 0, low: 0, middle: 0, high: 0, most: 0 });
  });

  it('have the Jaccard index, and MinHash that comes near it', () => {
    // Leskovec, Rajaraman, Ullman, “Mining of Massive Datasets”, 3.3.2: S1 = {a, d}, S2 = {c}, S3 = {b, d, e}, S4 = {a, c, d}.
    const sets = [['a', 'd'], ['c'], ['b', 'd', 'e'], ['a', 'c', 'd']].map((s) => new Set(s));
    const pairs = (a: number, b: number) => jaccard(sets[a]!, sets[b]!);
    expect([pairs(0, 1), pairs(0, 2), pairs(0, 3), pairs(1, 3), pairs(2, 3)]).to.deep.equal([0, 1 / 4, 2 / 3, 1 / 3, 1 / 5]);
    for (const share of [0, 0.2, 0.5, 0.8, 1]) {
      const a = Array.from({ length: 1000 }, (_, n) => n * 7919);
      const both = Math.round((2000 * share) / (1 + share));
      const b = [...a.slice(0, both), ...Array.from({ length: 1000 - both }, (_, n) => 1e8 + n * 104_729)];
      // Three times the standard error of 128 figures.
      expect(likeness(minHash(a), minHash(b))).to.be.closeTo(
        jaccard(new Set(a), new Set(b)),
        3 * Math.sqrt((share * (1 - share)) / 128) + 0.001,
      );
    }
  });

  it('have shingles that do not see case and marks', () => {
    const hashes = (text: string) => shinglesOf(text).map(({ hash }) => hash);
    expect(hashes('Lift the door off its pins.')).to.deep.equal(hashes('lift the Door, off its pins'));
    expect(hashes('Lift the door off its')).to.have.length(1);
    expect(hashes('Lift the door off')).to.deep.equal([]);
    expect(new Set([...hashes('Lift the door off its pins'), ...hashes('Lift the off door its pins')]).size).to.equal(4);
  });
});

describe('a table of phrases', () => {
  it('is read with any columns, and comes out again with the pieces', () => {
    const found = phrasesFromTable('Looked for;Keyword;Where\n1,200;caning a chair;UK\n;;\n90;oil a hinge;\n');
    expect(found).to.deep.equal([
      { phrase: 'caning a chair', columns: { 'Looked for': '1,200', Where: 'UK' } },
      { phrase: 'oil a hinge', columns: { 'Looked for': '90' } },
    ]);
    const text = phrasesAsTable(found.map((row) => ({ ...row, pieces: ['=Chairs'] })));
    expect(text.split('\r\n')[0]).to.equal('phrase,Looked for,Where,pieces');
    expect(text).to.contain("'=Chairs");
    expect(phrasesFromTable(text).map(({ phrase }) => phrase)).to.deep.equal(['caning a chair', 'oil a hinge']);
    expect(phrasesFromTable('caning a chair\noil a hinge\n')).to.have.length(2);
  });
});
