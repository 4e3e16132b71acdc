import { expect } from 'chai';
import fc from 'fast-check';
import type { Source } from '../../src/gather/source.ts';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { schema, type PostNode } from '@even-page/core/post/schema';
import { draftChanges } from '../../src/tidy/draft-changes.ts';
import {
  applyEdits,
  asidesOut,
  changeEdits,
  editKey,
  editsForSections,
  isMark,
  leftOut,
  passagesOf,
  runAt,
  sourceOffset,
  takenMark,
  type Edit,
} from '../../src/tidy/edit.ts';
import { flowOf } from '../../src/tidy/flow.ts';

const LETTERS = fc.constantFrom('a', 'b', ' ', '\n', 'é', '🙂', '.', 'um');
/** A source of a few passages, and edits anywhere in it that do not touch one another. */
const mended = fc
  .array(
    fc.array(LETTERS, { minLength: 1, maxLength: 20 }).map((parts) => parts.join('')),
    { minLength: 1, maxLength: 5 },
  )
  .chain((texts) => {
    const source: Source = { kind: 'text', passages: texts.map((text) => ({ text })) };
    const { text } = flowOf(source);
    return fc.uniqueArray(fc.nat(text.length), { maxLength: 10 }).chain((cuts) =>
      fc.array(fc.constantFrom('', 'x', 'longer words', '\n\n'), { minLength: cuts.length, maxLength: cuts.length }).map((put) => {
        const places = [...cuts].sort((a, b) => a - b);
        const edits: Edit[] = [];
        for (let i = 0; i + 1 < places.length; i += 2) {
          const [from, to] = [places[i]!, places[i + 1]!];
          edits.push({ kind: 'replaced', from, to, before: text.slice(from, to), after: put[i]!, reason: '' });
        }
        return { source, edits };
      }),
    );
  });

describe('edits over a source', () => {
  it('give the text in which each stretch is replaced, whatever order they come in', () => {
    fc.assert(
      fc.property(mended, ({ source, edits }) => {
        const flow = flowOf(source);
        let wanted = flow.text;
        for (const e of edits.toReversed()) wanted = wanted.slice(0, e.from) + e.after + wanted.slice(e.to);
        expect(applyEdits(flow, edits).text).to.equal(wanted);
        expect(applyEdits(flow, edits.toReversed()).text).to.equal(wanted);
      }),
      { numRuns: 300 },
    );
  });

  it('let every letter that was kept be found where it stood, and in its passage', () => {
    fc.assert(
      fc.property(mended, ({ source, edits }) => {
        const flow = flowOf(source);
        const tidied = applyEdits(flow, edits);
        for (let at = 0; at < tidied.text.length; at++) {
          const run = runAt(tidied, at)!;
          expect(run.at <= at && at < run.at + run.length).to.equal(true);
          if (run.made) continue;
          const from = sourceOffset(tidied, at);
          expect(flow.text[from]).to.equal(tidied.text[at]);
          const { first, last } = passagesOf(tidied, at, at + 1);
          expect(first).to.equal(last);
          expect(flow.starts[first]!).to.be.at.most(from);
          expect(flow.starts[first + 1] ?? Infinity).to.be.greaterThan(from);
        }
      }),
      { numRuns: 300 },
    );
  });

  it('leave the source as it was', () => {
    const source: Source = { kind: 'text', passages: [{ text: 'Um, wet.' }] };
    const before = JSON.stringify(source);
    applyEdits(flowOf(source), [{ kind: 'fillers', from: 0, to: 4, before: 'Um, ', after: '', reason: '' }]);
    expect(JSON.stringify(source)).to.equal(before);
  });
});

describe('edits taken and put back', () => {
  const edit = (kind: Edit['kind'], from: number, to: number, after = ''): Edit => ({ kind, from, to, before: 'x', after, reason: '' });
  const [one, two, three] = [edit('fillers', 0, 2), edit('spacing', 4, 6, ' '), edit('sentences', 9, 9, '.')];

  it('stand in the order of the text, once each, however often a change comes', () => {
    const change = { source: 's', take: [three, one], drop: [editKey(two)] };
    const after = changeEdits([two], change);
    expect(after).to.deep.equal([one, three]);
    expect(changeEdits(after, change)).to.deep.equal(after);
  });

  it('are put back by their names, and others stay', () => {
    expect(changeEdits([one, two, three], { source: 's', take: [], drop: [editKey(two)] })).to.deep.equal([one, three]);
    expect(changeEdits([one], { source: 's', take: [], drop: ['fillers:7:8'] })).to.deep.equal([one]);
  });

  it('of one place but another kind are other edits', () => {
    expect(editKey(edit('junk', 0, 2))).to.not.equal(editKey(one));
  });
});

describe('what stays out of sections', () => {
  const flow = flowOf({ kind: 'text', passages: [{ text: 'Hello all. The um blade is bent. Bye.' }] });
  const aside = (from: number, to: number): Edit => ({
    kind: 'asides',
    from,
    to,
    before: flow.text.slice(from, to),
    after: '',
    reason: 'A greeting',
  });
  const [hello, bye] = [aside(0, 10), aside(33, 37)];
  const inside: Edit = { kind: 'junk', from: 0, to: 5, before: 'Hello', after: 'Hi', reason: '' };
  const filler: Edit = { kind: 'fillers', from: 15, to: 18, before: 'um ', after: '', reason: '' };

  it('is every aside that was not taken in, with what was mended inside it', () => {
    expect(asidesOut([], [hello, bye])).to.deep.equal([hello, bye]);
    expect(asidesOut([takenMark(hello)], [hello, bye])).to.deep.equal([bye]);
    expect(applyEdits(flow, editsForSections([inside, filler], [hello, bye])).text.trim()).to.equal('The blade is bent.');
  });

  it('is also what the writer left out, until it is put back', () => {
    const own = leftOut(flow, 11, 32);
    expect(own.before).to.equal('The um blade is bent.');
    expect(applyEdits(flow, editsForSections([own, filler], [])).text).to.equal('Hello all.  Bye.');
    expect(applyEdits(flow, editsForSections([], [])).text).to.equal(flow.text);
  });

  it('are marks, like passages for a listen, and mend nothing themselves', () => {
    expect([hello, { ...hello, kind: 'suspect' as const }, filler].map(isMark)).to.deep.equal([true, true, false]);
    expect(applyEdits(flow, [takenMark(hello)]).text).to.equal(flow.text);
  });
});

describe('repairs of a draft that stands on the page', () => {
  const source: Source = { kind: 'markdown', passages: [{ text: 'Um, the  blade' }, { text: 'is is bent' }] };
  const tied = (markdown: string): PostNode => {
    const doc = postFromMarkdown(markdown);
    return schema.node(
      'doc',
      null,
      doc.children.map((block, i) => block.type.create({ ...block.attrs, origins: [{ source: 's', first: i, last: i }] }, block.content)),
    );
  };
  const starts = flowOf(source).starts;
  const um: Edit = { kind: 'fillers', from: 0, to: 5, before: 'Um, t', after: 'T', reason: '' };
  const twice: Edit = { kind: 'doubled', from: starts[1]! + 2, to: starts[1]! + 5, before: ' is', after: '', reason: '' };
  const changed = (doc: PostNode, before: Edit[], after: Edit[]) => {
    let text = doc;
    for (const { from, to, text: put } of draftChanges(doc, 's', source, before, after)) {
      const content = put ? schema.text(put) : [];
      text = text.replace(from, to, schema.node('doc', null, schema.node('paragraph', null, content)).slice(1, 1 + put.length));
    }
    return text.children.map((block) => block.textContent);
  };

  it('change the words that still stand as they came', () => {
    const doc = tied('Um, the  blade\n\nis is bent');
    // A page has no double spaces: the first block no longer says what its passage said.
    expect(changed(doc, [], [twice])).to.deep.equal([doc.firstChild!.textContent, 'is bent']);
    expect(changed(tied('Um, the  blade\n\nis bent'), [twice], [])[1]).to.equal('is is bent');
  });

  it('leave alone what the writer has rewritten, and blocks of other sources', () => {
    const doc = tied('My own words\n\nis is bent');
    expect(draftChanges(doc, 's', source, [], [um])).to.deep.equal([]);
    expect(draftChanges(doc, 'other', source, [], [twice])).to.deep.equal([]);
  });
});
