import { expect } from 'chai';
import { factsOf } from '../../src/page/facts.ts';
import type { Paragraph } from '../../src/tidy/prose.ts';

const spoken = (...texts: string[]): Paragraph => ({
  sentences: texts.map((text, n) => ({
    text,
    first: n,
    last: n,
    from: n * 100,
    to: n * 100 + text.length,
    wording: { said: text, changes: [], out: null, worth: 2 },
  })),
});
const says = (...texts: string[]) => factsOf([{ source: 's', paragraphs: [spoken(...texts)] }]).map((f) => f.says);

describe('facts to confirm', () => {
  it('are figures with what they count, in digits and in words', () => {
    expect(says('Soak it for 20 minutes.', 'It costs £2.50 a bundle.', 'Hold it at fifteen degrees.', 'It is 40 % off.')).to.deep.equal([
      ['20 minutes'],
      ['£2.50'],
      ['fifteen degrees'],
      ['40 %'],
    ]);
    expect(says('Twenty two pegs hold a hundred and ten strands.')).to.deep.equal([['Twenty two pegs', 'a hundred and ten strands']]);
  });

  it('are names, each where it stands first, and not what only opens a sentence', () => {
    expect(says('The cane comes from Ada Hale.', 'Ask Ada Hale in Larkfield.', 'Larkfield is near.', 'Soak it.')).to.deep.equal([
      ['Ada Hale'],
      ['Larkfield'],
    ]);
  });

  it('are none of what stays off the page, or was written', () => {
    const out = spoken('It took 9 hours.');
    out.sentences[0]!.wording!.out = 'Only reacts';
    const written: Paragraph = { sentences: [{ text: 'It took 9 hours.', first: 0, last: 0, from: 0, to: 16 }] };
    expect(factsOf([{ source: 's', paragraphs: [out, written] }])).to.deep.equal([]);
  });

  it('know their source and sentence, so that they can be heard again', () => {
    const [fact] = factsOf([{ source: 'talk', paragraphs: [spoken('Wait.', 'Wait 3 days.')] }]);
    expect([fact!.source, fact!.sentence.first]).to.deep.equal(['talk', 1]);
  });
});
