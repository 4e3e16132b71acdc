import { expect } from 'chai';
import type { Source } from '../../src/gather/source.ts';
import { makePage } from '../../src/page/made-page.ts';
import { turnedBlock } from '../../src/page/turned-block.ts';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { schema, type Origin } from '@even-page/core/post/schema';
import { turnIn, turnOf, voiceAt } from '@even-page/core/post/turns';
import { feeding } from '../../src/shape/passage-use.ts';
import { hiddenLists, withList } from '../../src/shape/lists.ts';
import { questionsAndAnswers } from '../../src/shape/standing/questions.ts';
import { saidSections } from '../../src/shape/standing/said-on-page.ts';
import { openings } from '../../src/shape/voices.ts';
import { usualHouse, type House } from '../../src/tidy/house.ts';
import { proseOf } from '../../src/tidy/prose.ts';

const sentence = (text: string, at = 0) => ({ text, first: at, last: at, from: at, to: at + 1 });
const turns = (...said: [speaker: string, text: string][]) => said.map(([speaker, text]) => ({ speaker, sentences: [sentence(text)] }));
const names = (sections: ReturnType<typeof turns>[], voices: House['voices'] = 'names') =>
  openings(sections, voices).map((s) => s.map((o) => o.name + (o.isQuestion ? '?' : '')));

const TALK = turns(
  ['Ada', 'How long does a wick last when the lamp burns all evening?'],
  ['Bo', 'A cotton wick lasts a winter when the oil is clean.'],
  ['Bo', 'Trim it straight across every Friday and it lasts two.'],
  ['Ada', 'What do you trim it with?'],
  ['Bo', 'Old scissors, since the char blunts good ones within a week.'],
);

describe('who speaks on a page', () => {
  it('is named where the voice changes, and again at the head of a section', () => {
    expect(names([TALK, TALK.slice(1)])).to.deep.equal([
      ['Ada', 'Bo', '', 'Ada', 'Bo'],
      ['Bo', '', 'Ada', 'Bo'],
    ]);
  });

  it('is not said of one voice, nor where House style leaves it out', () => {
    expect(
      names([TALK.filter((t) => t.speaker === 'Bo')])
        .flat()
        .join(''),
    ).to.equal('');
    expect(names([TALK], 'none').flat().join('')).to.equal('');
  });

  it('is not said of who gives a talk before another has spoken', () => {
    const long = turns(['Bo', 'Words '.repeat(90)], ['Ada', 'Is it hot?'], ['Bo', 'No.']);
    expect(names([long, long])).to.deep.equal([
      ['', 'Ada', 'Bo'],
      ['', 'Ada', 'Bo'],
    ]);
  });

  it('is seen from questions in bold, where one of two asks', () => {
    expect(names([TALK], 'questions')).to.deep.equal([['?', '', '', '?', '']]);
  });

  it('is said by names after all where nobody asks', () => {
    const told = turns(['Ada', 'The wick is cotton.'], ['Bo', 'The oil is clean.']);
    expect(names([told], 'questions')).to.deep.equal([['Ada', 'Bo']]);
  });
});

describe('a page made of a conversation', () => {
  const source: Source = {
    kind: 'text',
    passages: [
      { speaker: 'Ada Lindqvist', text: 'How long does a wick last? I ask since mine is black after a week.' },
      { speaker: 'Bo', text: 'A cotton wick lasts a winter. The oil must be clean.' },
      { speaker: 'Ada Lindqvist', text: 'And what about the glass? Mine cracks.' },
      { speaker: 'Bo', text: 'Warm it slowly. Cold glass on a hot flame cracks at once.' },
    ],
  };
  const paragraphs = proseOf(source, []);
  const make = (voices: House['voices']) =>
    makePage([{ source: 's', paragraphs }], { sections: 1 }, { subjects: null, worth: null }, { ...usualHouse(), voices }).doc;

  it('has names in bold, and they go out as Markdown and come back', () => {
    const written = postToMarkdown(make('names'));
    expect(written).to.match(/^\*\*Ada Lindqvist:\*\* How long does a wick last\?/);
    expect(written).to.contain('\n\n**Bo:** A cotton wick lasts a winter.');
    expect(postFromMarkdown(written).children.map(turnIn)).to.deep.equal(['Ada Lindqvist: ', 'Bo: ', 'Ada Lindqvist: ', 'Bo: ']);
  });

  it('has no names, and the questions in bold, as House style says', () => {
    expect(postToMarkdown(make('questions'))).to.match(/^\*\*How long[^*]+\*\*\n\nA cotton wick/);
    expect(postToMarkdown(make('none'))).not.to.match(/\*\*|Bo/);
  });

  it('turns the words behind a name, never the name', () => {
    const block = make('names').child(1);
    const said = block.textContent.slice(turnIn(block).length);
    expect(turnedBlock(said, block.attrs.origins as Origin[], [{ source: 's', paragraphs }])).to.equal(null);
    expect(said).to.equal('A cotton wick lasts a winter. The oil must be clean.');
  });

  it('takes in a sentence of another voice with its name, and the voice it breaks is named again', () => {
    const said = (text: string, at: number, speaker = '') =>
      schema.node('paragraph', { origins: [{ source: 's', first: at, last: at }] }, [
        ...(speaker ? turnOf(speaker) : []),
        schema.text(text),
      ]);
    const heading = (id: string) => schema.node('heading', { level: 2, id }, schema.text(id));
    const doc = schema.node('doc', null, [heading('wicks'), said('One.', 0, 'Bo'), said('Two.', 2), heading('glass'), said('Three.', 3)]);
    const fed = (section: string, speaker: string) => {
      const stretch = { source: 's', sentences: [sentence('Hm?', 1)], text: 'Hm?', words: 1, feeds: [], speaker };
      const { paragraph, resumes } = feeding(doc, section, stretch)!;
      return [paragraph.textContent, resumes.map((r) => r.text).join('')];
    };
    expect(fed('wicks', 'Ada')).to.deep.equal(['Ada: Hm?', 'Bo: ']);
    expect(fed('wicks', 'Bo')).to.deep.equal(['Hm?', '']);
    // Nobody was named in this section yet.
    expect(fed('glass', 'Ada')).to.deep.equal(['Hm?', '']);
    expect(voiceAt(doc, doc.content.size)).to.equal(null);
  });

  it('makes no list of what two say, keeps a name before its list, and no name in what is asked', () => {
    const page = postFromMarkdown(
      '**Bo:** Take the glass off. Trim the wick straight. Wipe the burner clean.\n\n**Ada:** Fill it to the line.\n\n**Ada:** How long does a wick last?\n\n**Bo:** It lasts one whole winter when the oil is clean.',
    );
    const [list, ...more] = hiddenLists(page);
    expect(more).to.deep.equal([]);
    expect(list!.items).to.have.length(3);
    expect(postToMarkdown(withList(page, list!, 'numbers'))).to.match(/^\*\*Bo:\*\*\n\n1\. Take the glass off\./);
    const asked = questionsAndAnswers(saidSections(page, new Set()));
    expect(asked.map((b) => b.textContent).join(' ')).not.to.match(/Bo|Ada/);
  });
});
