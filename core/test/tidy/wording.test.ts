import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { normal, stem } from '@even-page/core/language/terms';
import { words } from '@even-page/core/language/words';
import { isOut, type Paragraph } from '../../src/tidy/prose.ts';
import { applyEdits } from '../../src/tidy/edit.ts';
import { choicesOf, toldBy, turned } from '../../src/tidy/wording/choices.ts';
import { droppedBy } from '../../src/tidy/wording/drops.ts';
import { isClosed } from '../../src/tidy/wording/kinds.ts';
import { patternOf } from '../../src/tidy/wording/pattern.ts';
import { readied, SETS, type ToldBy } from '../../src/tidy/wording/rule.ts';
import { readWorth, worthOf } from '../../src/tidy/wording/worth.ts';
import { asWritten, tellingOf, wordedSentence, WORDING_RULES, type Turn } from '../../src/tidy/wording/written.ts';
import { PARTS, toldTalks, weighed } from '../../training/told.ts';

const worth = readWorth(readFileSync(new URL('../../data/worth.bin', import.meta.url)));

/** Sentences as a source's paragraphs, each where it would stand in its flow. */
function paragraphs(sentences: readonly string[]): Paragraph[] {
  let at = 0;
  return sentences.map((text, i) => {
    const from = at;
    at += text.length + 1;
    return { sentences: [{ text, first: i, last: i, from, to: from + text.length }] };
  });
}
// Some of them, of every kind.
const talks = PARTS.flatMap((part) => toldTalks(part))
  .filter((_, i) => i % 5 === 0)
  .map((t) => t.paragraphs.flatMap((p) => p.sentences));
const written = (said: string, person: ToldBy = 'you') => wordedSentence(said, { person, isHowTo: true }).text;

describe('wording', () => {
  // What is said, and what an editor writes.
  for (const [said, wanted] of [
    ['So this is the first screen.', 'This is the first screen.'],
    ['So that the glue holds, wait an hour.', 'So that the glue holds, wait an hour.'],
    ['So far we have two.', 'So far we have two.'],
    ['Okay, so now the glue is dry.', 'The glue is dry.'],
    ['And so on and so forth.', 'And so on and so forth.'],
    ['So what I want to do is find the box.', 'Find the box.'],
    ['What you do is you touch this corner and you hold it.', 'Touch this corner and hold it.'],
    ['What you don’t do is pull the flex.', 'Don’t pull the flex.'],
    ["We're going to go ahead and click Save.", 'Click Save.'],
    ["You're gonna want to hold the blade at fifteen degrees.", 'Hold the blade at fifteen degrees.'],
    ["I'm going to show you how the plug works later.", 'I will show you how the plug works later.'],
    ["And it's going to load in a bit.", 'It will load in a bit.'],
    ['You will be able to see the burr.', 'You can see the burr.'],
    ["We've got a box of plugs.", 'We have a box of plugs.'],
    ['Click this little arrow right here.', 'Click the arrow.'],
    ['As you can see, the edge is blunt.', 'The edge is blunt.'],
    ['Put it back in there.', 'Put it back in there.'],
    ['The kettle is here.', 'The kettle is here.'],
    ["It's kind of soft, actually.", "It's soft."],
    ['You just lean on it, you know, and it pings.', 'Lean on it, and it pings.'],
    ["It's not really dry.", "It's not really dry."],
    ['This is just before the end.', 'This is just before the end.'],
    ['If it beeps, you press the bar.', 'If it beeps, press the bar.'],
    ['You want to sand it, you get a mask.', 'You want to sand it, you get a mask.'],
    ['I put my finger on the blade when I started here.', 'I put my finger on the blade when I started here.'],
    ['Is damp just damp?', 'Is damp just damp?'],
    ['The wind heaps it up in here, and it stays.', 'The wind heaps it up in here, and it stays.'],
    ['You walk over here and drop it in the slot.', 'You walk over here and drop it in the slot.'],
    ['Put wet cloth here, in the armpit.', 'Put wet cloth in the armpit.'],
    [
      'Push the card in the jacket, over here on the right side there is one slot.',
      'Push the card in the jacket, on the right side there is one slot.',
    ],
    ['A tube, one here, one up that end.', 'A tube, one here, one up that end.'],
    ["If they're like this, way apart, he looks kind.", "If they're like this, way apart, he looks kind."],
    ["I don't know why it's called like that.", "I don't know why it's called like that."],
    ["You saw what it's like.", "You saw what it's like."],
    ['Lay them by half, like the slates of a roof.', 'Lay them by half, like the slates of a roof.'],
    ["And I'm going to print it so that my Lola can read it.", 'Print it so that my Lola can read it.'],
    ["There's this little sheep up here in the corner.", "There's this little sheep in the corner."],
    ['Put a wedge under it, bigger here, smaller there.', 'Put a wedge under it, bigger here, smaller there.'],
    ["He's not going to like this.", "He's not going to like this."],
    ["It doesn't know what day it is, well, it does.", "It doesn't know what day it is, it does."],
    ['Front, back, left, right, top, mark.', 'Front, back, left, right, top, mark.'],
    ["That's this right here.", "That's this right here."],
    ["It's loud, 'cause there's two fans going.", "It's loud, because there's two fans going."],
    ['And I said, you’re gonna let me have two lines.', 'I said, you will let me have two lines.'],
    ['Today what we’re gonna do is chicken and gravy.', 'Today what we will do is chicken and gravy.'],
    ["I'm gonna go and find that strap in a sec.", 'I will find that strap in a sec.'],
  ] as const)
    it(`“${said}” becomes “${wanted}”`, () => {
      expect(written(said.replaceAll('’', "'"))).to.equal(wanted.replaceAll('’', "'"));
    });

  it('cuts a sentence that runs on where a clause of its own begins', () => {
    const said =
      'The leader is a bit of yarn you have already, a metre of it, tied on to the bobbin, and it goes along the hooks and out of the hole at the front of the wheel, and the band is a bit of string.';
    const found = written(said);
    expect(found.split(/(?<=\.) /)).to.have.length.greaterThan(1);
    for (const part of found.split(/(?<=\.) /)) expect(part).to.match(/^[A-Z].*\.$/);
  });

  it('drops what only reacts, greets, waits or talks of the recording, and nothing that says something', () => {
    for (const gone of [
      'There we go.',
      'Can everybody see that?',
      'Hello everyone.',
      'Bear with me.',
      'Please like and subscribe.',
      'Oh, sorry, wrong one.',
    ])
      expect(droppedBy(gone), gone).not.to.equal(null);
    for (const kept of [
      'There we keep the glue.',
      'Can everybody count to ten?',
      'Wait a minute before you turn it.',
      'Cut the video at the mark.',
      'Click Subscribe and type your name.',
      'The good edge is the dry one.',
    ])
      expect(droppedBy(kept), kept).to.equal(null);
  });

  it('has a reason a writer understands for every rule, and each rule a name of its own', () => {
    expect(new Set(WORDING_RULES.map((r) => r.name)).size).to.equal(WORDING_RULES.length);
    for (const { name, reason } of WORDING_RULES) expect(reason, name).to.match(/^[A-Z].{5,60}$/);
  });

  it('loads no rule that puts in a word of the open class', () => {
    for (const rule of WORDING_RULES) expect(() => readied(rule), rule.name).not.to.throw();
    expect(() => readied({ name: 'bad', reason: 'Bad', find: 'so', put: 'therefore splendid' })).to.throw('therefore');
  });

  it('reads a bar as parting words, a stroke as parting runs', () => {
    const fits = (source: string, letters: string) => patternOf(source, SETS).find.test(letters);
    expect(fits('a|b c', 'a/t c/n ')).to.equal(true);
    expect(fits('a|b c', 'a/t b/n ')).to.equal(false);
    expect(fits('( a b / c )', 'a/t b/n ')).to.equal(true);
    expect(fits('^ <v> !>( the )', 'cut/v the/t ')).to.equal(false);
    expect(fits('<( so ) <v>', 'so/c cut/v ')).to.equal(true);
    expect(() => patternOf('( a', SETS)).to.throw();
    expect(() => patternOf('@nobody', SETS)).to.throw();
  });

  it('brings in no content word that nobody said', () => {
    for (const sentences of talks)
      for (const {
        sentences: [s],
      } of asWritten(paragraphs(sentences), {}, worth).paragraphs) {
        const said = new Set(words(s!.wording!.said).map((w) => stem(w.text)));
        for (const w of words(s!.text))
          expect(
            said.has(stem(w.text)) || isClosed(normal(w.text)) || /^(?:go|have|will)$/.test(stem(w.text)),
            `${w.text}: ${s!.wording!.said}`,
          ).to.equal(true);
      }
  });

  it('all put back are the words as said, letter for letter, whatever is turned besides', () => {
    fc.assert(
      fc.property(
        fc.nat(talks.length - 1),
        fc.array(fc.tuple(fc.nat(400), fc.constantFrom<Turn>('said', 'in', 'out')), { maxLength: 12 }),
        (n, some) => {
          const source = paragraphs(talks[n]!);
          const turns: Record<number, Turn> = {};
          for (const [i, turn] of some) turns[source[i % source.length]!.sentences[0]!.from] = turn;
          const mixed = asWritten(source, { turns }, worth);
          for (const {
            sentences: [s],
          } of mixed.paragraphs) {
            const turn = turns[s!.from];
            if (turn === 'said') expect(s!.text).to.equal(s!.wording!.said);
            if (turn) expect(isOut(s!)).to.equal(turn === 'out');
          }
          const back = Object.fromEntries(source.map((p) => [p.sentences[0]!.from, 'said' as const]));
          const whole = asWritten(source, { turns: back }, worth).paragraphs.flatMap((p) => p.sentences.map((s) => s.text));
          expect(whole).to.deep.equal(talks[n]);
          // Made anew from the same choices it is the same.
          expect(asWritten(source, { turns }, worth)).to.deep.equal(mixed);
        },
      ),
      { numRuns: 10 },
    );
  });

  it('leaves out nothing of a few sentences but what only reacts', () => {
    const said = ['Okay, great.', 'So the plug comes out first.', 'And then we look at the flex.'];
    const found = asWritten(paragraphs(said), {}, worth).paragraphs.flatMap((p) => p.sentences);
    expect(found.map(isOut)).to.deep.equal([true, false, false]);
  });

  it('as said, it leaves everything alone', () => {
    for (const sentences of talks.slice(0, 6)) {
      const source = paragraphs(sentences);
      expect(asWritten(source, { person: 'as-said' }, worth).paragraphs).to.deep.equal(source);
    }
  });

  it('never ends in two marks, a comma before a mark, or a small letter first', () => {
    for (const sentences of talks)
      for (const {
        sentences: [s],
      } of asWritten(paragraphs(sentences), {}, worth).paragraphs) {
        if (!s!.wording!.changes.length) continue;
        expect(s!.text).to.match(/^["'“‘([]*[^\p{Ll}]/u);
        expect(s!.text).not.to.match(/[,;] *[.?!]|,,| ,| {2}/);
      }
  });

  it('tells the reader what to do where the speaker shows it, and tells a lecture as it was said', () => {
    expect(tellingOf(['Now we click Save.', 'I open the box.', 'You turn the key.', 'It clicks.', 'I press the bar.']).person).to.equal(
      'you',
    );
    expect(tellingOf(['I grew up here.', 'We had no tram.', 'My father drove it.', 'I miss it.']).person).to.equal('i');
  });

  it('keeps what a writer decides among the repairs, where it changes no words', () => {
    const text = 'So this is it. And there you go.';
    const edits = [turned(text, { from: 0, to: 14 }, 'said'), toldBy('we')];
    expect(choicesOf(edits)).to.deep.equal({ person: 'we', turns: { 0: 'said' } });
    expect(applyEdits({ text, starts: [0] }, edits).text).to.equal(text);
  });

  it('finds most of what an editor takes out of talks it was not taught', () => {
    const all = weighed('measured').flatMap((talk) =>
      worthOf(talk, worth).map(({ chances }, i) => ({ zero: chances[0]!, weight: talk[i]!.weight })),
    );
    const gone = all.filter((s) => s.weight === 0);
    const kept = all.filter((s) => s.weight > 0);
    // The area under the curve: how often a sentence that goes is given the greater chance to.
    const above = gone.reduce((sum, g) => sum + kept.filter((k) => g.zero > k.zero).length, 0) / gone.length / kept.length;
    expect(above).to.be.greaterThan(0.86);
  });
});
