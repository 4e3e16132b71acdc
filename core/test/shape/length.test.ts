import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { sectionsOf } from '@even-page/core/post/sections';
import { readSubjects } from '../../src/shape/cut/subjects.ts';
import type { Stretch } from '../../src/shape/passage-use.ts';
import { condense, fill, withoutUnits, wordsOf } from '../../src/shape/length.ts';

const subjects = readSubjects(readFileSync(new URL('../../data/subjects.bin', import.meta.url)));
const page = (markdown: string) => {
  let n = 0;
  return withIds(postFromMarkdown(markdown), () => `b${++n}`);
};

const PAGE = `The hall met on Thursday.

## The burr

A burr is a thin curl of steel at the edge of the blade. It bends over when the stone has done its work. The weather was dull that evening. A burr at the edge tells you that the steel is thin enough.

The burr at the edge of the blade is a thin curl of steel.

- a list about burrs stays

## Stones

A coarse stone wants water for ten minutes. Somebody had brought biscuits. A fine stone wants a splash of water.
`;

describe('condensing', () => {
  const doc = page(PAGE);
  const texts = (words: number, section?: string) => condense(doc, words, { section, subjects }).map((u) => u.text);

  it('drops what is needed least first: what is off the subject, and what is said already', () => {
    const words = wordsOf(doc, {});
    expect(texts(words)).to.deep.equal([]);
    expect(texts(words - 4)).to.have.length(1);
    const gone = texts(words - 22);
    expect(gone).to.include('Somebody had brought biscuits.');
    expect(gone).to.include('The burr at the edge of the blade is a thin curl of steel.');
    expect(gone).not.to.include('A burr at the edge tells you that the steel is thin enough.');
  });

  it('keeps the first sentence of a section, its lists, and what points back with what it points at', () => {
    expect(texts(1)).to.deep.equal([
      'The weather was dull that evening.',
      'A burr at the edge tells you that the steel is thin enough.',
      'The burr at the edge of the blade is a thin curl of steel.',
      'Somebody had brought biscuits.',
      'A fine stone wants a splash of water.',
    ]);
  });

  it('can be asked of one section', () => {
    const stones = sectionsOf(doc).find((s) => s.heading === 'Stones')!;
    expect(texts(18, stones.id)).to.deep.equal(['Somebody had brought biscuits.']);
  });

  it('leaves a page that is whole, without the sentences and without gaps', () => {
    const gone = condense(doc, 1, { subjects });
    const written = postToMarkdown(withoutUnits(doc, gone));
    expect(written).to.equal(
      'The hall met on Thursday.\n\n## The burr\n\nA burr is a thin curl of steel at the edge of the blade. It bends over when the stone has done its work.\n\n- a list about burrs stays\n\n## Stones\n\nA coarse stone wants water for ten minutes.\n',
    );
    const middle = condense(doc, 1, { subjects }).filter((u) => u.text.startsWith('The weather'));
    expect(postToMarkdown(withoutUnits(doc, middle))).to.contain('done its work. A burr at the edge tells');
  });

  it('never goes below the words asked for by more than a sentence, and never grows', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 120 }), (words) => {
        const gone = condense(doc, words, { subjects });
        const left = wordsOf(withoutUnits(doc, gone), {});
        expect(left).to.equal(wordsOf(doc, {}) - gone.reduce((sum, u) => sum + u.words, 0));
        const longest = Math.max(0, ...gone.map((u) => u.words));
        if (gone.length) expect(left).to.be.greaterThan(Math.min(words, left + 1) - longest - 1);
      }),
    );
  });
});

describe('filling from the material', () => {
  const doc = page(PAGE);
  const stretch = (text: string, from: number, feeds: string[] = []): Stretch => ({
    source: 's',
    sentences: [{ text, first: from, last: from, from, to: from + text.length }],
    text,
    words: text.split(' ').length,
    feeds,
  });
  const MATERIAL = [
    stretch('The buses do not run after ten on a Thursday night.', 0),
    stretch('Put a little bottle of water beside the coarse stone and keep it wet.', 1),
    stretch('You feel the burr with your thumb along the edge of the blade.', 2),
    stretch('The burr at the edge of the blade is a thin curl of steel.', 3),
    stretch('A stone of another kind wants oil and never water at all.', 4, ['b9']),
  ];

  it('brings what is unused to the section it says most about, in the order of the page', () => {
    const found = fill(doc, MATERIAL, 500, { subjects });
    expect(found.map(({ heading, stretch }) => `${heading}: ${stretch.text.slice(0, 12)}`)).to.deep.equal([
      'The burr: You feel the',
      'Stones: Put a little',
    ]);
  });

  it('brings no more than is wanted, the likest first', () => {
    const words = wordsOf(doc, {});
    expect(fill(doc, MATERIAL, words, { subjects })).to.deep.equal([]);
    expect(fill(doc, MATERIAL, words + 5, { subjects })).to.have.length(1);
  });
});
