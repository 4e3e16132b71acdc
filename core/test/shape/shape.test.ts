import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { readText } from '../gather/read-text.ts';
import { outlineOf, plainText } from '@even-page/core/post/sections';
import { evennessOf, isThin } from '../../src/shape/evenness.ts';
import { proposeHeadings } from '../../src/shape/headings.ts';
import { shapeOf, writeSections } from '../../src/shape/propose-sections.ts';
import { cutting, type CutUnit } from '../../src/shape/cut/cutting.ts';
import { readSubjects } from '../../src/shape/cut/subjects.ts';
import { findEdits } from '../../src/tidy/finders.ts';
import { paragraphText, proseOf } from '../../src/tidy/prose.ts';

const talk = readText(readFileSync(new URL('../../../demo/material/knife-evening.srt', import.meta.url))).source;
const subjects = readSubjects(readFileSync(new URL('../../data/subjects.bin', import.meta.url)));
const material = [{ source: 'talk', paragraphs: proseOf(talk, findEdits(talk)) }];

describe('segment', () => {
  const SUBJECTS = [
    ['lamp', 'flex', 'plug', 'fuse', 'bulb'],
    ['cane', 'chair', 'weave', 'strand', 'peg'],
    ['blade', 'stone', 'burr', 'edge', 'strop'],
  ];
  // Sentences of five terms, seven to a subject, with one term of everybody's in each.
  const units: CutUnit[] = SUBJECTS.flatMap((subject, s) =>
    Array.from({ length: 7 }, (_, i) => ({
      terms: [0, 1, 2, 3].map((k) => subject[(i + k + s) % 5]!).concat('hall'),
      opensParagraph: true,
    })),
  );

  it('finds borders where the words change', () => {
    // Introduction and close are expected to be short, so the outer borders may be drawn in; the subjects hold.
    expect(
      cutting(units)
        .cut(3)
        .map((b) => b.at),
    ).to.deep.equal([7, 14]);
  });

  it('gives as many sections as asked for, and no more than there are sentences', () => {
    for (const n of [1, 2, 5, 9]) expect(cutting(units).cut(n)).to.have.length(n - 1);
    expect(cutting(units.slice(0, 2)).cut(9)).to.have.length(1);
    expect(cutting([]).cut(4)).to.deep.equal([]);
  });

  it('says that a real border is surer than one inside a subject', () => {
    const [first, second] = cutting(units).cut(3);
    const inside = cutting(units.slice(0, 7)).cut(2)[0]!;
    expect(Math.min(first!.strength, second!.strength)).to.be.greaterThan(inside.strength);
  });

  it('begins sections where paragraphs begin', () => {
    const alike = Array.from({ length: 20 }, (_, i) => ({ terms: ['stone'], opensParagraph: i % 5 === 0 }));
    for (const { at } of cutting(alike).cut(3)) expect(at % 5).to.equal(0);
  });
});

describe('proposed sections', () => {
  const shape = shapeOf(material, subjects);
  const sections = shape.sections();

  it('of the talk begin with an introduction and end with a close', () => {
    const words = sections.reduce((sum, s) => sum + s.words, 0);
    expect(words / sections.length).to.be.within(150, 350);
    expect(sections[0]!.role).to.equal('introduction');
    expect(sections.at(-1)!.role).to.equal('close');
    expect(sections[0]!.words).to.be.lessThan(200);
  });

  it('hold every sentence once, in order', () => {
    const said = material[0]!.paragraphs.map(paragraphText).join(' ');
    const kept = sections.flatMap((s) => s.paragraphs.flatMap((p) => p.sentences.map((x) => x.text))).join(' ');
    expect(kept).to.equal(said);
  });

  it('are headed by different words of their own', () => {
    const headings = sections.filter((s) => s.role === 'body').map((s) => s.heading);
    expect(new Set(headings).size).to.equal(headings.length);
    for (const s of sections.filter((x) => x.role === 'body')) {
      const own = s.paragraphs
        .flatMap((p) => p.sentences.map((x) => x.text))
        .join(' ')
        .toLowerCase();
      expect(own).to.contain(s.heading.toLowerCase().split(' ')[0]);
    }
  });

  it('keep the times of the material', () => {
    const starts = sections.map((s) => s.startMs!);
    expect([...starts].sort((a, b) => a - b)).to.deep.equal(starts);
  });

  it('are as many as asked for', () => {
    for (const n of [1, 2, 3, 8, 20]) expect(shape.sections(n)).to.have.length(n);
  });

  it('are none without material', () => {
    expect(shapeOf([]).sections()).to.deep.equal([]);
    expect(outlineOf(writeSections([])).length).to.be.at.most(1);
  });

  it('stand on the page with their origin marks', () => {
    const doc = writeSections(sections);
    doc.check();
    expect(doc.firstChild!.type.name).to.equal('paragraph');
    const headed = sections.filter((s) => s.role !== 'introduction' && s.heading);
    expect(outlineOf(doc).filter((s) => s.level === 2 && s.id !== 'lead')).to.have.length(headed.length);
    doc.forEach((block) => {
      if (block.type.name !== 'paragraph') return;
      const [origin] = block.attrs.origins;
      const said = talk.passages
        .slice(origin.first, origin.last + 1)
        .map((p) => p.text)
        .join(' ');
      const lastWord = plainText(block).match(/[\p{L}]+(?=[^\p{L}]*$)/u)![0];
      expect(said).to.contain(lastWord);
      expect(origin.startMs).to.equal(talk.passages[origin.first]!.startMs);
    });
  });
});

describe('headings', () => {
  it('name what is said often here and seldom elsewhere, names in capitals', () => {
    const [first, second] = proposeHeadings(
      [
        ['We met Mira Holloway.', 'Then Mira Holloway showed the lamp flex.', 'The lamp flex was old, and the lamp flex broke.'],
        ['A chair wants glue.', 'The glue dries overnight.', 'Hide glue is old, and the glue is brown.'],
      ],
      subjects,
    );
    expect(first![0]).to.equal('Lamp flex');
    expect(second!.join()).to.match(/glue/i);
  });

  it('are a thing, a question that can be read alone, and a deed', () => {
    const [found] = proposeHeadings(
      [
        [
          'So what is a burr?',
          'The burr is a curl of steel.',
          'You feel the burr with your thumb.',
          'Then you strop the burr off.',
          'What is it?',
        ],
        ['The angle is all.', 'Hold the angle with two coins under the spine.'],
      ],
      subjects,
    );
    expect(found).to.have.length(3);
    expect(found).to.include('What is a burr?');
    expect(found!.some((h) => /^How to (?:strop|feel) the burr$/.test(h))).to.equal(true);
    for (const heading of found!) expect(heading.split(' ').length, heading).to.be.within(2, 9);
  });

  it('never stand twice', () => {
    const same = ['The lamp is old.', 'Mend the lamp, and mend the lamp again.'];
    const firsts = proposeHeadings([same, same, same], subjects, ['Lamp']).map(([first]) => first!.toLowerCase());
    expect(new Set(firsts).size).to.equal(3);
  });

  it('fall back to a number when a section has no words of its own', () => {
    expect(proposeHeadings([['so it is'], ['and so on']])).to.deep.equal([['Part 1'], ['Part 2']]);
  });
});

describe('evenness', () => {
  // Pielou (1966), J = H / ln S. By hand: shares 1/2, 1/4, 1/4 give H = 1.0397, ln 3 = 1.0986.
  it('is Pielou’s J of the word counts', () => {
    expect(evennessOf([200, 100, 100]).evenness).to.be.closeTo(1.0397 / 1.0986, 1e-4);
    expect(evennessOf([80, 80, 80, 80]).evenness).to.be.closeTo(1, 1e-12);
    expect(evennessOf([80]).evenness).to.equal(null);
  });

  it('tips towards the heavier end', () => {
    expect(evennessOf([10, 10, 100]).tip).to.be.greaterThan(0.3);
    expect(evennessOf([100, 10, 10]).tip).to.be.lessThan(-0.3);
    expect(evennessOf([50, 10, 50]).tip).to.be.closeTo(0, 1e-12);
  });

  it('calls a section thin under half the median', () => {
    expect(isThin(40, [40, 100, 120])).to.equal(true);
    expect(isThin(60, [60, 100, 120])).to.equal(false);
    expect(isThin(10, [10])).to.equal(false);
  });
});
