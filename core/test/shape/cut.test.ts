import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { terms } from '@even-page/core/language/terms';
import { cutting, type CutUnit } from '../../src/shape/cut/cutting.ts';
import { signpost } from '../../src/shape/cut/signposts.ts';
import { readSubjects } from '../../src/shape/cut/subjects.ts';
import { borderErrors } from '../../../bench/segments.ts';
import { c99, even, textTiling, u00 } from '../../../bench/segmenters.ts';

const subjects = readSubjects(readFileSync(new URL('../../data/subjects.bin', import.meta.url)));
const unitsOf = (sentences: readonly string[], opensParagraph = false): CutUnit[] =>
  sentences.map((s) => ({ terms: terms(s), opensParagraph }));

describe('what is known of words', () => {
  const alike = (a: string, b: string) => {
    const [x, y] = [subjects.stems.get(a)!, subjects.stems.get(b)!].map((n) =>
      subjects.vectors.subarray(n * subjects.size, (n + 1) * subjects.size),
    );
    return x!.reduce((sum, v, i) => sum + v * y![i]!, 0);
  };

  it('lies close together for words that keep company', () => {
    expect(alike('school', 'teacher')).to.be.greaterThan(alike('school', 'ship') + 0.2);
    expect(alike('tax', 'incom')).to.be.greaterThan(alike('tax', 'music') + 0.2);
  });

  it('counts in shares of one', () => {
    const sum = subjects.frequencies.reduce((all, f) => all + f, 0);
    expect(sum).to.be.within(0.85, 1.15);
  });
});

describe('cutting', () => {
  const SAID = [
    'The teacher met her class at the school gate.',
    'Every pupil had a lesson and an exam to learn for.',
    'A student wrote an essay, and the college marked it.',
    'Education takes a library as well as a classroom.',
    'The ship left the harbour before the storm.',
    'Sailors hoisted the sail while the captain watched the sea.',
    'The crew rowed a boat to the shore.',
    'An anchor held the vessel against the waves.',
  ];

  it('knows that words belong together which never stand twice', () => {
    expect(cutting(unitsOf(SAID), subjects).cut(2)[0]!.at).to.equal(4);
  });

  it('begins a section where the speaker says so', () => {
    const same = Array.from({ length: 12 }, (_, i) => `The lamp has a wick and a chimney number ${i}.`);
    const units = unitsOf(same).map((u, i) => ({ ...u, pull: i === 5 ? 4 : 0 }));
    expect(cutting(units, subjects).cut(2)[0]!.at).to.equal(5);
  });

  it('of a long text puts its borders on the right sentence, not near it', () => {
    const [school, ship] = [SAID.slice(0, 4), SAID.slice(4)];
    const long = [...Array.from({ length: 607 }, (_, i) => school[i % 4]!), ...Array.from({ length: 500 }, (_, i) => ship[i % 4]!)];
    expect(cutting(unitsOf(long), subjects).cut(2)[0]!.at).to.equal(607);
  });

  it('of nothing is nothing', () => {
    expect(cutting([]).natural).to.equal(0);
    expect(cutting([]).cut(3)).to.deep.equal([]);
    expect(cutting(unitsOf(['', '']), subjects).cut(2)).to.have.length(1);
  });
});

describe('signposts', () => {
  it('are heard in how a sentence opens', () => {
    expect(signpost("Okay, let's move on to the stones.")).to.equal(4);
    expect(signpost('The second thing is the angle.')).to.equal(3);
    expect(signpost('Now, the burr.')).to.equal(2);
    expect(signpost('The burr is now gone.')).to.equal(0);
  });
});

describe('errors of borders', () => {
  // By hand: ten units, a border before the sixth, windows of three, of which there are seven.
  it('are Pk (Beeferman et al. 1999) and WindowDiff (Pevzner and Hearst 2002), counted by hand', () => {
    expect(borderErrors([5], [5], 10)).to.deep.equal({ pk: 0, windowDiff: 0 });
    expect(borderErrors([], [5], 10)).to.deep.equal({ pk: 3 / 7, windowDiff: 3 / 7 });
    expect(borderErrors([6], [5], 10)).to.deep.equal({ pk: 2 / 7, windowDiff: 2 / 7 });
    expect(borderErrors([4, 5], [5], 10)).to.deep.equal({ pk: 1 / 7, windowDiff: 3 / 7 });
  });

  it('are none for the ways beside ours where subjects share no word', () => {
    const units = Array.from({ length: 20 }, (_, i) => (i < 10 ? ['lamp', 'wick', `oil${i % 3}`] : ['chair', 'cane', `seat${i % 3}`]));
    for (const find of [textTiling, c99, u00]) expect(find(units, 2), find.name).to.deep.equal([10]);
    expect(even(units, 2)).to.deep.equal([10]);
    expect(u00(units)).to.deep.equal([10]);
  });
});
