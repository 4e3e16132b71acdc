import { expect } from 'chai';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { findMatches } from '../../src/tidy/find.ts';
import { onPage, pageText } from '../../src/write/page-text.ts';

const PAGE = 'Oil the **blade** and\\\nthe blade again.\n\n## The blade\n\n- a blade\n- no blade\n\n| Blade |\n| - |\n| dull blade |\n';

describe('the words of a page', () => {
  it('are found where they stand, in lists and tables too', () => {
    const doc = postFromMarkdown(PAGE);
    const page = pageText(doc);
    const found = findMatches(page.text, { find: 'blade', wholeWord: true, matchCase: false, isPattern: false });
    expect(found).to.have.length(7);
    for (const { from, to } of found) {
      const place = onPage(page, from, to)!;
      expect(doc.textBetween(place.from, place.to).toLowerCase()).to.equal('blade');
    }
  });

  it('that run over the edge of a block are no place', () => {
    const page = pageText(postFromMarkdown('One\n\nTwo'));
    expect(page.text).to.equal('One\nTwo');
    expect(onPage(page, 0, 3)).to.deep.equal({ from: 1, to: 4 });
    expect(onPage(page, 2, 5)).to.equal(null);
    expect(onPage(page, 4, 7)).to.deep.equal({ from: 6, to: 9 });
  });
});
