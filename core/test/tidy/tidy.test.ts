import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { readText } from '../gather/read-text.ts';
import type { Source } from '../../src/gather/source.ts';
import { wordCount } from '@even-page/core/language/words';
import { applyEdits, isMark, type Edit } from '../../src/tidy/edit.ts';
import type { EditKind } from '../../src/tidy/repair-kinds.ts';
import { findEdits } from '../../src/tidy/finders.ts';
import { flowOf } from '../../src/tidy/flow.ts';
import { paragraphText, proseOf } from '../../src/tidy/prose.ts';

const text = (...passages: string[]): Source => ({ kind: 'text', passages: passages.map((p) => ({ text: p })) });
const cues = (...said: (string | [string, number])[]): Source => {
  let clock = 0;
  return {
    kind: 'captions-srt',
    passages: said.map((s) => {
      const [words, pause] = typeof s === 'string' ? [s, 0] : s;
      const startMs = clock + pause;
      clock = startMs + 3000;
      return { text: words, startMs, endMs: clock };
    }),
  };
};
const tidy = (source: Source, ...kinds: EditKind[]) =>
  applyEdits(
    flowOf(source),
    findEdits(source).filter((e) => !kinds.length || kinds.includes(e.kind)),
  ).text;
const clean = (words: string) => tidy(text(words));
const count = (source: Source, kind: EditKind) => findEdits(source).filter((e) => e.kind === kind).length;

describe('fillers', () => {
  it('go with their comma and leave the sentence whole', () => {
    expect(clean('Hold it, um, almost flat.')).to.equal('Hold it almost flat.');
    expect(clean('It stays there, uh, and then it dries.')).to.equal('It stays there, and then it dries.');
    expect(clean('It was er good.')).to.equal('It was good.');
  });

  it('hand their capital on at the start of a sentence', () => {
    expect(clean('Um, the first thing. Uh so we begin.')).to.equal('The first thing. So we begin.');
  });

  it('at the end of a sentence leave its mark', () => {
    expect(clean('We stop here, um. Then we go.')).to.equal('We stop here. Then we go.');
  });

  it('are never parts of words or names in capitals', () => {
    expect(clean('The umbrella of the ER ward, ahead of Uhland.')).to.equal('The umbrella of the ER ward, ahead of Uhland.');
  });
});

describe('doubled words', () => {
  it('are said once', () => {
    expect(clean('The the stone is is wet.')).to.equal('The stone is wet.');
    expect(clean('So we went we went home.')).to.equal('So we went home.');
    expect(clean('I put the, um, the stone down.')).to.equal('I put the stone down.');
  });

  it('stay where people mean them', () => {
    for (const meant of ['It is very very wet.', 'He had had enough.', 'Ten. Ten more.', 'Say no, no.'])
      expect(clean(meant)).to.equal(meant);
  });

  it('are not seen where a paragraph takes up the words of a heading', () => {
    expect(tidy(text('The diagonals', 'The diagonals are thicker.'))).to.equal('The diagonals\n\nThe diagonals are thicker.');
  });

  it('are found across the border of two cues', () => {
    expect(tidy(cues('It is the', 'the angle.'), 'doubled')).to.equal('It is the angle.');
  });
});

describe('spacing', () => {
  it('evens out empty lines, double spaces, tabs and hidden characters', () => {
    expect(clean('Two  spaces\tand a\u200B tab , here .')).to.equal('Two spaces and a tab, here.');
    const { source } = readText(new TextEncoder().encode('One.\n\n\n\nTwo.'));
    expect(tidy(source)).to.equal('One.\n\nTwo.');
  });

  it('takes an empty line inside a cue for the accident it is', () => {
    expect(tidy(cues('Think of the\n\n\nother way.'))).to.equal('Think of the other way.');
  });
});

describe('sentences and paragraphs of captions', () => {
  it('join cues that were cut in mid-sentence', () => {
    expect(tidy(cues('The first thing is', 'the angle of the\nblade.'))).to.equal('The first thing is the angle of the blade.');
  });

  it('begin a paragraph after a long pause and at another voice', () => {
    const long = 'We have talked about the angle for quite a while by now.';
    expect(tidy(cues(long, ['Water is next.', 2500])).split('\n\n')).to.have.length(2);
    const voices = cues('And that is that.', 'Is there tea?');
    voices.passages[0]!.speaker = 'Mira';
    voices.passages[1]!.speaker = 'Joss';
    expect(tidy(voices)).to.equal('And that is that.\n\nIs there tea?');
  });

  it('keep a heading on a line of its own apart from the text below it', () => {
    expect(tidy(text('The meeting rail\nThe two sashes meet in the\nmiddle.'))).to.equal(
      'The meeting rail\n\nThe two sashes meet in the middle.',
    );
    expect(tidy(text('We met on the\nTuesday of the week.', 'It is late, and\nJoss is tired.'))).to.contain('late, and Joss is');
  });

  it('come out as sentences that know their passages', () => {
    const source = cues('The stone is', 'wet. Now the', 'stroke begins.');
    const [paragraph] = proseOf(source, findEdits(source));
    expect(paragraph!.sentences).to.deep.equal([
      { text: 'The stone is wet.', first: 0, last: 1, from: 0, to: 17, startMs: 0 },
      { text: 'Now the stroke begins.', first: 1, last: 2, from: 18, to: 40, startMs: 3000 },
    ]);
  });

  it('make paragraphs of speech without any marks', () => {
    const source = cues(...Array.from({ length: 60 }, (_, i) => `then we take the stone number ${i} and`));
    expect(proseOf(source, findEdits(source)).length).to.be.greaterThan(2);
  });
});

describe('edits', () => {
  it('can be dropped one by one without touching the rest', () => {
    const source = text('Um, the the stone, uh, is wet.');
    const edits = findEdits(source);
    expect(edits.map((e) => e.kind)).to.deep.equal(['fillers', 'doubled', 'fillers']);
    for (const dropped of edits) {
      const rest = edits.filter((e) => e !== dropped);
      expect(applyEdits(flowOf(source), rest).text).to.contain(dropped.before.trim());
    }
  });

  it('quote exactly what they replace, in order, without overlap', () => {
    const words = fc.constantFrom(
      'um',
      'the',
      'stone',
      'wet.',
      'Uh,',
      'we went',
      '\n',
      '  ',
      '\n\n\n',
      'er,',
      'Right.',
      '\u200b',
      'I',
      '🙂',
      'é',
    );
    fc.assert(
      fc.property(
        fc.array(fc.array(words, { minLength: 1, maxLength: 12 }), { minLength: 1, maxLength: 8 }),
        fc.boolean(),
        (parts, timed) => {
          const passages = parts.map((p) => p.join(' ')).filter((p) => p.trim());
          const source = timed ? cues(...passages) : text(...passages);
          const flow = flowOf(source);
          let end = 0;
          for (const e of findEdits(source).filter((e) => !isMark(e))) {
            expect(flow.text.slice(e.from, e.to)).to.equal(e.before);
            expect(e.from).to.be.at.least(end);
            // What is only put in replaces nothing.
            expect(e.to + e.after.length).to.be.greaterThan(e.from);
            end = e.to;
          }
        },
      ),
      { numRuns: 300 },
    );
  });

  it('of the kinds that only join lose no word', () => {
    const { source } = readText(readFileSync(new URL('../../../demo/material/knife-evening.srt', import.meta.url)));
    const before = wordCount(flowOf(source).text);
    const joining = findEdits(source).filter((e: Edit) => ['spacing', 'sentences', 'paragraphs'].includes(e.kind));
    expect(wordCount(applyEdits(flowOf(source), joining).text)).to.equal(before);
  });
});

describe('the talk of the demo', () => {
  const { source } = readText(readFileSync(new URL('../../../demo/material/knife-evening.srt', import.meta.url)));

  it('is counted by kind', () => {
    expect(count(source, 'spacing')).to.be.greaterThan(5);
    expect(count(source, 'sentences')).to.be.greaterThan(300);
    expect(count(source, 'fillers') + count(source, 'doubled')).to.be.greaterThan(60);
  });

  it('becomes prose without fillers, in paragraphs one can read', () => {
    const paragraphs = proseOf(source, findEdits(source));
    expect(paragraphs.map(paragraphText).join(' ')).to.not.match(/\b(?:um|uh|er)\b/i);
    const lengths = paragraphs.map((p) => wordCount(paragraphText(p)));
    expect(Math.max(...lengths)).to.be.lessThan(220);
    for (const p of paragraphs) expect(paragraphText(p)).to.match(/[.?!]["”’]?$/);
  });
});
