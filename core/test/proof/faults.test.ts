import { expect } from 'chai';
import { emptyDetails, type Details } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { speller } from '../language/english.ts';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { CHECKS, proof, type Proofed, stretchesOf } from '@even-page/core/proof';
import { shinglesOf } from '@even-page/core/language/shingles';
import { usageOf } from '@even-page/core/proof/usage';
import { usualHouse } from '@even-page/core/tidy';
import { knownFacts } from '@even-page/core/write';
import type { Rights } from '@even-page/core/dress';

const MATERIAL = `Soak one coil of cane in warm water for 20 minutes. Rosalind Thwaite brought 6 chairs to the hall. "It sings a little when you tap it," she said. Peg the end of a strand in the back rail. Do not soak it longer, for it goes grey. The seat costs 40 pounds to have done. You need two sizes of cane.`;

const PROSE = `Soak one coil of cane in warm water for 20 minutes. Rosalind Thwaite brought 6 chairs to the hall. “It sings a little when you tap it,” she said.`;

const PLAIN = 'Peg the end of a strand in the back and bring it to the front. Go down the hole and up the next one. ';

const CLEAN = `Chair caning takes patience. ${PROSE}

## Chair caning, from the first strand

${PLAIN.repeat(5).trim()}

- Two sizes of cane
- A bowl of water

![Chair caning: a seat half woven](/pictures/a)

## Where to go next

${PLAIN.repeat(5).trim()} Come to the [mending evening](/evenings) with your chair.

| Step | Minutes |
| --- | --- |
| Soak | 20 |

`;

const DETAILS: Details = {
  ...emptyDetails(),
  title: 'Chair caning in seven steps',
  standfirst: 'A bowl of water and a pattern.',
  slug: 'chair-caning-in-seven-steps',
  description:
    'Chair caning in seven steps, each of them learned in an evening: how to soak the cane, how to weave it, and when to let the whole seat dry at the end.',
  category: 'Chairs',
  cover: '/pictures/11111111-1111-4111-8111-111111111111',
  brief: { phrase: 'chair caning' },
};
const OWN: Rights = { licence: 'own', credit: '', source: '', holder: '' };

type Fault = Partial<
  Pick<Proofed, 'links' | 'posts' | 'house' | 'pages' | 'pieces' | 'pageHeadings' | 'speller' | 'usages' | 'weights' | 'captionless'>
> & {
  text?: (clean: string) => string;
  details?: Partial<Details>;
  rights?: Rights;
};
const used = (words: string): Fault => ({ ...after(words), usages: new Map([[words, usageOf(words)]]) });
const shinglesIn = (text: string) => new Set(shinglesOf(text).map(({ hash }) => hash));
const after = (more: string): Fault => ({ text: (clean) => `${clean}\n\n${more}` });
const instead = (words: string, other: string): Fault => ({
  text: (clean) => {
    expect(clean).to.contain(words);
    return clean.replace(words, other);
  },
});

/** One fault of each kind, put into a clean copy on purpose, by the check that finds it. */
const FAULTS: Record<string, Fault> = {
  title: { details: { title: '' } },
  standfirst: { details: { standfirst: '' } },
  description: { details: { description: '' } },
  slug: { details: { slug: '' } },
  cover: { details: { cover: undefined } },
  category: { details: { category: '' } },
  'word count': { text: (clean) => clean.replaceAll(PLAIN, '') },
  'empty heading': after('## \n\nWords below.'),
  'repeated heading': after('## Where to go next\n\nWords below.'),
  'section without text': after('## A last word'),
  placeholder: after('Ring [insert number] before you come.'),
  'stray markup': after('Bring a \\&nbsp;chair to the hall.'),
  'unfinished sentence': after('Leave the seat to dry. It sings when you'),
  'list numbers': after('1\\. Soak it.\n\n3\\. Weave it.'),
  'double spaces': instead('Go down', 'Go  down'),
  'figure nobody said': instead('for 20 minutes', 'for 35 minutes'),
  'name nobody said': instead('Rosalind Thwaite', 'Gerald Thwaite'),
  'quotation nobody said': instead('“It sings a little when you tap it,”', '“It hums all day when you sit on it,”'),
  'the opposite said': after('Do soak it longer, for it goes grey.'),
  'reading grade': {
    text: (clean) =>
      clean.replaceAll(
        PLAIN,
        'Considerable familiarity with traditional manufacturing terminology unquestionably facilitates understanding individual preparatory operations. ',
      ),
  },
  'long sentence': after(`${Array.from({ length: 41 }, (_, i) => ['strand', 'peg', 'hole'][i % 3]).join(' ')}.`),
  'long paragraph': after(PLAIN.repeat(7).trim()),
  'nothing to rest the eye': after(Array.from({ length: 16 }, () => PLAIN.trim()).join('\n\n')),
  'repeated word': after('Bring the the chair.'),
  article: after('Bring an chair.'),
  'stock phrase': after('It is a game-changer for a chair.'),
  'phrase in title, slug and description': { details: { title: 'A seat in seven steps' } },
  'phrase on the page': instead('Chair caning takes patience.', 'It takes patience.'),
  'crammed phrase': after('Chair caning is chair caning is chair caning. '.repeat(4).trim()),
  'description length': { details: { description: 'Chair caning in seven steps.' } },
  'slug words': { details: { slug: 'chair-caning-in-seven-steps-for-the' } },
  'link to nowhere': instead('(/evenings)', '(http://localhost:4600/evenings)'),
  links: instead('[mending evening](/evenings)', 'mending evening'),
  'dead link': { links: { '/evenings': { state: 'gone', status: 404 } } },
  'link without an answer': { links: { '/evenings': { state: 'closed', status: 403 } } },
  'moved link': { links: { '/evenings': { state: 'fine', status: 200, movedTo: 'https://hall.example/evenings' } } },
  'lost place': {
    ...instead('(/evenings)', '(https://hall.example/#tuesday)'),
    links: { 'https://hall.example/#tuesday': { state: 'fine', status: 200, isPlaceLost: true } },
  },
  'paid link': {
    ...instead('(/evenings)', '(https://www.shop.larkfield/cane)'),
    house: { ...usualHouse(), paid: ['shop.larkfield'] },
  },
  'link to a post of yours': { posts: [{ title: 'Pegs for a cane seat', address: 'https://hall.example/pegs', about: 'peg a strand' }] },
  'words of another page': { pages: [{ title: 'The whole guide', shingles: shinglesIn(PLAIN) }] },
  'words of another piece': { pieces: [{ title: 'Pegs', shingles: shinglesIn(PLAIN) }] },
  'heading of another page': { pageHeadings: new Map([['where to go next', 'The whole guide']]) },
  spelling: { ...after('A vessle of warm water.'), speller },
  'two spellings': { ...after('The colour is right. The color stays.'), speller },
  grammar: {
    ...after('We has two chairs.'),
    usages: new Map([['We has two chairs.', [{ rule: 'grammar', from: 3, to: 6, says: 'The verb must agree.', instead: ['have'] }]]]),
  },
  'passive voice': used('The chair was mended in a day. It was brought in and taken home. '.repeat(6).trim()),
  hedge: used('It is actually a chair.'),
  'insensitive word': used('He is a crazy man.'),
  contraction: { ...after('It isn’t a chair.'), details: { brief: { phrase: 'chair caning', tones: ['formal'] } } },
  'passage in another language': { ...after('Der Stuhl steht schon lange im Keller und wartet dort auf Regen.'), speller },
  'title width': { details: { title: 'Chair caning in seven steps, as it was shown to forty neighbours in the hall' } },
  'heading nobody looks for': instead('## Where to go next', '## Overview'),
  'length asked for': { details: { words: 900 } },
  'standing part': { details: { brief: { phrase: 'chair caning', parts: ['keyPoints'] } } },
  'weight of the page': { weights: { '/pictures/a': 2_400_000 } },
  'clip without captions': {
    ...after(`<figure>\n\n[Caning](/recordings/${'a'.repeat(64)})\n\n</figure>\n\nWords below.`),
    captionless: [`/recordings/${'a'.repeat(64)}`],
  },
  'alternative text': after('![](/pictures/b)\n\nWords below.'),
  'alternative text said well': after('![IMG_2041.jpg](/pictures/b)\n\nWords below.'),
  'picture rights': { rights: { ...OWN, licence: 'unknown' } },
  'heading level': after('#### A small one\n\nWords below.'),
  'table head': instead('| Step | Minutes |', '| Step |  |'),
  'link words': instead('[mending evening]', '[here]'),
};

const known = knownFacts([
  {
    source: 's',
    paragraphs: [{ sentences: MATERIAL.split(/(?<=[.”"]) (?=[A-Z"])/).map((text, n) => ({ text, first: n, last: n })) }] as never,
  },
]);

function proofed({ text = (clean) => clean, details = {}, rights = OWN, ...rest }: Fault): Proofed {
  let n = 0;
  return {
    doc: withIds(postFromMarkdown(text(CLEAN)), () => `b${++n}`),
    details: { ...DETAILS, ...details },
    rights: { '/pictures/a': rights },
    known,
    ...rest,
  };
}

describe('faults put in on purpose', () => {
  it('are none in the clean copy', () => {
    const post = proofed({ speller });
    const usages = new Map(stretchesOf(post.doc).map(({ text }) => [text, usageOf(text)]));
    expect(proof({ ...post, usages }).findings.map((f) => `${f.check}: ${f.says}`)).to.deep.equal([]);
  });

  it('are of every kind there is', () => {
    expect(Object.keys(FAULTS).sort()).to.deep.equal(CHECKS.map((check) => check.name).sort());
  });

  for (const [name, fault] of Object.entries(FAULTS))
    it(`are found: ${name}`, () => {
      const { findings } = proof(proofed(fault));
      expect(findings.map((f) => f.check)).to.include(name);
      for (const { says, hint, why } of findings) for (const said of [says, hint, why]) expect(said).not.to.match(/undefined|NaN|^$/);
    });
});
