import { expect } from 'chai';
import { proposeTitles, titleOfName } from '../../src/page/titles.ts';
import { paragraphsOfTalk, type Placed } from '../../src/shape/paragraphs.ts';

const headed = (texts: readonly string[]) => texts.map((text) => ({ said: text, text, worth: 2 }));

describe('titles of talk', () => {
  it('say what the opening promises, in words that were said', () => {
    const [title] = proposeTitles(
      headed([
        'Tonight I will show you how to patch a bicycle tube.',
        'A bicycle tube is cheap.',
        'Find the hole in the tube first.',
        'Then patch the tube, and let the patch dry.',
        'A dry patch holds the tube for years.',
      ]),
      null,
    );
    expect(title).to.equal('How to patch a bicycle tube');
  });

  it('are what is said again and again where nothing else names the talk', () => {
    const [title] = proposeTitles(
      headed(['Hiya.', 'The whey is green.', 'You keep the whey.', 'The whey goes in bread.', 'It drains, and the whey runs off.']),
      null,
    );
    expect(title).to.equal('The whey');
  });

  it('are never more than three, and none without words', () => {
    expect(proposeTitles([], null)).to.deep.equal([]);
    expect(proposeTitles(headed(['Well.']), null)).to.deep.equal(['Well']);
  });
});

describe('the title of a file', () => {
  it('is its name, when somebody gave it one', () => {
    for (const [name, title] of [
      ['patching-a-tube.srt', 'Patching a tube'],
      ['Mending_the_kettle.en.vtt', 'Mending the kettle'],
      ['03 Soaking cane.txt', 'Soaking cane'],
    ] as const)
      expect(titleOfName(name)).to.equal(title);
    for (const name of ['audio1.vtt', 'Recording 12.srt', 'GMT20260312-101500_Recording.transcript.vtt', 'x7dPq91_aB.en.vtt', '14.vtt', ''])
      expect(titleOfName(name), name).to.equal(null);
  });
});

describe('paragraphs of talk', () => {
  const placed = (text: string, speaker = '', source = 's'): Placed => ({
    source,
    paragraph: 'p',
    sentence: { text, first: 0, last: 0, from: 0, to: text.length },
    ...(speaker ? { speaker } : {}),
  });

  it('have at most five sentences, and none is lost', () => {
    const section = Array.from({ length: 13 }, (_, i) => placed(`The plug number ${i} goes into the wall.`));
    const made = paragraphsOfTalk(section);
    expect(made.flat()).to.deep.equal(section);
    for (const p of made) expect(p.length).to.be.at.most(6);
  });

  it('begin where another voice or another source does', () => {
    const made = paragraphsOfTalk([placed('Is it dry?', 'Mira'), placed('It is dry.', 'Tobin'), placed('Good glue.', 'Tobin', 't')]);
    expect(made.map((p) => p.length)).to.deep.equal([1, 1, 1]);
  });

  it('begin at a turn of thought once there is enough in the last', () => {
    const long = 'Hold the blade at fifteen degrees to the stone and draw it slowly from heel to tip with little weight.';
    const made = paragraphsOfTalk([placed(long), placed(long), placed(long), placed('Next, let me show you the strop.'), placed(long)]);
    expect(made[1]![0]!.sentence.text).to.contain('strop');
  });
});
