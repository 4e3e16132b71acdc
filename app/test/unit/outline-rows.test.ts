import { expect } from 'chai';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { sectionsOf } from '@even-page/core/post/sections';
import { withIds } from '@even-page/core/post/ids';
import { outlineRows, rowName, unfolded } from '../../src/lib/spread/shape/outline-rows.ts';

const PAGE = `Before all.

## Wicks

One two three.

### Round

One.

### Flat

One two.

## Oil

One two three four.

##

Nothing.`;

describe('the rows of the outline', () => {
  let next = 0;
  const doc = withIds(postFromMarkdown(PAGE), () => `b${next++}`);
  const rows = outlineRows(doc, sectionsOf(doc));

  it('say where each stands among its siblings, as WAI-ARIA has it for trees (aria-posinset, aria-setsize)', () => {
    expect(rows.map((row) => [rowName(row), row.place, row.siblings])).to.deep.equal([
      ['Introduction', 1, 4],
      ['Wicks', 2, 4],
      ['Round', 1, 2],
      ['Flat', 2, 2],
      ['Oil', 3, 4],
      ['Heading without words', 4, 4],
    ]);
  });

  it('count the words of a branch with what stands below it', () => {
    expect(rows.map((row) => row.all)).to.deep.equal([2, 6, 1, 2, 4, 1]);
    expect(rows.map((row) => row.children)).to.deep.equal([false, true, false, false, false, false]);
  });

  it('hide what is folded away under another, however deep', () => {
    expect(unfolded(rows, new Set([rows[1]!.id])).map(rowName)).to.deep.equal(['Introduction', 'Wicks', 'Oil', 'Heading without words']);
    expect(unfolded(rows, new Set())).to.have.length(6);
  });
});
