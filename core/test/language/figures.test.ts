import { expect } from 'chai';
import { figuresIn } from '../../src/language/figures.ts';

const says = (text: string) => figuresIn(text).map((f) => `${f.value} ${f.unit}`.trim());

describe('figures in a text', () => {
  it('are the same in digits and in words', () => {
    expect(says('fifteen degrees')).to.deep.equal(says('15 degrees')).and.deep.equal(says('15°'));
    expect(says('a hundred and twenty-two cards')).to.deep.equal(says('122 cards'));
    expect(says('two and a half kilos')).to.deep.equal(says('2.5 kg'));
    expect(says('1 and a half kilos')).to.deep.equal(says('1.5 kg'));
    expect(says('1,200 words')).to.deep.equal(says('twelve hundred words'));
  });

  it('of a measure have the base of their kind, so that an hour is sixty minutes', () => {
    expect(says('half an hour')[0]).to.equal('1800 time');
    expect(says('thirty minutes')).to.deep.equal(['1800 time']);
    expect(says('£2.50')).to.deep.equal(says('250 pence'));
    expect(says('3 euro 50 each')).to.deep.equal(says('€3.50'));
    // The international inch and foot (1959 agreement).
    expect(says('1 foot')).to.deep.equal(says('12 inches'));
  });

  it('of a clock are hours and minutes, however they are said', () => {
    expect(says('at 7:30')).to.deep.equal(says('at half past seven')).and.deep.equal(says('at half 7'));
    expect(says('quarter to nine')).to.deep.equal(says('8:45'));
  });

  it('of a date name its month', () => {
    expect(says('14 March')).to.deep.equal(['14 march']);
    expect(says('on the 19th of March')).to.deep.equal(['19 march']);
  });

  it('in a range share the unit of the last', () => {
    expect(says('five to six millimetres')).to.deep.equal(['5 length', '6 length']);
    expect(says('15-20mm')).to.deep.equal(['15 length', '20 length']);
  });

  it('say where they stand, sign and unit included', () => {
    const text = 'It is £3 for two hooks.';
    expect(figuresIn(text).map((f) => text.slice(f.from, f.to))).to.deep.equal(['£3', 'two']);
  });

  it('that may be no figures are told from those that are', () => {
    expect(figuresIn('one of them takes an hour').every((f) => f.isPlain)).to.equal(true);
    expect(figuresIn('twenty-one of them')[0]!.isPlain).to.equal(false);
  });
});
