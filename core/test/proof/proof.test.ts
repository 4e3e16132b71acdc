import { expect } from 'chai';
import { shinglesOf } from '@even-page/core/language/shingles';
import { emptyDetails } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { plainText } from '@even-page/core/post/sections';
import { proof as proofs } from '../../src/proof/proof.ts';
import type { Finding, Proofed } from '../../src/proof/check.ts';
import { usualHouse } from '@even-page/core/tidy';
import { figuresOf } from '../../src/proof/figures.ts';

const post = (markdown: string, details = {}) => {
  let n = 0;
  return { doc: withIds(postFromMarkdown(markdown), () => `b${++n}`), details: { ...emptyDetails(), ...details } };
};
const proof = (post: Proofed) => proofs(post).findings;
const DESCRIPTION = 'x'.repeat(155);
const LONG_ENOUGH = Array.from({ length: 3 }, () => 'We mend [lamps](/lamps) and chairs at the hall. '.repeat(15).trim()).join(
  '\n\n- Bring one.\n\n',
);
const good = {
  ...{ title: 'A title', standfirst: 'What it gives.', description: DESCRIPTION, slug: 'a-title', category: 'Lamps' },
  ...{ summary: 'What the evening gave.', byline: 'The lamp table' },
  cover: '/pictures/11111111-1111-4111-8111-111111111111',
};
const LONG_SENTENCE = `${Array.from({ length: 41 }, (_, i) => `Word${i}`).join(' ')}.`;
const found = (markdown: string, details = {}) => proof(post(`${markdown}\n\n${LONG_ENOUGH}`, { ...good, ...details })).map((f) => f.check);

describe('a proof', () => {
  it('says once that a piece was made of another, and place for place where only some of it stands there too', () => {
    const told = (n: number) => Array.from({ length: n }, (_, k) => `${Array.from({ length: 16 }, (_, w) => `w${k}x${w}`).join(' ')}.`);
    const shared = (n: number) => {
      const shingles = new Set(told(n).flatMap((text) => shinglesOf(text).map(({ hash }) => hash)));
      return proof({ ...post(told(8).join('\n\n'), good), pieces: [{ title: 'Lamps', shingles }] })
        .filter((f) => f.check === 'words of another piece')
        .map((f) => f.says);
    };
    expect(shared(2)).to.deep.equal(['16 words stand in “Lamps” too', '16 words stand in “Lamps” too']);
    expect(shared(8)).to.deep.equal(['128 words in 8 places stand in “Lamps” too']);
  });

  it('finds nothing wrong with a sound post', () => {
    expect(found('Words first.\n\n## One\n\nWords.\n\n### Two\n\n![A lamp](/a.webp)')).to.deep.equal([]);
  });

  it('says what must be fixed first, then goes by place', () => {
    const text = `An lamp.\n\n## \n\nA  gap, and lorem ipsum.\n\n${LONG_ENOUGH}`;
    expect(proof(post(text, { ...good, title: ' ' })).map((f) => [f.check, f.gravity])).to.deep.equal([
      ['title', 'must'],
      ['article', 'must'],
      ['empty heading', 'must'],
      ['placeholder', 'must'],
      ['double spaces', 'look'],
    ]);
  });

  it('knows a heading at the start that skips a level', () => {
    expect(found('### One\n\nWords.')).to.deep.equal(['heading level']);
    expect(found('## One\n\nWords.\n\n### Two\n\nWords.\n\n## Three')).to.deep.equal([]);
  });

  it('finds a picture whose licence nobody knows, and one whose maker is not named', () => {
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

  it('says where in its block a sentence over 40 words stands', () => {
    const p = post(`Short one. ${LONG_SENTENCE} Short again.\n\n${LONG_ENOUGH}`, good);
    const [finding] = proof(p);
    expect(finding!.says).to.equal('A sentence of 41 words');
    const place = finding!.place as { block: string; from: number; to: number };
    expect(plainText(p.doc.firstChild!).slice(place.from, place.to)).to.equal(LONG_SENTENCE);
    expect(finding!.words).to.equal(LONG_SENTENCE);
  });

  it('looks into lists, quotations, notes and cells, and says where, as positions of the page are counted', () => {
    for (const text of ['- One.\n- An lamp.', '> One.\n>\n> An lamp.', '| One | An lamp |\n| --- | --- |\n| a | b |']) {
      const p = post(`${text}\n\n${LONG_ENOUGH}`, good);
      const [finding] = proof(p);
      expect(finding?.check, text).to.equal('article');
      const { block, from, to } = finding!.place as { block: string; from: number; to: number };
      let said = '';
      p.doc.descendants((node, pos) => {
        if (node.attrs.id === block) said = p.doc.textBetween(pos + 1 + from, pos + 1 + to);
      });
      expect(said).to.equal('An');
    }
  });

  it('leaves alone what the writer left, as long as it says the same', () => {
    const text = (words: string) => `${words}\n\n${LONG_ENOUGH}`;
    const [{ key }] = proof(post(text('A  gap.'), good)) as [Finding];
    const left = { ...good, left: [{ key, why: 'a poem' }] };
    const { findings, left: kept } = proofs(post(text('A  gap.'), left));
    expect(findings).to.deep.equal([]);
    expect(kept.map((f) => f.key)).to.deep.equal([key]);
    expect(found('A  gap, and an gap.', left)).to.deep.equal(['article']);
  });

  it('tells findings apart that say the same in one place', () => {
    const keys = proof(post(`An lamp. An lamp.\n\n${LONG_ENOUGH}`, good)).map((f) => f.key);
    expect(keys).to.have.length(2);
    expect(new Set(keys)).to.have.property('size', 2);
  });

  it('makes no check that House style has switched off', () => {
    const { findings, checked } = proofs({
      ...post(`A  gap.\n\n${LONG_ENOUGH}`, good),
      house: { ...usualHouse(), unchecked: ['double spaces'] },
    });
    expect(findings).to.deep.equal([]);
    expect(checked).not.to.include('double spaces');
    expect(checked).to.include('article');
  });

  it('signs a post with the byline of the house, and says where there is none', () => {
    const post2 = post(`Words.\n\n${LONG_ENOUGH}`, { ...good, byline: '' });
    expect(proof(post2).map(({ check, fix }) => [check, fix])).to.deep.equal([['byline', undefined]]);
    const [signed] = proof({ ...post2, house: { ...usualHouse(), byline: 'The hall' } });
    expect(signed!.fix).to.deep.equal({ label: 'Sign it The hall', detail: 'byline', value: 'The hall' });
  });

  it('has a description of 150 to 160 characters', () => {
    for (const [length, check] of [
      [0, ['description']],
      [149, ['description length']],
      [150, []],
      [160, []],
      [161, ['description length']],
    ] as const)
      expect(found('x', { description: 'x'.repeat(length) })).to.deep.equal(check);
  });

  it('finds a post with too few or too many words', () => {
    const says = (text: string) => proof(post(text, good)).map((f) => f.says);
    expect(says('')).to.deep.equal(['The page is empty']);
    expect(says('One word.')).to.deep.equal(['The post has only 2 words']);
    expect(says(`${LONG_ENOUGH}\n\n`.repeat(13)).at(0)).to.match(/^The post has 4,\d+ words$/);
  });

  it('chooses a or an by how the next word is said', () => {
    // Source: worked examples of style guides, from memory.
    const right =
      'an hour, a European, a university, an umbrella, a one-off, an honest, a uniform, an uninteresting, an 8, a 10, an 11, a user';
    expect(found(`It is ${right} one.`)).to.deep.equal([]);
    for (const wrong of ['a hour', 'an European', 'an university', 'a umbrella', 'an one-off', 'a honest', 'an user', 'a 8', 'an 10'])
      expect(found(`It is ${wrong} one.`), wrong).to.deep.equal(['article']);
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
