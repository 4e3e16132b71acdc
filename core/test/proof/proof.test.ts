import { expect } from 'chai';
import { emptyDetails } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { plainText } from '@even-page/core/post/sections';
import { proof } from '../../src/proof/checks.ts';
import { figuresOf } from '../../src/proof/figures.ts';

const post = (markdown: string, details = {}) => {
  let n = 0;
  return { doc: withIds(postFromMarkdown(markdown), () => `b${++n}`), details: { ...emptyDetails(), ...details } };
};
const DESCRIPTION = 'x'.repeat(155);
const LONG_ENOUGH = Array.from({ length: 45 }, () => 'We mend lamps and chairs at the hall.').join(' ');
const good = { title: 'A title', description: DESCRIPTION };
const found = (markdown: string, details = {}) => proof(post(`${markdown}\n\n${LONG_ENOUGH}`, { ...good, ...details })).map((f) => f.check);

describe('the checks', () => {
  it('find nothing wrong with a sound post', () => {
    expect(found('Words first.\n\n## One\n\n### Two\n\n![A lamp](/a.webp)')).to.deep.equal([]);
  });

  it('find a missing title and an empty heading, as what must be fixed', () => {
    const findings = proof(post(`## \n\n${LONG_ENOUGH}`, { ...good, title: ' ' }));
    expect(findings.map((f) => [f.check, f.gravity])).to.deep.equal([
      ['title', 'must'],
      ['empty heading', 'must'],
    ]);
  });

  it('find a skipped heading level, also at the start', () => {
    expect(found('## One\n\n#### Three')).to.deep.equal(['heading level']);
    expect(found('### One')).to.deep.equal(['heading level']);
    expect(found('## One\n\n### Two\n\n## Three')).to.deep.equal([]);
  });

  it('find a picture whose licence nobody knows, and one whose maker is not named', () => {
    const doc = postFromMarkdown('![A lamp](/pictures/a) and ![A chair](/pictures/b) and ![A saw](/pictures/c)');
    const own = { licence: 'own', credit: '', source: '', holder: '' } as const;
    const rights = {
      '/pictures/a': { ...own, licence: 'unknown' },
      '/pictures/b': { ...own, licence: 'cc-by' },
      '/pictures/c': own,
    } as const;
    const says = proof({ doc, details: { ...emptyDetails(), title: 'Lamps' }, rights })
      .filter((f) => f.check === 'picture rights')
      .map((f) => f.says);
    expect(says).to.have.length(2);
    expect(says[0]).to.contain('Nobody knows');
    expect(says[1]).to.contain('the maker is named');
  });

  it('find a picture without alternative text', () => {
    expect(found('![](/a.webp)')).to.deep.equal(['alternative text']);
  });

  it('find a sentence over 40 words and say where in its block', () => {
    const long = Array.from({ length: 41 }, (_, i) => `word${i}`).join(' ');
    const p = post(`Short one. ${long.charAt(0).toUpperCase()}${long.slice(1)}. Short again.\n\n${LONG_ENOUGH}`, good);
    const [finding] = proof(p);
    expect(finding!.says).to.equal('A sentence of 41 words');
    const place = finding!.place as { block: string; from: number; to: number };
    const said = plainText(p.doc.firstChild!).slice(place.from, place.to);
    expect(said).to.match(/^Word0 .* word40\.$/);
    expect(found(`${Array.from({ length: 40 }, () => 'word').join(' ')}.`)).to.deep.equal([]);
  });

  it('look into lists and quotations', () => {
    const long = Array.from({ length: 45 }, () => 'word').join(' ');
    expect(found(`- ${long}.`)).to.deep.equal(['long sentence']);
    expect(found(`> ${long}.`)).to.deep.equal(['long sentence']);
  });

  it('find a description that is missing or too long to be shown', () => {
    expect(found('x', { description: '' })).to.deep.equal(['description']);
    expect(found('x', { description: 'x'.repeat(161) })).to.deep.equal(['description']);
    expect(found('x', { description: 'x'.repeat(160) })).to.deep.equal([]);
  });

  it('find a post with too few or too many words', () => {
    expect(proof(post('', good)).map((f) => f.says)).to.deep.equal(['The page is empty']);
    expect(proof(post('One word.', good)).map((f) => f.says)).to.deep.equal(['The post has only 2 words']);
    expect(proof(post(`${LONG_ENOUGH} `.repeat(13), good)).map((f) => f.check)).to.deep.equal(['word count']);
  });

  it('find a text that is hard to read', () => {
    const hard = 'Organisational considerations notwithstanding, volunteers demonstrate extraordinary dexterity. '.repeat(60);
    expect(proof(post(hard, good)).map((f) => f.check)).to.include('reading grade');
  });
});

describe('the figures', () => {
  it('count what stands on the page', () => {
    const { doc } = post('## Two words\n\nThree more words.\n\n![x](/a.webp)\n\n- one\n- two');
    expect(figuresOf(doc)).to.include({ words: 7, pictures: 1, minutes: 1 });
  });

  it('give a grade for each paragraph that is long enough to have one', () => {
    const { doc } = post('This paragraph has six words.\n\nShort.\n\nAnd this one also has six.');
    expect(figuresOf(doc).grades.map((g) => g.block)).to.deep.equal(['b1', 'b3']);
  });
});
