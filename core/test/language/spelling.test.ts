import { createRequire } from 'node:module';
import { expect } from 'chai';
import { speller, spellerOf } from './english.ts';

// Wikipedia's list of common misspellings, for machines (package misspellings 1.1.0): wrong: right.
const LISTED = createRequire(import.meta.url)('misspellings/dict/lc-dictionary.json') as Record<string, string>;

describe('spelling', () => {
  it('finds published misspellings, and proposes what is meant', () => {
    const pairs = Object.entries(LISTED).filter(([wrong, right]) => /^[a-z]+$/.test(wrong) && /^[a-z]+$/.test(right));
    const found = pairs.filter(([wrong]) => !speller.knows(wrong));
    const some = found.filter((_, n) => n % 20 === 0);
    const first = some.filter(([wrong, right]) => speller.suggests(wrong)[0] === right);
    const among = some.filter(([wrong, right]) => speller.suggests(wrong).includes(right));
    console.log(
      `      ${found.length} of ${pairs.length} misspellings found; of ${some.length} the first proposal is right for ${first.length}, one of five for ${among.length}`,
    );
    expect(found.length / pairs.length).to.be.above(0.95);
    expect(among.length / some.length).to.be.above(0.8);
    const falsely = [...new Set(pairs.map(([, right]) => right))].filter((right) => !speller.knows(right));
    expect(falsely.length / pairs.length).to.be.below(0.02);
  });

  it('knows British and American English apart, or takes both', () => {
    const [british, american] = [spellerOf('British'), spellerOf('American')];
    expect([british.knows('colour'), british.knows('color'), american.knows('colour'), american.knows('color')]).to.deep.equal([
      true,
      false,
      false,
      true,
    ]);
    expect([speller.knows('colour'), speller.knows('color')]).to.deep.equal([true, true]);
    expect([speller.only('colour'), speller.only('color'), speller.only('chair')]).to.deep.equal(['British', 'American', null]);
  });

  it('sees letters that changed places first', () => {
    expect(speller.suggests('teh')[0]).to.equal('the');
    expect(speller.suggests('recieve')[0]).to.equal('receive');
  });
  it('knows two words that were written as one', () => {
    expect(['alot', 'aswell', 'infact', 'eachother'].map((word) => speller.suggests(word)[0])).to.deep.equal([
      ...['a lot', 'as well', 'in fact', 'each other'],
    ]);
    expect(speller.suggests('wilf').join()).not.to.contain('milf');
  });
});
