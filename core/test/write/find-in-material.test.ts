import { expect } from 'chai';
import { findInMaterial, indexOf } from '../../src/write/find-in-material.ts';
import { proseOf } from '../../src/tidy/prose.ts';

const material = (source: string, ...passages: string[]) => ({
  source,
  paragraphs: proseOf({ kind: 'text', passages: passages.map((text) => ({ text })) }, []),
});

describe('finding words in the material', () => {
  const index = indexOf([
    material(
      'talk',
      'A burr is a thin curl of steel. You feel it with your thumb.',
      'The stone wants water. Soak the stone for ten minutes.',
    ),
    material('notes', 'Stones: water first, oil never.'),
  ]);
  const texts = (words: string) => findInMaterial(index, words).map((s) => s.text);

  it('gives the sentences that say them, in any form, best first', () => {
    expect(texts('soaking stones for minutes')[0]).to.equal('Soak the stone for ten minutes.');
    expect(texts('steel curls')).to.deep.equal(['A burr is a thin curl of steel.']);
    const [found] = findInMaterial(index, 'never oil');
    expect(found).to.include({ source: 'notes', first: 0, last: 0 });
  });

  it('gives nothing for words that nobody says', () => {
    expect(texts('lamps')).to.deep.equal([]);
    expect(texts('the of and')).to.deep.equal([]);
    expect(findInMaterial(indexOf([]), 'stone')).to.deep.equal([]);
  });

  // BM25 by hand (Robertson and Zaragoza 2009): 4 sentences, lengths 4, 2, 3 and 4 stems, mean 3.25; "curl" stands once in one of them.
  it('weighs as BM25 does', () => {
    const small = indexOf([material('s', 'thin steel curls here.', 'feel thumbs.', 'stone wants water.', 'old oil rots away.')]);
    const lengths = small.sentences.map((s) => s.length);
    const mean = lengths.reduce((a, b) => a + b) / lengths.length;
    const rarity = Math.log(1 + (4 - 1 + 0.5) / (1 + 0.5));
    const expected = (rarity * 2.2) / (1 + 1.2 * (0.25 + (0.75 * lengths[0]!) / mean));
    expect(findInMaterial(small, 'curl')[0]!.score).to.be.closeTo(expected, 1e-9);
  });
});
