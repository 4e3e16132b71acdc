import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { doubleMetaphone } from 'double-metaphone';
import fc from 'fast-check';
import { Complaint } from '@even-page/core/complaint';
import type { Passage, Source } from '../../src/gather/source.ts';
import { applyEdits, changeEdits, editsForSections, isMark, takenMark, type Edit } from '../../src/tidy/edit.ts';
import type { EditKind } from '../../src/tidy/repair-kinds.ts';
import { findMatches, replaceMatch, type Query } from '../../src/tidy/find.ts';
import { findEdits } from '../../src/tidy/finders.ts';
import { flowOf } from '../../src/tidy/flow.ts';
import { usualHouse } from '../../src/tidy/house.ts';
import { filterOf, listsOf } from '../../src/tidy/marks/lexicon.ts';
import { readModel } from '../../src/tidy/marks/model.ts';
import { paragraphText, proseOf } from '../../src/tidy/prose.ts';

const model = readModel(readFileSync(new URL('../../data/marks.bin', import.meta.url)));
const text = (...passages: string[]): Source => ({ kind: 'text', passages: passages.map((p) => ({ text: p })) });
const tidied = (source: Source, kinds: EditKind[], names: string[] = []) =>
  applyEdits(
    flowOf(source),
    findEdits(source, { house: { ...usualHouse(), names }, model }).filter((e) => kinds.includes(e.kind)),
  ).text;
const withoutFillers = (words: string) => tidied(text(words), ['fillers', 'doubled']);

describe('padding', () => {
  it('goes where it carries nothing', () => {
    expect(withoutFillers('It was, you know, really old.')).to.equal('It was really old.');
    expect(withoutFillers('Okay so the blade is like ten inches long.')).to.equal('The blade is ten inches long.');
    expect(withoutFillers('When it is dry, um, take the brush.')).to.equal('When it is dry, take the brush.');
    expect(withoutFillers('I mean, it is sort of round, and basically it works.')).to.equal('It is round, and it works.');
    expect(withoutFillers('Right, so we begin. Actually, we wait.')).to.equal('So we begin. We wait.');
  });

  it('stays where it is the word itself', () => {
    for (const meant of [
      'Things like saws are no good.',
      'Do you know what it was?',
      'What I mean is thin oil.',
      'That sort of thing happens.',
      'This kind of glue holds.',
      'Turn right at the pond.',
      'It looks like a fish.',
      'You know the way.',
      'They did not actually try.',
      'I would like the vice.',
    ])
      expect(withoutFillers(meant)).to.equal(meant);
  });

  it('goes only where House style says so', () => {
    const source = text('It was, you know, sort of old.');
    const edits = findEdits(source, { house: { ...usualHouse(), padding: ['sort of'] } });
    expect(applyEdits(flowOf(source), edits).text).to.equal('It was, you know, old.');
  });
});

describe('starts that were cut off', () => {
  it('go, and the second start stays', () => {
    expect(withoutFillers('The bl- the blade is wet.')).to.equal('The blade is wet.');
    expect(withoutFillers('So the, my glue is in the box.')).to.equal('So my glue is in the box.');
    expect(withoutFillers('Take the, your knife and cut it.')).to.equal('Take your knife and cut it.');
    expect(withoutFillers("It's a, it's an old chair.")).to.equal("It's an old chair.");
    expect(withoutFillers('An, the usual way is slower.')).to.equal('The usual way is slower.');
    expect(withoutFillers('Carrots hold vitamin A, the one for eyes.')).to.equal('Carrots hold vitamin A, the one for eyes.');
    expect(withoutFillers('Not round and round, and only a little.')).to.equal('Not round and round, and only a little.');
    expect(withoutFillers('Two heaps, one here and one here, and the ball.')).to.equal('Two heaps, one here and one here, and the ball.');
    expect(withoutFillers('I like this, the other is blunt.')).to.equal('I like this, the other is blunt.');
    expect(withoutFillers('I wen— went home.')).to.equal('I went home.');
    expect(withoutFillers('A well-made chair and a half-inch bit.')).to.equal('A well-made chair and a half-inch bit.');
  });
});

describe('names', () => {
  const NAMES = ['Mira Holloway', 'Tarn stone', 'Brockmere'];
  const named = (words: string) => tidied(text(words), ['names'], NAMES);

  it('are found by sound and spelling, in lower case and cut in two', () => {
    expect(named('We asked mira hollo way about it.')).to.equal('We asked Mira Holloway about it.');
    expect(named('Myra Holloway has a tarnstone from brokmere.')).to.equal('Mira Holloway has a Tarn stone from Brockmere.');
    expect(named('It was Mira Hollowey’s idea.')).to.equal('It was Mira Holloway’s idea.');
  });

  it('leave alone what is spelt right, and words that only sound a little like them', () => {
    const fine = 'Mira Holloway turned the stone. The mirror is hollow, and the barn stood by the broken mere.';
    expect(named(fine)).to.equal(fine);
  });

  it('of one mishearing are one group, so that one choice mends all', () => {
    const edits = findEdits(text('Ask mira hollo way.', 'Then mira hollo way said so.'), {
      house: { ...usualHouse(), names: NAMES },
      model,
    });
    expect(new Set(edits.filter((e) => e.kind === 'names').map((e) => e.group)).size).to.equal(1);
  });

  it('in several spellings take the one that stands most often', () => {
    const words = 'We met Tamsyn Oak there. Then Tamsin came, and Tamsin stayed, and so did Tamsin Oak.';
    expect(tidied(text(words), ['names'])).to.equal(words.replace('Tamsyn', 'Tamsin'));
  });

  // Lawrence Philips, "The Double Metaphone Search Algorithm", C/C++ Users Journal, June 2000: the article's own pairs.
  it('are coded by sound as the published algorithm codes them', () => {
    expect(doubleMetaphone('Schmidt')).to.deep.equal(['XMT', 'SMT']);
    expect(doubleMetaphone('Smith')).to.deep.equal(['SM0', 'XMT']);
    expect(doubleMetaphone('Catherine')[1]).to.equal(doubleMetaphone('Kathryn')[1]);
  });
});

describe('office junk', () => {
  it('is made even: quotes of one kind, addresses without capitals, numbers that count on', () => {
    expect(tidied(text('He said "yes" and “no”, and it\'s done.'), ['junk'])).to.equal('He said “yes” and “no”, and it’s done.');
    expect(tidied(text('Write to Hall@Larkfield.Example now.'), ['junk'])).to.equal('Write to hall@larkfield.example now.');
    expect(tidied(text('1. Soak\n2. Peg\n4. Weave'), ['junk'])).to.equal('1. Soak\n2. Peg\n3. Weave');
  });

  it('is not seen where all is even', () => {
    for (const fine of ['It\'s a 6" nail.', '“Even” and ‘even’.', '1. One\n2. Two\n\nIn 1987. Then 12. Then.'])
      expect(findEdits(text(fine)).filter((e) => e.kind === 'junk')).to.deep.equal([]);
  });
});

describe('suspect passages', () => {
  const marked = (words: string) => findEdits(text(words), { model }).filter((e) => e.kind === 'suspect');

  it('are marked for a listen and change nothing', () => {
    for (const [words, stretch] of [
      ['It was so so so so so wet.', 'so so so so so'],
      ['thank you for that thank you for that thank you for that and on', 'thank you for that thank you for that thank you for that'],
      ['The glue is жидкий клей here, and then we go on with the work.', 'жидкий клей'],
    ] as const) {
      const found = marked(words);
      expect(found.map((e) => e.before)).to.deep.equal([stretch]);
      expect(found[0]!.after).to.equal(stretch);
    }
    expect(marked('A text in plain words, with nothing odd in it, goes by without a mark.')).to.deep.equal([]);
  });
});

describe('a name that stands as it should', () => {
  it('is left alone, with the words beside it and over the end of a line', () => {
    const said = text("My name is Mira Holloway, I've been here long. Come to the Larkfield Repair\nHall tonight.");
    const house = { ...usualHouse(), names: ['Mira Holloway', 'Larkfield Repair Hall'] };
    expect(findEdits(said, { model, house }).filter((e) => e.kind === 'names')).to.deep.equal([]);
  });
});

describe('asides', () => {
  const talk = text(
    'Hello everybody and welcome to the hall. Good. The blade is the first thing to look at. As you can see on the screen, it is bent. Do not forget to subscribe. You straighten it in the vice. Thank you for listening.',
  );

  it('stay out of sections, and are taken in by the writer', () => {
    const proposed = findEdits(talk, { model });
    const asides = proposed.filter((e) => e.kind === 'asides');
    expect(asides.map((e) => e.before)).to.deep.equal([
      'Hello everybody and welcome to the hall.',
      'Good.',
      'As you can see on the screen, it is bent.',
      'Do not forget to subscribe.',
      'Thank you for listening.',
    ]);
    const prose = (taken: Edit[]) => proseOf(talk, editsForSections(taken, proposed)).map(paragraphText).join(' ');
    expect(prose([])).to.equal('The blade is the first thing to look at. You straighten it in the vice.');
    expect(prose([takenMark(asides[0]!)])).to.match(/^Hello everybody and welcome to the hall\. The blade/);
  });

  it('stay out with the marks and capitals they were given', () => {
    const bare = text(
      'so the first thing is the mangle and it was in a terrible state the rollers were split and the handle was gone how long did it take it took us nine evenings so we soaked the gears in paraffin and then we turned the rollers on the lathe and they came out like new thank you for listening',
    );
    const proposed = findEdits(bare, { model });
    expect(proposed.filter((e) => e.kind === 'asides').map((e) => e.before)).to.deep.equal(['thank you for listening']);
    const taken = proposed.filter((e) => !isMark(e));
    const prose = proseOf(bare, editsForSections(taken, proposed)).map(paragraphText).join(' ');
    expect(prose).to.match(/like new\.$/);
  });
});

describe('sentences of words without marks', () => {
  const SAID =
    'so the first thing you do is take it apart you know how these things are built it is all iron and wedges how long did it take it took us nine evenings and i would do it again because petra has a lathe and she turned the rollers on it in a week and then we painted it green like the hall';

  it('get full stops, capitals and question marks', () => {
    const result = tidied(text(SAID), ['sentences']);
    expect(result).to.match(/^So the first thing/);
    expect(result).to.match(/[.?]$/);
    expect(result).to.contain('How long did it take?');
    expect(result).to.contain(' I would');
    expect(result.match(/[.?]/g)!.length).to.be.within(3, 9);
    // Only marks and capitals came in.
    expect(result.toLowerCase().replace(/[.,?]/g, '')).to.equal(SAID);
  });

  it('believe a speaker who pauses where sentences end, even after a word that leads on', () => {
    const said =
      'the wick is cotton | it is woven flat | it has to fit the burner | you cut it straight | you soak it for an hour | the chimney is glass | it gets hot | you wash it in warm water | it has to be dry before you put it in | the lamp wants a new wick | most of them are not broken | they only want to be cleaned | that is the whole of it';
    let clock = 0;
    const wordsMs: number[] = [];
    for (const word of said.split(' ')) {
      if (word === '|') clock += 600;
      else wordsMs.push(clock, (clock += 250));
    }
    const passage = { text: said.replaceAll(' |', ''), startMs: 0, endMs: clock, wordsMs };
    const result = tidied({ kind: 'transcript', passages: [passage] }, ['sentences']);
    expect(result).to.contain('put it in. The lamp');
    expect(result.match(/\./g)).to.have.length(13);
  });

  it('go by the pauses where the times of words are there', () => {
    const words = 'so first you take the plug out of the wall then you open the back there are two screws';
    const timed = (pauseAfter: number): Passage => {
      let clock = 0;
      const wordsMs = words.split(' ').flatMap((_, i) => {
        const from = clock;
        clock += 250;
        const to = clock;
        clock += i === pauseAfter ? 900 : 20;
        return [from, to];
      });
      return { text: words, startMs: 0, endMs: clock, wordsMs };
    };
    const read = (pauseAfter: number) => tidied({ kind: 'transcript', passages: [timed(pauseAfter)] }, ['sentences']);
    expect(read(9)).to.contain('out of the wall. Then you open');
    expect(read(-1)).to.not.match(/wall\./);
  });

  it('that have their marks are left alone, whatever else is put right', () => {
    const marked = readFileSync(new URL('../../../demo/material/mending-log.md', import.meta.url), 'utf8');
    const source = text(...marked.split(/\n\n+/));
    const put = findEdits(source, { model }).filter((e) => e.kind === 'sentences' && e.before.trim() !== '');
    expect(put).to.deep.equal([]);
  });

  it('take a full stop and the capital after it as one thing', () => {
    const groups = findEdits(text(SAID), { model }).filter((e) => e.group?.startsWith('sentence:'));
    const counts = new Map<string, number>();
    for (const e of groups) counts.set(e.group!, (counts.get(e.group!) ?? 0) + 1);
    expect(Math.max(...counts.values())).to.equal(2);
  });
});

describe('find and replace', () => {
  const plain: Query = { find: 'the gear', wholeWord: false, matchCase: false, isPattern: false };
  const found = (words: string, query: Partial<Query>, replacement = '') => findMatches(words, { ...plain, ...query }, replacement);

  it('finds plain words, whole words, with their case, or by a pattern', () => {
    const words = 'The gear and the gears. THE gear.';
    expect(found(words, {})).to.have.length(3);
    expect(found(words, { wholeWord: true })).to.have.length(2);
    expect(found(words, { matchCase: true })).to.have.length(1);
    expect(found('a1 b22', { find: '([a-z])(\\d+)', isPattern: true }, '$2$1').map((m) => m.after)).to.deep.equal(['1a', '22b']);
    expect(found('Is it (so)?', { find: '(so)?' })).to.have.length(1);
    expect(() => found('x', { find: '(', isPattern: true })).to.throw(Complaint);
  });

  it('fills the signs of a replacement in as the standard says, also beside look-around', () => {
    const after = (find: string, words: string, replacement: string) =>
      found(words, { find, isPattern: true, wholeWord: false }, replacement).map((m) => m.after);
    expect(after('(?<=No\\. )(\\d+)', 'No. 12', 'number $1')).to.deep.equal(['number 12']);
    expect(after('lamp(?=s)', 'lamps', 'light')).to.deep.equal(['light']);
    // ECMA-262, GetSubstitution: String.prototype.replace is the reference.
    for (const sign of ['$1', '$2', '$10', '$01', '$0', '$$1', '$&', '$<b>', '$<none>', '$']) {
      const pattern = '(?<a>[a-z]+)-(?<b>[a-z]+)';
      expect(after(pattern, 'hand-saw', `<${sign}>`), sign).to.deep.equal(['hand-saw'.replace(new RegExp(pattern, 'u'), `<${sign}>`)]);
    }
  });

  it('replaces in words as they read, over repairs, and can be put back', () => {
    const source = text('We took the um gear off. Ask mira hollo way.');
    const house = { ...usualHouse(), names: ['Mira Holloway'] };
    const taken = findEdits(source, { house, model }).filter((e) => !isMark(e));
    const read = (edits: readonly Edit[]) => applyEdits(flowOf(source), edits).text;
    expect(read(taken)).to.equal('We took the gear off. Ask Mira Holloway.');
    let edits: Edit[] = taken;
    for (const [find, instead] of [
      ['the gear', 'a cog'],
      ['Holloway', 'Crake'],
    ] as const) {
      const view = applyEdits(flowOf(source), edits);
      const [match] = findMatches(view.text, { ...plain, find }, instead);
      const { take, drop } = replaceMatch(view, edits, match!);
      edits = changeEdits(edits, { source: '', take: [take], drop: drop.map((e) => `${e.kind}:${e.from}:${e.to}`) });
    }
    expect(read(edits)).to.equal('We took a cog off. Ask Mira Crake.');
  });

  it('replaces anything anywhere, and nothing else moves', () => {
    const words = fc.array(fc.constantFrom('um', 'the', 'gear', 'gears', 'Gear,', 'wet.', 'and'), { minLength: 1, maxLength: 20 });
    fc.assert(
      fc.property(words, fc.constantFrom('gear', 'the', 'um'), (list, find) => {
        const source = text(list.join(' '));
        const edits = findEdits(source).filter((e) => !isMark(e));
        const view = applyEdits(flowOf(source), edits);
        const [match] = findMatches(view.text, { ...plain, find }, 'X');
        if (!match) return;
        const { take, drop } = replaceMatch(view, edits, match);
        const after = changeEdits(edits, { source: '', take: [take], drop: drop.map((e) => `${e.kind}:${e.from}:${e.to}`) });
        expect(applyEdits(flowOf(source), after).text).to.equal(`${view.text.slice(0, match.from)}X${view.text.slice(match.to)}`);
      }),
      { numRuns: 300 },
    );
  });
});

describe('word lists', () => {
  it('never miss a word they were made of, and seldom take another for one', () => {
    const listed = Array.from({ length: 3000 }, (_, i) => `word${i}x${(i * 7919) % 1000}`);
    const filter = filterOf(listed);
    const filters = { common: filter, name: filter, noun: filter, verb: filter, adjective: filter, adverb: filter };
    expect(listed.filter((word) => (listsOf(word, filters) & 1) === 0)).to.deep.equal([]);
    const others = Array.from({ length: 3000 }, (_, i) => `other${i}`);
    expect(others.filter((word) => listsOf(word, filters) & 1).length).to.be.below(120);
  });
});
