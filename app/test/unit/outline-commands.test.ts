import { expect } from 'chai';
import { history, redo, undo } from 'prosemirror-history';
import { EditorState, TextSelection, type Command } from 'prosemirror-state';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { outlineOf } from '@even-page/core/post/sections';
import {
  indentBranch,
  joinPart,
  moveBranch,
  moveBranchBy,
  noteHeading,
  removeBranch,
  renameHeading,
  splitPart,
} from '../../src/lib/spread/page/outline-commands.ts';

const PAGE =
  'Hello.\n\n## Soaking\n\nWater first.\n\n### How long\n\nTwenty minutes.\n\n## Weaving\n\nOver.\n\nUnder.\n\n## Drying\n\nOvernight.';

const page = (markdown = PAGE): EditorState => {
  let n = 0;
  return EditorState.create({ doc: withIds(postFromMarkdown(markdown), () => `b${++n}`), plugins: [history()] });
};

const idOf = (state: EditorState, heading: string) => outlineOf(state.doc).find((p) => p.heading === heading)!.id;

function after(state: EditorState, command: Command): EditorState {
  let next = state;
  const applies = command(state, (tr) => (next = state.apply(tr)));
  expect(applies, 'the command applies').to.equal(true);
  next.doc.check();
  return next;
}

const shape = (state: EditorState) =>
  outlineOf(state.doc)
    .map((p) => `${'#'.repeat(p.level)} ${p.heading || '-'}`)
    .join(', ');

describe('the outline of the page', () => {
  const start = page();
  const on = (heading: string) => idOf(start, heading);

  it('moves a part with what lies below it, and undo brings it back in one step', () => {
    const moved = after(start, moveBranch(on('Soaking'), on('Drying')));
    expect(shape(moved)).to.equal('## -, ## Weaving, ## Soaking, ### How long, ## Drying');
    expect(postToMarkdown(moved.doc)).to.contain('### How long\n\nTwenty minutes.\n\n## Drying');
    const back = after(moved, undo);
    expect(back.doc.eq(start.doc)).to.equal(true);
    expect(after(back, redo).doc.eq(moved.doc)).to.equal(true);
    expect(shape(after(start, moveBranch(on('Soaking'), null)))).to.equal('## -, ## Weaving, ## Drying, ## Soaking, ### How long');
  });

  it('takes what lies below along when its level changes, and stops where that would lie too deep', () => {
    const second = page('## One\n\nA.\n\n## Two\n\nB.\n\n### Below\n\nC.\n\n#### Deepest\n\nD.');
    expect(indentBranch(idOf(second, 'Two'), 1)(second), 'what lies below would lie too deep').to.equal(false);
    const shallow = page('## One\n\nA.\n\n## Two\n\nB.\n\n### Below\n\nC.');
    expect(shape(after(shallow, indentBranch(idOf(shallow, 'Two'), 1)))).to.equal('## One, ### Two, #### Below');
  });

  it('never moves a part into itself, before the opening words, or to where it is', () => {
    expect(moveBranch(on('Soaking'), on('How long'))(start)).to.equal(false);
    expect(moveBranch(on('Weaving'), 'lead')(start)).to.equal(false);
    expect(moveBranch(on('Soaking'), on('Weaving'))(start)).to.equal(false);
    expect(moveBranch('nowhere', null)(start)).to.equal(false);
  });

  it('moves by one among its neighbours', () => {
    expect(shape(after(start, moveBranchBy(on('Weaving'), -1)))).to.equal('## -, ## Weaving, ## Soaking, ### How long, ## Drying');
    expect(shape(after(start, moveBranchBy(on('Soaking'), 1)))).to.equal('## -, ## Weaving, ## Soaking, ### How long, ## Drying');
    expect(moveBranchBy(on('Soaking'), -1)(start)).to.equal(false);
    expect(moveBranchBy(on('Drying'), 1)(start)).to.equal(false);
    // Over the edge of the part around it: under the next one.
    expect(shape(after(start, moveBranchBy(on('How long'), 1)))).to.equal('## -, ## Soaking, ## Weaving, ### How long, ## Drying');
    expect(moveBranchBy(on('How long'), -1)(start)).to.equal(false);
  });

  it('goes in under the part above it and out again', () => {
    const inside = after(start, indentBranch(on('Weaving'), 1));
    expect(shape(inside)).to.equal('## -, ## Soaking, ### How long, ### Weaving, ## Drying');
    expect(after(inside, indentBranch(on('Weaving'), -1)).doc.eq(start.doc)).to.equal(true);
    expect(indentBranch(on('Soaking'), 1)(start), 'nothing to lie under').to.equal(false);
    expect(indentBranch(on('Weaving'), -1)(start), 'the highest level').to.equal(false);
  });

  it('is renamed, noted and given a length', () => {
    const renamed = after(start, renameHeading(on('Weaving'), '  Over and\nunder '));
    expect(shape(renamed)).to.contain('## Over and under');
    expect(renameHeading(on('Weaving'), ' ')(start)).to.equal(false);
    const noted = after(start, noteHeading(on('Weaving'), { note: 'ask Mira', target: 150 }));
    expect(noted.doc.nodeAt(outlineOf(noted.doc)[3]!.from)!.attrs).to.include({ note: 'ask Mira', target: 150 });
    expect(noteHeading(on('Weaving'), { target: 150 })(noted), 'nothing new').to.equal(false);
    expect(after(noted, undo).doc.eq(start.doc)).to.equal(true);
  });

  it('splits at the caret, or in the middle, and joins again', () => {
    const split = after(start, splitPart(on('Weaving'), 'Going under'));
    expect(postToMarkdown(split.doc)).to.contain('## Weaving\n\nOver.\n\n## Going under\n\nUnder.');
    const caret = start.apply(start.tr.setSelection(TextSelection.near(start.doc.resolve(outlineOf(start.doc)[3]!.to - 2))));
    expect(after(caret, splitPart(on('Weaving'), 'Going under')).doc.eq(split.doc)).to.equal(true);
    const joined = after(split, joinPart(idOf(split, 'Going under')));
    expect(joined.doc.eq(start.doc)).to.equal(true);
    expect(splitPart(on('Drying'), 'More')(start), 'one paragraph').to.equal(false);
  });

  it('takes a part off with all below it', () => {
    const left = after(start, removeBranch(on('Soaking')));
    expect(postToMarkdown(left.doc)).to.equal('Hello.\n\n## Weaving\n\nOver.\n\nUnder.\n\n## Drying\n\nOvernight.\n');
  });
});
