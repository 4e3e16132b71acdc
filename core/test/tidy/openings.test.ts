import { expect } from 'chai';
import { closesGreeting, hangsOn, isAsked, leansBack, opensPlainly } from '../../src/tidy/marks/openings.ts';

const said = (text: string) => text.split(' ');
const asks = (text: string) => isAsked(said(text), 0, said(text).length);

describe('the order of words', () => {
  it('tells a question', () => {
    for (const text of [
      'do you oil it',
      'how long did it take',
      'and what is a burr',
      "so what's inside a lamp",
      'why',
      'can the lamp fall over',
      'which stone should we take',
      'what about the handle',
    ])
      expect(asks(text), text).to.equal(true);
  });

  it('tells what only sounds like one', () => {
    for (const text of [
      'what you do is this',
      'what is missing is a screw',
      'when is it dry you go on',
      'how it works',
      'have the lamp ready',
      'we asked what it was',
      'do not touch it',
    ])
      expect(asks(text), text).to.equal(false);
  });

  it('says where a sentence plainly begins, and where a greeting is over', () => {
    const words = said('we oiled it how long did it take thank you for coming');
    const opens = words.flatMap((_, i) => (opensPlainly(words, i) ? [i] : []));
    expect(opens).to.include.members([3, 8]);
    for (const inside of [0, 1, 2, 4, 6, 7, 9, 10]) expect(opens).not.to.include(inside);
    const greeting = said('good evening everybody tonight is about lamps');
    expect(greeting.flatMap((_, i) => (closesGreeting(greeting, i) ? [i] : []))).to.deep.equal([2]);
    expect(closesGreeting(said('good evening everybody and welcome'), 2)).to.equal(false);
  });
});

describe('a clause that hangs on', () => {
  const hangs = (text: string, isParted = false) => hangsOn(`${text} it goes`.split(' '), 0, text.split(' ').length, isParted);

  it('is the first half of a sentence', () => {
    for (const text of ["if a lamp doesn't work", 'so when you are done with it', 'once it is dry', 'so that when somebody pulls it'])
      expect(hangs(text), text).to.equal(true);
  });

  it('is whole when there is more to it', () => {
    for (const text of ['when did you come', 'the lamp is on', 'if only', 'so that is why']) expect(hangs(text), text).to.equal(false);
    expect(hangs('if it is wet leave it', true), 'a comma inside').to.equal(false);
    expect(hangsOn('if a lamp is out'.split(' '), 0, 5, false), 'nothing comes after it').to.equal(false);
  });
});

describe('a clause that leans back', () => {
  const leans = (text: string) => leansBack(text.split(' '), 0);

  it('goes with the sentence before it', () => {
    for (const text of ['because it is wet', 'until it stops', 'so that nobody pulls it', 'which is fine'])
      expect(leans(text), text).to.equal(true);
    for (const text of ['so we oil it', 'so that is why', 'which is it then', 'it is wet because'])
      expect(leans(text), text).to.equal(false);
  });
});
