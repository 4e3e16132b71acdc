import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { isTalk } from '@even-page/core/language/spoken';
import { findEdits } from '../../src/tidy/finders.ts';
import { marksOf, NO_PAUSE, readModel } from '../../src/tidy/marks/model.ts';
import { endsInTag, isAsked } from '../../src/tidy/marks/openings.ts';
import { features as featuresOf, hearAsTalk, readTold } from '../../src/tidy/marks/told.ts';
import { proseOf } from '../../src/tidy/prose.ts';
import { partOf, PARTS, textOf, toldTalks } from '../../training/told.ts';

const model = readModel(readFileSync(new URL('../../data/marks.bin', import.meta.url)));
const wordsOf = (text: string) => text.toLowerCase().match(/[\p{L}\p{N}'-]+/gu)!;

/** A bare text with its marks put in, as one line. */
function marked(text: string): string {
  const source = { kind: 'text' as const, passages: [{ text }] };
  return proseOf(source, findEdits(source, { model }))
    .flatMap((paragraph) => paragraph.sentences.map((s) => s.text))
    .join(' ');
}

describe('what talk teaches of marks', () => {
  it('is taught, chosen and measured on different talks, the same ones for ever, of every kind', () => {
    const numbers = Array.from({ length: 66 }, (_, n) => String(n + 1).padStart(2, '0'));
    const parts = partOf(numbers);
    expect(parts.size).to.equal(66);
    const shares = PARTS.map((part) => toldTalks(part).length);
    expect(shares).to.deep.equal([30, 12, 12]);
    expect(toldTalks('measured').map((t) => t.number)).to.deep.equal([
      '10',
      '11',
      '15',
      '18',
      '23',
      '25',
      '39',
      '40',
      '45',
      '51',
      '57',
      '60',
    ]);
  });

  it('is asked in talk, not in prose that lacks its marks', () => {
    for (const talk of PARTS.flatMap((part) => toldTalks(part))) expect(isTalk(wordsOf(textOf(talk))), talk.number).to.equal(true);
    const prose = readFileSync(new URL('../../../bench/texts/unseen-documents.txt', import.meta.url), 'utf8').split('\n\n=====\n\n');
    expect(prose.filter((text) => isTalk(wordsOf(text))).length / prose.length).to.be.below(0.2);
  });

  it('parts no number from what it counts', () => {
    const talk =
      'okay so the wall is one metre eighty five this way and it has two screws on each side so now you take the four tiles and you lay them and then you wait thirty minutes and you know it takes about six hours in the cold';
    expect(marked(talk)).not.to.match(/\b(?:one|two|four|five|thirty|six|\d+), (?:metre|screws|tiles|minutes|hours)/);
  });

  it('gives chances, whatever the words are', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.constantFrom('so', 'i', 'okay', 'lamp', 'the'), fc.string()), { maxLength: 60 }), (said) => {
        const pauses = new Uint8Array(said.length).fill(NO_PAUSE);
        const marks = marksOf(model, said, pauses);
        hearAsTalk(model.told, said, marks, pauses);
        said.forEach((_, i) => {
          expect(marks.end[i]! + marks.comma[i]!).to.be.within(0, 1.000001);
          expect(marks.question[i]!).to.be.within(0, marks.end[i]! + 1e-6);
        });
      }),
      { numRuns: 100 },
    );
  });

  it('is the softmax of the weights of its features, written out', () => {
    // One feature of every place, the first of all: what it says is what comes out everywhere.
    const entry = new Uint8Array(7);
    const hashes: number[] = [];
    const said = ['so', 'mend', 'it'];
    const pauses = new Uint8Array(3);
    const marks = marksOf(model, said, pauses);
    const bias = firstFeature(said, marks, pauses, hashes);
    new DataView(entry.buffer).setUint32(0, bias, true);
    [-20, 0, 20].forEach((step, o) => new DataView(entry.buffer).setInt8(4 + o, step));
    hearAsTalk(readTold(entry, 1, 0.05), said, marks, pauses);
    const total = Math.exp(-1) + 1 + Math.exp(1);
    for (let i = 0; i < 3; i++) {
      expect(marks.end[i]).to.be.closeTo(Math.exp(1) / total, 1e-6);
      expect(marks.comma[i]).to.be.closeTo(1 / total, 1e-6);
    }
  });
});

function firstFeature(said: string[], marks: ReturnType<typeof marksOf>, pauses: Uint8Array, found: number[]): number {
  featuresOf(said, marks, pauses)(0, (hash) => found.push(hash));
  return found[0]!;
}

describe('question marks in bare talk', () => {
  const words = (text: string) => text.split(' ');
  const asks = (text: string) => isAsked(words(text), 0, words(text).length);

  it('stand where the sentence has the form of a question', () => {
    for (const text of [
      'do you want to hold it',
      'and how did you get it out',
      "isn't it wet",
      'what is that',
      'were you there',
      'so who would know',
    ])
      expect(asks(text), text).to.equal(true);
    for (const text of [
      'is you click the seeds',
      'do it properly',
      'have this round the border',
      "what's left is the evening",
      'does they',
      'i have it at 21',
    ])
      expect(asks(text), text).to.equal(false);
    expect(endsInTag(words("it's a bit loose isn't it"), 0, 6)).to.equal(true);
    expect(endsInTag(words("isn't it"), 0, 2)).to.equal(false);
  });

  it('and nowhere else, in the talks that are only measured', () => {
    for (const talk of toldTalks('measured').slice(0, 6)) {
      const text = marked(wordsOf(textOf(talk)).join(' '));
      for (const sentence of text.match(/[^.?!]+\?/g) ?? []) {
        const said = wordsOf(sentence);
        expect(isAsked(said, 0, said.length) || endsInTag(said, 0, said.length), sentence).to.equal(true);
      }
    }
  });
});
