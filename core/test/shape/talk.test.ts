import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { terms } from '@even-page/core/language/terms';
import { wordCount } from '@even-page/core/language/words';
import { announcementOf } from '../../src/shape/cut/announcements.ts';
import { readSubjects } from '../../src/shape/cut/subjects.ts';
import { cutTalk, sectionsOfTalk } from '../../src/shape/cut/talk.ts';
import { claim, deedAt, nounPhrase, question, shown } from '../../src/shape/talk-headings/phrases.ts';
import { headingCandidates, talkTerms } from '../../src/shape/talk-headings/candidates.ts';
import { proposeTalkHeadings } from '../../src/shape/talk-headings/talk-headings.ts';
import { tokensOf } from '../../src/tidy/wording/tokens.ts';
import { sectioned } from '../../training/told.ts';

const subjects = readSubjects(readFileSync(new URL('../../data/subjects.bin', import.meta.url)));
const talks = sectioned('measured').map((talk) => ({
  ...talk,
  units: talk.sentences.map((s) => ({ ...s, opensParagraph: false, terms: terms(s.text), words: wordCount(s.text) })),
}));

describe('sections of talk', () => {
  for (const [said, frame] of [
    ["So let's talk about the plug.", 'show'],
    ["Let's look at the flex.", 'look'],
    ['Now the next thing I want to do is wire the lamp.', 'ordinal'],
    ['Let me show you how to hold it.', 'show'],
    ['Any questions?', 'while'],
    ['What about the flex?', 'how-about'],
    ["And that's how you do it.", 'so-that-is'],
    ['It went in through the bark.', 'none'],
  ] as const)
    it(`hears “${said}” as ${frame}`, () => expect(announcementOf(said).frame).to.equal(frame));

  it('begin within 15 seconds of where an editor sets them, more often than not', () => {
    let hits = 0;
    let set = 0;
    for (const { units, borders } of talks) {
      // As captions go: 0.38 s a word.
      const before = [0];
      for (const u of units) before.push(before.at(-1)! + u.words * 0.38);
      const free = new Set([...borders].map((b) => before[b]!));
      const cut = cutTalk(units, borders.size + 1, subjects);
      set += cut.length + borders.size;
      for (const { at } of cut) {
        const near = [...free].find((x) => Math.abs(x - before[at]!) <= 15);
        if (near === undefined) continue;
        free.delete(near);
        hits++;
      }
    }
    expect((2 * hits) / set).to.be.greaterThan(0.56);
  });

  it('are as many as asked for, at most one a sentence, and never begin after the end', () => {
    const [{ units }] = talks as [(typeof talks)[number]];
    for (const n of [1, 2, 5, 12]) {
      const cut = cutTalk(units, n, subjects);
      expect(cut).to.have.length(n - 1);
      expect(new Set(cut.map((b) => b.at)).size).to.equal(n - 1);
    }
    expect(cutTalk(units.slice(0, 3), 9, null)).to.have.length(2);
    expect(cutTalk([], 4, null)).to.deep.equal([]);
  });

  it('are wanted by the words that stand on the page', () => {
    expect(sectionsOfTalk(100)).to.be.at.most(3);
    expect(sectionsOfTalk(1200)).to.be.within(7, 9);
    expect(sectionsOfTalk(200_000)).to.be.at.most(42);
  });
});

describe('headings of talk', () => {
  const all = (text: string) => tokensOf(text).all;
  const nobody = () => null;

  it('name a thing with what belongs to it, and leave out what points', () => {
    expect(shown(nounPhrase(all('This little arrow is red'), 0)!)).to.equal('the arrow');
    expect(shown(nounPhrase(all('a couple of old screws in the lid'), 0)!)).to.equal('old screws');
    expect(nounPhrase(all('it is red'), 0)).to.equal(null);
    expect(nounPhrase(all("the truck's going home"), 0)).to.equal(null);
  });

  it('tell a deed with its thing and at most two phrases more', () => {
    expect(deedAt(all('clean the blade with a damp cloth before you start'), 0, nobody)!.text).to.equal(
      'clean the blade with a damp cloth',
    );
    expect(deedAt(all('soak the bark before you start'), 0, nobody)!.text).to.equal('soak the bark before you start');
    expect(deedAt(all('put it in the oven'), 0, nobody)).to.equal(null);
    const bark = nounPhrase(all('the bark'), 0)!;
    expect(deedAt(all('soak it in the tub'), 0, () => bark)!.text).to.equal('soak the bark in the tub');
    expect(deedAt(all('ask it'), 0, () => bark)).to.equal(null);
  });

  it('make a claim or a question that can be read alone, and of nothing else', () => {
    expect(claim(all('October is too early'), 0, 4)!.text).to.equal('october is too early');
    expect(claim(all('It is too early'), 0, 4)).to.equal(null);
    expect(claim(all('October is not too early'), 0, 5)).to.equal(null);
    expect(question(all('Where is the tap'), '?')!.text).to.equal('where is the tap?');
    expect(question(all('Did you see that'), '?')).to.equal(null);
  });

  it('stand once on a page, begin with a capital, and are never one bare noun', () => {
    for (const { units, sections } of talks) {
      const parts = sections.map((s, i) =>
        units.slice(s.from, sections[i + 1]?.from ?? units.length).map((u) => ({ said: u.text, text: u.text, worth: 2 })),
      );
      const found = proposeTalkHeadings(parts, subjects).map((h) => h.headings[0]!);
      expect(new Set(found.map((h) => h.toLowerCase())).size).to.equal(found.length);
      for (const h of found) {
        expect(h).to.match(/^[\p{Lu}\d]/u);
        expect(h.split(' ').length).to.be.within(2, 8);
      }
    }
  });

  const proposedFrom = (...sentences: string[]): string[] => {
    const section = sentences.map((text) => ({ said: text, text, worth: 3 }));
    const other = ['We meet on Thursday in the hall.', 'Bring a lamp.'].map((text) => ({ said: text, text, worth: 2 }));
    return headingCandidates(section, talkTerms([section, other]), subjects).map((c) => c.text);
  };

  it('never tell what is not done, or only supposed', () => {
    const found = proposedFrom(
      'You do not force water into the mouth.',
      "I won't sit the tile on the worktop.",
      'Before you touch the pump, clean the whole pool.',
      'If you pull the plug, it stops.',
      'Never lift the hatch.',
    );
    for (const deed of ['force water into the mouth', 'sit the tile on the worktop', 'touch the pump', 'pull the plug', 'lift the hatch'])
      expect(found, deed).not.to.include(deed);
    expect(found).to.include('clean the pool');
  });

  it('say nothing of how long it takes, of praise alone, or of what somebody only talks about', () => {
    const found = proposedFrom(
      'The shop for one full hour was shut.',
      'Okay, the fun part.',
      'I will repeat about the thumb.',
      'Put it in for twelve hours.',
      'Add an hour to everything in the book.',
      'Press the 4 arrows going up.',
    );
    for (const none of ['the shop for one full hour', 'the fun part', 'repeat about the thumb', 'press the 4 arrows going'])
      expect(found, none).not.to.include(none);
    for (const text of found) expect(text).not.to.match(/\ba hour\b|\bgoing$/);
  });

  it('head nothing with words that only look like things', () => {
    for (const [said, thing] of [
      ['the bank statement enough', 'the bank statement'],
      ['the moon round the earth', 'the moon'],
      ['the choir 600 euro', 'the choir'],
      ['the sleeping bag thing', 'the sleeping bag'],
      ['the one card on the board', 'the card'],
      ['the bigger hole is at the back', 'the bigger hole'],
    ] as const)
      expect(shown(nounPhrase(all(said), 0)!), said).to.equal(thing);
    for (const said of ['the happens', 'the perfect', "today's Thursday"]) expect(nounPhrase(all(said), 0), said).to.equal(null);
  });

  it('tell a deed that ends somewhere only with where it ends, and none that only measures', () => {
    expect(deedAt(all('put the knife'), 0, nobody)).to.equal(null);
    expect(deedAt(all('put the knife under the curd'), 0, nobody)!.text).to.equal('put the knife under the curd');
    expect(deedAt(all('weigh 100 grams'), 0, nobody)).to.equal(null);
  });

  it('make claims of plurals too, and none of what somebody has', () => {
    expect(claim(all('The flowers come in June'), 0, 5)!.text).to.equal('the flowers come in June');
    expect(claim(all("Colleen's been hanging on"), 0, 4)).to.equal(null);
    expect(question(all('Did I put salt'), '?')).to.equal(null);
  });

  it('name nobody as a thing', () => {
    const found = proposedFrom(
      'Roger.',
      'Is it damp, Roger?',
      'So, Roger, the wall is damp.',
      'Ring Mrs Penhallow, and Mrs Penhallow comes.',
    );
    for (const name of ['the Roger', 'the Mrs Penhallow']) expect(found, name).not.to.include(name);
  });

  it('take what a speaker announces alone, and what a section names again and again', () => {
    expect(proposedFrom('Okay, lanes.', 'Take the end with the hook and drop it in.')).to.include('the lanes');
    expect(proposedFrom('Right, the covers.', 'Press the button and hold it.')).to.include('the covers');
    const found = proposedFrom('The grout is thick.', 'Push the grout in.', 'Wipe the grout off.', 'It dries.');
    expect(found).to.include('the grout');
  });

  it('keep the commas and capitals of what is announced', () => {
    const found = proposedFrom("So let's go ahead and close the eye, select all the stitches, and push them with the arrow key.");
    expect(found.join('; ')).not.to.contain('eye select');
    expect(proposedFrom('The next thing is the Tidewell register.').join('; ')).to.contain('Tidewell');
  });
});
