import { expect } from 'chai';
import { closesGreeting, isAsked, opensPlainly } from '@even-page/core/tidy/marks/openings';

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
