import { expect } from 'chai';
import { announcedSubjects } from '../../src/shape/index.ts';

const plainest = (...opening: string[]) => announcedSubjects(opening).sort((a, b) => b.force - a.force)[0]?.text;

describe('what an opening says the talk is about', () => {
  for (const [said, text] of [
    ["Good evening, I'm Ada, and tonight I'm going to show you how to look after a lathe.", 'look after a lathe'],
    ["Many of you have asked me how I make bread, so let's begin.", 'make bread'],
    ["So we're gonna go ahead and rewire the standard lamp today.", 'rewire the standard lamp'],
    ['Okay, so this is me putting up the Tarn 3, which I got for next to nothing.', 'putting up the Tarn 3'],
    ["Tonight I'd like to talk about kettles, and why they hum, and what to do about it.", 'kettles, and why they hum'],
    ['The hall asked me to do the old clocks this year.', 'the old clocks'],
    ["Hello, today I'm going to show you Fernboard, which is where we keep our bookings.", 'Fernboard'],
  ] as const)
    it(`is “${text}” in “${said}”`, () => expect(plainest(said)).to.equal(text));

  for (const said of [
    "We're not going to talk about the oven tonight.",
    "At the end I'll show you the thing with the lens.",
    'This is Ada from the hall.',
    "So it's grand, really, once you know it.",
    'I will show you five ways.',
  ])
    it(`is not told in “${said}”`, () => expect(plainest(said)).to.equal(undefined));

  it('is told more plainly where it is meant for the whole talk, and says where', () => {
    const [once] = announcedSubjects(['Hello.', "I'll rewire the lamp."]);
    const [whole] = announcedSubjects(['Hello.', "Today I'll rewire the lamp."]);
    expect(once).to.include({ kind: 'deed', sentence: 1 });
    expect(whole!.force).to.be.above(once!.force);
  });
});
