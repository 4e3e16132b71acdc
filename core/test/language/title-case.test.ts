import { expect } from 'chai';
import { titleCase } from '@even-page/core/language/title-case';

describe('title case', () => {
  it('gives every word its capital but the small ones inside', () => {
    expect(titleCase('How to soak a stone in water')).to.equal('How to Soak a Stone in Water');
    expect(titleCase('What the burr is for')).to.equal('What the Burr Is For');
    expect(titleCase('Oil: the wrong idea')).to.equal('Oil: The Wrong Idea');
    expect(titleCase('why does it matter?')).to.equal('Why Does It Matter?');
  });

  it('leaves names, signs and hyphened words as they are written', () => {
    expect(titleCase('Ask Wilf about the iPad and man-made stones')).to.equal('Ask Wilf About the iPad and Man-made Stones');
    expect(titleCase('')).to.equal('');
  });
});
