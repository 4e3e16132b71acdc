import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { stem } from '@even-page/core/language/terms';
import { wordCount, words } from '@even-page/core/language/words';
import { makePage } from '../../src/page/made-page.ts';
import { turnedBlock } from '../../src/page/turned-block.ts';
import type { Origin } from '@even-page/core/post/schema';
import { plainText } from '@even-page/core/post/sections';
import { atMost, LEAST_NEEDED, usualLength } from '../../src/shape/needed.ts';
import { readSubjects } from '../../src/shape/cut/subjects.ts';
import { isOut, type Paragraph } from '../../src/tidy/prose.ts';
import { isClosed } from '../../src/tidy/wording/kinds.ts';
import { readWorth } from '../../src/tidy/wording/worth.ts';
import { asWritten } from '../../src/tidy/wording/written.ts';
import { toldTalks } from '../../training/told.ts';

const data = (name: string) => readFileSync(new URL(`../../data/${name}`, import.meta.url));
const tools = { subjects: readSubjects(data('subjects.bin')), worth: readWorth(data('worth.bin')) };
const talks = toldTalks('measured').map((talk) => {
  let at = 0;
  return talk.paragraphs.map((p): Paragraph => ({
    ...(p.speaker ? { speaker: p.speaker } : {}),
    sentences: p.sentences.map((text) => ({ text, first: at, last: at, from: at, to: ++at, startMs: at * 1000 })),
  }));
});
const pages = talks.map((paragraphs) => makePage([{ source: 's', paragraphs }], {}, tools));

describe('a page made in one go', () => {
  it('has a title, a standfirst, a description that is shown whole, and three titles to choose from', () => {
    for (const { titles, standfirst, description } of pages) {
      expect(titles.length).to.be.within(1, 3);
      expect(titles[0]).to.match(/^\p{Lu}/u);
      expect(standfirst).to.match(/[.!]$/);
      expect(description.length).to.be.within(20, 160);
    }
  });

  it('is a valid document with sections readers like, each under a heading of its own', () => {
    let sized = 0;
    let all = 0;
    for (const { doc, sections } of pages) {
      doc.check();
      const headings = doc.children.filter((b) => b.type.name === 'heading').map((b) => b.textContent.toLowerCase());
      expect(new Set(headings).size).to.equal(headings.length);
      for (const h of headings) expect(h).not.to.match(/^(?:about \w+|to close|introduction)$/);
      const bodies = sections.filter((s) => s.role === 'body');
      sized += bodies.filter((s) => s.words >= 120 && s.words <= 400).length;
      all += bodies.length;
    }
    expect(sized / all).to.be.greaterThan(0.8);
  });

  it('lists every figure that stands on it, and each name once, to be held against what was said', () => {
    pages.forEach(({ doc, facts }) => {
      const listed = facts.flatMap((f) => f.says).join(' ');
      for (const figure of plainText(doc).match(/\d+(?:[.,:]\d+)*/g) ?? []) expect(listed).to.contain(figure);
      const names = facts.flatMap((f) => f.says).filter((says) => /^\p{Lu}\p{Ll}+ \p{Lu}/u.test(says));
      expect(new Set(names).size).to.equal(names.length);
    });
    const said = [
      'The cane comes from Ada Fenwick in Larkfield.',
      'Ada Fenwick soaks the cane for 20 minutes.',
      'It is £2.50 a bundle.',
      'Wait two and a half hours.',
      'It was fine.',
    ];
    const paragraphs = said.map((text, n) => ({
      sentences: [{ text, first: n, last: n, from: n * 100, to: n * 100 + text.length, startMs: n }],
    }));
    const { facts } = makePage([{ source: 's', paragraphs }], { length: 'all' }, tools);
    expect(facts.map((f) => f.says)).to.deep.equal([['Ada Fenwick', 'Larkfield'], ['20 minutes'], ['£2.50'], ['two and a half hours']]);
  });

  it('says no content word that nobody said', () => {
    pages.forEach(({ doc, titles }, n) => {
      const said = new Set(
        talks[n]!.flatMap((p) =>
          [p.speaker ?? '', ...p.sentences.map((s) => s.text)].flatMap((text) => words(text).map((w) => stem(w.text))),
        ),
      );
      const page = words(`${plainText(doc)} ${titles.join(' ')}`.toLowerCase()).map((w) => w.text);
      for (const w of page) expect(said.has(stem(w)) || isClosed(w) || /^(?:how|introduct|go|part)$/.test(stem(w)), w).to.equal(true);
    });
  });

  it('is told in paragraphs of a few sentences, each tied to what it came from', () => {
    for (const { doc } of pages)
      doc.forEach((block) => {
        if (block.type.name !== 'paragraph') return;
        expect(wordCount(plainText(block))).to.be.lessThan(200);
        expect((block.attrs.origins as Origin[]).length).to.equal(1);
      });
  });

  it('gives an account of every word: on the page, or left out with a reason', () => {
    for (const { account, leftOut, sections } of pages) {
      expect(account.words).to.equal(sections.reduce((sum, s) => sum + s.words, 0));
      expect(account.out.reduce((sum, o) => sum + o.sentences, 0)).to.equal(leftOut.length);
      const shown = sections.reduce((sum, s) => sum + s.paragraphs.reduce((n, p) => n + p.sentences.length, 0), 0);
      expect(shown + leftOut.length).to.equal(account.sentences);
      expect(account.words).to.be.at.most(1500);
    }
  });

  it('is as long as asked for, and all of it when all is asked for', () => {
    const [paragraphs] = talks;
    for (const length of [200, 500, 900])
      expect(makePage([{ source: 's', paragraphs: paragraphs! }], { length }, tools).account.words).to.be.at.most(length);
    const all = makePage([{ source: 's', paragraphs: paragraphs! }], { length: 'all' }, tools);
    expect(all.leftOut.some((o) => o.reason === LEAST_NEEDED)).to.equal(false);
  });

  it('keeps its figures longest', () => {
    let kept = 0;
    let figures = 0;
    for (const paragraphs of talks) {
      const written = asWritten(paragraphs, {}, tools.worth).paragraphs;
      const before = written.flatMap((p) => p.sentences).filter((s) => !isOut(s) && /\d/.test(s.text));
      const after = atMost(written, usualLength(written))
        .flatMap((p) => p.sentences)
        .filter((s) => !isOut(s) && /\d/.test(s.text));
      kept += after.length;
      figures += before.length;
    }
    expect(kept / figures).to.be.greaterThan(0.95);
  });

  it('leaves other material and other languages as they are', () => {
    const text = 'Die Klinge wird auf den Stein gelegt und mit wenig Druck geschoben. Danach wird sie gedreht.';
    const { account, doc } = makePage(
      [{ source: 's', paragraphs: [{ sentences: [{ text, first: 0, last: 0, from: 0, to: text.length }] }] }],
      {},
      tools,
    );
    expect(account.person).to.equal('as-said');
    expect(account.changed).to.equal(0);
    expect(plainText(doc)).to.equal(text);
  });

  it('says something of the strangest material, and never throws', () => {
    const odd = fc.oneof(
      fc.constantFrom('', '...', '1 2 3 4 5', 'So. So. So.', 'okay okay okay', 'I', 'you know, you know, you know'),
      fc.string({ unit: 'grapheme', maxLength: 80 }),
    );
    fc.assert(
      fc.property(fc.array(odd, { maxLength: 12 }), (texts) => {
        let at = 0;
        const sentences = texts.filter((t) => t.trim()).map((text) => ({ text, first: 0, last: 0, from: at, to: (at += text.length) }));
        const made = makePage([{ source: 's', paragraphs: sentences.length ? [{ sentences }] : [] }], {}, tools);
        made.doc.check();
      }),
      { numRuns: 200 },
    );
  });

  it('turns a paragraph to what was said and back, and leaves alone what was changed by hand', () => {
    const [paragraphs] = talks;
    const materials = [{ source: 's', paragraphs: asWritten(paragraphs!, {}, tools.worth).paragraphs }];
    let turned = 0;
    for (const block of pages[0]!.doc.children) {
      if (block.type.name !== 'paragraph') continue;
      const origins = block.attrs.origins as Origin[];
      const said = turnedBlock(block.textContent, origins, materials);
      if (said === null) continue;
      if (said !== block.textContent) turned++;
      expect(turnedBlock(said, origins, materials)).to.equal(block.textContent);
      expect(turnedBlock(`${block.textContent} By hand.`, origins, materials)).to.equal(null);
    }
    expect(turned).to.be.greaterThan(3);
  });
});
