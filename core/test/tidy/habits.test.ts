import { expect } from 'chai';
import type { Source } from '../../src/gather/source.ts';
import { applyEdits } from '../../src/tidy/edit.ts';
import type { EditKind } from '../../src/tidy/repair-kinds.ts';
import { findEdits } from '../../src/tidy/finders.ts';
import { flowOf } from '../../src/tidy/flow.ts';
import { PADDING, usualHouse, type House } from '../../src/tidy/house.ts';

const text = (...passages: string[]): Source => ({ kind: 'text', passages: passages.map((p) => ({ text: p })) });
const found = (words: string, kind: EditKind, house: Partial<House> = {}) =>
  findEdits(text(words), { house: { ...usualHouse(), ...house } }).filter((e) => e.kind === kind);
const tidied = (words: string, kind: EditKind, house: Partial<House> = {}) =>
  applyEdits(flowOf(text(words)), found(words, kind, house)).text;

describe('each phrase that pads', () => {
  // Where it pads, what is left of it; and where the words mean what they say.
  const PLACES: Record<(typeof PADDING)[number], { pads: [string, string][]; means: string[] }> = {
    'you know': {
      pads: [['We took it apart, you know, and cleaned it.', 'We took it apart, and cleaned it.']],
      means: ['As you know, the hall is cold.', 'Do you know what it is?', 'If you know him, tell him.'],
    },
    'I mean': {
      pads: [['It is old, I mean, really old.', 'It is old, really old.']],
      means: [
        'You see what I mean.',
        'The one I mean is green.',
        'Turn it left, I mean right, until it clicks.',
        'Turn it to the left, I mean the right, and stop.',
      ],
    },
    like: {
      pads: [['It was like really wet.', 'It was really wet.']],
      means: [
        'Things like saws stay.',
        'It looks like rain.',
        'I like the old one.',
        'Cut it like a cake.',
        'And like I said, you go slowly.',
        'One by one, like I showed you.',
        'But like you saw, it holds.',
      ],
    },
    'sort of': {
      pads: [['You sort of push it in.', 'You push it in.']],
      means: ['What sort of glue is it?', 'It is a sort of hook.'],
    },
    'kind of': {
      pads: [['It kind of bends.', 'It bends.']],
      means: ['This kind of wood splits.', 'There are two kinds of glue and one kind of nail.'],
    },
    right: {
      pads: [['Right, so we begin with the plug.', 'So we begin with the plug.']],
      means: ['Turn right at the door.', 'That is the right way.', 'The right hand holds it.'],
    },
    'okay so': {
      pads: [['Okay so the plug comes out first.', 'The plug comes out first.']],
      means: ['It is okay. So we go on.'],
    },
    basically: {
      pads: [['It is basically a spring.', 'It is a spring.']],
      means: ['It is not basically wrong.'],
    },
    actually: {
      pads: [['And actually it is quite simple.', 'And it is quite simple.']],
      means: ['Nobody actually opened it.'],
    },
  };

  for (const words of PADDING) {
    const { pads, means } = PLACES[words];
    it(`“${words}” goes where it pads and stays where it means something`, () => {
      for (const [said, left] of pads) expect(tidied(said, 'fillers')).to.equal(left);
      for (const said of means) expect(tidied(said, 'fillers')).to.equal(said);
    });

    it(`“${words}” stays where House style does not name it`, () => {
      const others = PADDING.filter((other) => other !== words);
      for (const [said] of pads) expect(tidied(said, 'fillers', { padding: others })).to.equal(said);
    });
  }
});

describe('quotes of one kind', () => {
  for (const [what, said, curly] of [
    ['open after a space, a bracket or a dash and close elsewhere', '“Yes” ("no") – "so"', '“Yes” (“no”) – “so”'],
    ['one within the other keep their two kinds', "“She said 'wait' twice.”", '“She said ‘wait’ twice.”'],
    ['that stand for letters left out look like apostrophes', "“Cut” in the '70s, 'twas done", '“Cut” in the ’70s, ’twas done'],
    ['after figures are inches and feet, and stay', 'A “rod” of 6" by 3\' long', 'A “rod” of 6" by 3\' long'],
  ] as const)
    it(what, () => expect(tidied(said, 'junk')).to.equal(curly));

  it('are straight where House style wants them so', () => {
    expect(tidied('“Yes” and "no", it’s so.', 'junk', { curlyQuotes: false })).to.equal('"Yes" and "no", it\'s so.');
  });
});

describe('numbers typed by hand', () => {
  for (const [what, typed, counted] of [
    ['that leave one out count on', '1. Soak\n2. Peg\n4. Weave\n5. Dry', '1. Soak\n2. Peg\n3. Weave\n4. Dry'],
    ['that say one twice count on', '1) Soak\n2) Peg\n2) Weave', '1) Soak\n2) Peg\n3) Weave'],
    ['that begin anew are another list', '1. Soak\n2. Peg\n\n1. Weave\n2. Dry', '1. Soak\n2. Peg\n\n1. Weave\n2. Dry'],
    ['that begin elsewhere go on from there', '7. Soak\n8. Peg\n10. Weave', '7. Soak\n8. Peg\n9. Weave'],
    ['that are years or far apart are none', '1987. A good year.\n12. Of many.', '1987. A good year.\n12. Of many.'],
  ] as const)
    it(what, () => expect(tidied(typed, 'junk')).to.equal(counted));
});

describe('talk about the talk', () => {
  const reasonsIn = (words: string) => found(words, 'asides').map((e) => e.reason);

  for (const [reason, said] of [
    ['A greeting', ['Hello everybody and welcome back.', 'Good evening, all.', 'Hi there, friends.']],
    ['Asks for followers', ['Please like and subscribe.', 'The link is in the description.', 'Follow us on the board in the hall.']],
    ['A sponsor', ['This evening is sponsored by the corner bakery.', 'Use the code CANE for a tenth off.']],
    ['Points at a screen', ['As you can see on the slide, it is bent.', 'Next slide, please.', 'Let me share my screen.']],
    ['A sign-off', ['Thank you so much for coming.', 'See you next week.', 'That is all for tonight.']],
    ['Talk about the talk', ['Is this thing on?', 'Can everybody hear me?', 'Sorry about the noise.']],
  ] as const)
    it(`is marked: ${reason.toLowerCase()}`, () => {
      for (const words of said) expect(reasonsIn(`The lamp was broken. ${words} We took it apart.`), words).to.deep.equal([reason]);
    });

  it('is not heard in words that only sound like it', () => {
    for (const words of [
      'You see the burr in the light.',
      'We thank the bakery every year with a cake.',
      'The follower of the cam runs in a slot.',
      'Hello is what the old sign says in red letters over the door of the shed behind the hall.',
      'The code on the box is 4471.',
    ])
      expect(reasonsIn(`The lamp was broken. ${words} We took it apart.`), words).to.deep.equal([]);
  });

  it('is not looked for in a page that was written as one', () => {
    const written: Source = { kind: 'markdown', passages: [{ text: 'Hello everybody and welcome back.' }] };
    expect(findEdits(written).filter((e) => e.kind === 'asides')).to.deep.equal([]);
  });
});

describe('a passage that wants a listen', () => {
  const marked = (words: string) => found(words, 'suspect').map((e) => [e.before, e.reason]);

  for (const [said, stretch, reason] of [
    ['And it was no no no no no good.', 'no no no no no', 'One word over and over'],
    ['Then we go then we go then we go home.', 'Then we go then we go then we go', 'The same words go round'],
    ['It holds with κόλλα and a peg.', 'κόλλα', 'Another script'],
    ['It says 漢字 on the blade.', '漢字', 'Another script'],
  ] as const)
    it(`${JSON.stringify(stretch)}: ${reason.toLowerCase()}`, () => expect(marked(said)).to.deep.equal([[stretch, reason]]));

  it('is none where a word is said three times, or a phrase twice', () => {
    expect(marked('It was very very very wet, and so on and so on.')).to.deep.equal([]);
  });

  it('is none in a text of another script throughout', () => {
    expect(marked('Нож тупой. Мы точим его на камне. Камень мокрый.')).to.deep.equal([]);
  });
});

describe('spaces nobody meant', () => {
  for (const [what, typed, even] of [
    ['hidden ones go', 'soft\u00ADhyphen, zero\u200Bwidth, \uFEFFmark', 'softhyphen, zerowidth, mark'],
    ['that do not break are spaces', 'a\u00A0kettle and a\u00A0\u00A0lamp', 'a kettle and a lamp'],
    ['before a mark go, and a decimal stays whole', 'Wait , it is .5 mm .', 'Wait, it is .5 mm.'],
    ['by tabs and in rows become one', 'one\ttwo   three \t four', 'one two three four'],
    ['in lines become one empty line', 'One.\n \n\t\n\nTwo.', 'One.\n\nTwo.'],
  ] as const)
    it(what, () => expect(tidied(typed, 'spacing')).to.equal(even));
});

describe('words said twice', () => {
  it('stay where the second begins something new', () => {
    for (const said of ['You lay two in, in they go, and that is it.', 'Then you lift it up, up it comes.'])
      expect(tidied(said, 'doubled')).to.equal(said);
    expect(tidied('You put it in in the morning.', 'doubled')).to.equal('You put it in the morning.');
  });
});
