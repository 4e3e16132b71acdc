import { expect } from 'chai';
import { emptyDetails } from '@even-page/core/post/details';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { proof } from '@even-page/core/proof';
import { knownFacts } from '@even-page/core/write';
import { withIds } from '@even-page/core/post/ids';

const sentence = (text: string, n: number) => ({ text, first: n, last: n, from: n, to: n + 1 });
const said = [
  'Thank you, Ada.',
  'Tape is for the label that says do not use.',
  'Nothing leaves this hall until the box says pass.',
  'Strip six millimetres.',
];
const known = knownFacts([{ source: 'talk', paragraphs: [{ speaker: 'Joss Fenwick', sentences: said.map(sentence) }] }]);

/** What a check says of some Markdown: its hint, and what its repair puts there. */
function told(check: string, markdown: string, details = {}) {
  let n = 0;
  const doc = withIds(postFromMarkdown(markdown), () => `b${++n}`);
  return proof({ doc, details: { ...emptyDetails(), ...details }, known })
    .findings.filter((finding) => finding.check === check)
    .map(({ says, hint, fix }) => [says, hint, fix && 'text' in fix ? fix.text : null]);
}
const quotation = (words: string) => told('quotation nobody said', `Joss said ${words}`).map(([, hint, text]) => [hint, text]);

describe('a page held against its material', () => {
  it('shows where a quotation differs from what was said, and takes the words as they were said', () => {
    expect(quotation('“Tape is for the label that says do not touch.”')).to.deep.equal([
      ['“touch” was said as “use”.', '“Tape is for the label that says do not use.”'],
    ]);
    expect(quotation('“nothing ever leaves the hall until the box says pass”.')).to.deep.equal([
      ['“ever” was not said; “the” was said as “this”.', '“Nothing leaves this hall until the box says pass”'],
    ]);
    expect(quotation('“the label says do not use”, and no more.')).to.deep.equal([
      ['“that” was said too.', '“the label that says do not use”'],
    ]);
    expect(quotation('“Tape is for the label that says do not use.”')).to.deep.equal([]);
  });

  it('offers nothing for a quotation that is nothing like what was said', () => {
    const [[hint, text]] = quotation('“we should all be careful with lamps now”.') as [[string, string | null]];
    expect(hint).to.match(/^Listen again/);
    expect(text).to.equal(null);
  });

  it('offers the name that is meant, of those who speak and those spoken of', () => {
    const name = (markdown: string) => told('name nobody said', markdown).map(([, hint, text]) => [hint, text]);
    expect(name('Then came Jost.')).to.deep.equal([['The material has “Joss”.', 'Joss']]);
    expect(name('It was Mr Fenwich who came.')).to.deep.equal([['The material has “Fenwick”.', 'Fenwick']]);
    expect(name('Then came Gwendolen.')[0]![1]).to.equal(null);
  });

  it('takes what is said of anything for said, where nobody knows what a sentence rests on, but no other figure in the place of one', () => {
    const figure = (markdown: string) => told('figure nobody said', markdown).map(([says]) => says);
    expect(figure('Six millimetres of flex are enough for the plug.')).to.deep.equal([]);
    expect(figure('Nine millimetres of flex are enough for the plug.')).to.deep.equal(['“Nine millimetres”: nobody said this']);
    expect(figure('Strip three millimetres.')).to.deep.equal(['“three millimetres”: nobody said this']);
    expect(figure('The two lamps stand on half the bench.')).to.deep.equal([]);
  });

  it('takes neither a form of address nor a deed at the head of a sentence for a name', () => {
    expect(told('name nobody said', 'Press Tape. Thank Mr Fenwick.')).to.deep.equal([]);
  });

  it('finds placeholders in what the post says about itself', () => {
    expect(told('placeholder', 'Soak it.', { description: 'Lorem ipsum dolor.', title: 'TODO' }).map(([says]) => says)).to.deep.equal([
      '“TODO” is still there',
      '“Lorem ipsum” is still there',
    ]);
  });
});
