import { expect } from 'chai';
import fc from 'fast-check';
import { dice } from '@even-page/core/language/dice';

describe('Dice’s coefficient', () => {
  // Dice (1945) by hand: 2 · 2 / (3 + 4).
  it('is twice the shared over the sum', () => {
    expect(dice(new Set(['a', 'b', 'c']), new Set(['b', 'c', 'd', 'e']))).to.be.closeTo(4 / 7, 1e-12);
    expect(dice(new Set(), new Set())).to.equal(0);
  });

  it('is one for the same, nought for strangers, and the same either way', () => {
    const set = fc.uniqueArray(fc.integer({ min: 0, max: 20 }), { minLength: 1 }).map((all) => new Set(all));
    fc.assert(
      fc.property(set, set, (a, b) => {
        expect(dice(a, a)).to.equal(1);
        expect(dice(a, new Set([...b].map((n) => n + 100)))).to.equal(0);
        expect(dice(a, b)).to.equal(dice(b, a));
      }),
    );
  });
});
