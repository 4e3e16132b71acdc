import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { emptyDetails, type Details } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { speller } from '../language/english.ts';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { CHECKS, proof, type Proofed, stretchesOf } from '@even-page/core/proof';
import { sentences } from '../../src/language/sentences.ts';
import { shinglesOf } from '@even-page/core/language/shingles';
import { usageOf } from '@even-page/core/proof/usage';
import { usualHouse } from '@even-page/core/tidy';
import { knownFacts } from '@even-page/core/write';
import type { Rights } from '@even-page/core/dress';
import type { Comfort } from '@even-page/core/theme';

/** A piece of the demo, which is its own material. */
const MATERIAL = readFileSync(new URL('../../../demo/material/chair-caning.md', import.meta.url), 'utf8');

const PLAIN = 'Peg the end of a strand in the back and bring it to the front. Go down the hole and up the next one. ';
const INDEX = 'You need two sizes of cane, about twenty wooden pegs, a pair of side cutters and a bowl of water.';

/** The same, as its writer finishes it: with the phrase, a picture, a list, a table and a link. */
const CLEAN = [
  [/^# .*\n\n/, ''],
  ['A caned seat looks', 'A caned chair seat looks'],
  ['## Before you begin', '## Before you cane a chair seat\n\n![A caned chair seat seen from above](/pictures/a)'],
  [INDEX, `${INDEX}\n\n- A bradawl\n- A loop of fine cane\n\n| Step | Layers |\n| --- | --- |\n| The edge | 7 |\n\n`],
  ['on a Tuesday.', 'on a [Tuesday evening](/evenings).'],
].reduce((text, [from, to]) => text.replace(from!, to as string), MATERIAL);

const DETAILS: Details = {
  ...emptyDetails(),
  title: 'Cane a chair seat: the seven-step pattern',
  standfirst: 'A bowl of water, twenty pegs, and a pattern of seven steps.',
  slug: 'cane-a-chair-seat',
  description:
    'Cane a chair seat in seven steps, each of them learned in an evening: how to soak the cane, how to weave it, and when to let the whole seat dry at the end.',
  summary: 'Seven layers make a chair seat of cane, and each can be learned in an evening at the hall.',
  byline: 'The chair table',
  category: 'Chairs',
  cover: '/pictures/11111111-1111-4111-8111-111111111111',
  brief: { phrase: 'chair seat' },
};
const COMFORT: Comfort = { outlet: 'Hall blog', spacing: 1.6, size: 18, contrast: 16, fonts: ['Georgia'], faint: [], wide: [] };
const OWN: Rights = { licence: 'own', credit: '', source: '', holder: '' };

type Fault = Partial<
  Pick<
    Proofed,
    'links' | 'posts' | 'house' | 'pages' | 'pieces' | 'pageHeadings' | 'speller' | 'usages' | 'weights' | 'captionless' | 'comfort'
  >
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
  summary: { details: { summary: '' } },
  byline: { details: { byline: '' } },
  slug: { details: { slug: '' } },
  cover: { details: { cover: undefined } },
  category: { details: { category: '' } },
  'word count': { text: (clean) => clean.slice(0, 900) },
  'empty heading': after('## \n\nWords below.'),
  'repeated heading': after('## What comes next\n\nWords below.'),
  'section without text': after('## A last word'),
  placeholder: after('Ring [insert number] before you come.'),
  'stray markup': after('Bring a \\&nbsp;chair to the hall.'),
  'unfinished sentence': after('Leave the seat to dry. It sings when you'),
  'list numbers': after('1\\. Soak it.\n\n3\\. Weave it.'),
  'double spaces': instead('Golf tees', 'Golf  tees'),
  'figure nobody said': instead('for twenty minutes', 'for thirty-five minutes'),
  'name nobody said': instead('at the hall', 'at the hall, led by Gerald Thwaite'),
  'quotation nobody said': after('“It hums all day when you sit on it,” she said.'),
  'the opposite said': instead('firm but not tight', 'firm but tight'),
  'reading grade': {
    text: (clean) =>
      clean.replace(
        /[^.]+\./g,
        ' Considerable familiarity with traditional manufacturing terminology unquestionably facilitates understanding individual preparatory operations. ',
      ),
  },
  'long sentence': after(`${Array.from({ length: 41 }, (_, i) => ['strand', 'peg', 'hole'][i % 3]).join(' ')}.`),
  'long paragraph': after(PLAIN.repeat(7).trim()),
  'nothing to rest the eye': after(Array.from({ length: 16 }, () => PLAIN.trim()).join('\n\n')),
  'repeated word': after('Bring the the chair.'),
  article: after('Bring an chair.'),
  'stock phrase': after('It is a game-changer for a chair.'),
  'phrase in title, slug and description': { details: { title: 'The seven-step pattern' } },
  'phrase on the page': instead('A caned chair seat looks', 'A caned one looks'),
  'crammed phrase': after('A chair seat is a chair seat is a chair seat. '.repeat(6).trim()),
  'description length': { details: { description: 'A chair seat in seven steps.' } },
  'slug words': { details: { slug: 'cane-a-chair-seat-in-seven-steps-for-the' } },
  'link to nowhere': instead('(/evenings)', '(http://localhost:4600/evenings)'),
  links: instead('[Tuesday evening](/evenings)', 'Tuesday evening'),
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
  'words of another page': { pages: [{ title: 'The whole guide', shingles: shinglesIn(MATERIAL) }] },
  'words of another piece': { pieces: [{ title: 'Pegs', shingles: shinglesIn(MATERIAL) }] },
  'heading of another page': { pageHeadings: new Map([['what comes next', 'The whole guide']]) },
  spelling: { ...after('A vessle of warm water.'), speller },
  'two spellings': { ...after('The colour is right. The color stays.'), speller },
  grammar: {
    ...after('We has two chairs.'),
    usages: new Map([['We has two chairs.', [{ rule: 'grammar', from: 3, to: 6, says: 'The verb must agree.', instead: ['have'] }]]]),
  },
  'passive voice': used('The chair was mended in a day. It was brought in and taken home. '.repeat(6).trim()),
  hedge: used('It is actually a chair.'),
  'insensitive word': used('He is a crazy man.'),
  contraction: { ...after('It isn’t a chair.'), details: { brief: { phrase: 'chair seat', tones: ['formal'] } } },
  'passage in another language': { ...after('Der Stuhl steht schon lange im Keller und wartet dort auf Regen.'), speller },
  'title width': { details: { title: 'Cane a chair seat in seven steps, as it was shown to forty neighbours in the hall' } },
  'heading nobody looks for': instead('## What comes next', '## Overview'),
  'length asked for': { details: { words: 900 } },
  'standing part': { details: { brief: { phrase: 'chair seat', parts: ['keyPoints'] } } },
  'weight of the page': { weights: { '/pictures/a': 2_400_000 } },
  'clip without captions': {
    ...after(`<figure>\n\n[Caning](/recordings/${'a'.repeat(64)})\n\n</figure>\n\nWords below.`),
    captionless: [`/recordings/${'a'.repeat(64)}`],
  },
  'alternative text': after('![](/pictures/b)\n\nWords below.'),
  'alternative text said well': after('![IMG_2041.jpg](/pictures/b)\n\nWords below.'),
  'picture rights': { rights: { ...OWN, licence: 'unknown' } },
  'heading level': after('#### A small one\n\nWords below.'),
  'table head': instead('| Step | Layers |', '| Step |  |'),
  'link words': instead('[Tuesday evening]', '[here]'),
  'faint words': { comfort: { ...COMFORT, faint: [{ block: 1, words: 'Before you', contrast: 3.2, needed: 4.5 }] } },
  'wider than the screen': { comfort: { ...COMFORT, wide: [{ block: 5, words: 'Step Layers', screen: 390 }] } },
  'line spacing': { comfort: { ...COMFORT, spacing: 1.2 } },
  'text size': { comfort: { ...COMFORT, size: 13 } },
  'pale text': { comfort: { ...COMFORT, contrast: 5.1 } },
  'one font for the text': { comfort: { ...COMFORT, fonts: ['Georgia', 'Arial'] } },
};

const known = knownFacts([
  {
    source: 's',
    paragraphs: [{ sentences: sentences(MATERIAL).map(({ text }, n) => ({ text, first: n, last: n })) }] as never,
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
    const post = proofed({ speller, comfort: COMFORT });
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
