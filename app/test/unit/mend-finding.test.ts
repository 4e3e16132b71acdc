import { expect } from 'chai';
import { EditorState } from 'prosemirror-state';
import { emptyDetails } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import type { PostNode } from '@even-page/core/post/schema';
import { proof } from '@even-page/core/proof';
import { mendFinding } from '../../src/lib/spread/page/mend-finding.ts';

const page = (markdown: string): PostNode => {
  let n = 0;
  return withIds(postFromMarkdown(markdown), () => `b${++n}`);
};

/** A page after all that one check found was mended at once, and how many were. */
function mended(doc: PostNode, check: string, now = doc) {
  const findings = proof({ doc, details: emptyDetails() }).findings.filter((finding) => finding.check === check);
  const { tr } = EditorState.create({ doc: now });
  const count = findings.filter((finding) => mendFinding(tr, finding)).length;
  return { found: findings.length, count, markdown: postToMarkdown(tr.doc).trim(), steps: tr.steps.length };
}

describe('mending findings', () => {
  it('mends several in a block, each where it stands', () => {
    expect(mended(page('Soak an chair and an lamp, then an eel.'), 'article')).to.deep.include({
      ...{ found: 2, count: 2, markdown: 'Soak a chair and a lamp, then an eel.' },
    });
  });

  it('mends them in paragraphs, lists and quotations, and keeps what is bold', () => {
    const { count, markdown } = mended(page('**The the** lamp.\n\n- Mend it it now\n\n> He said said so.'), 'repeated word');
    expect(count).to.equal(3);
    expect(markdown).to.equal('**The** lamp.\n\n- Mend it now\n\n> He said so.');
  });

  it('leaves what an earlier one has mended already', () => {
    const { found, count, markdown } = mended(page('It is on the the the table.'), 'repeated word');
    expect([found, count]).to.deep.equal([2, 1]);
    expect(markdown).to.equal('It is on the the table.');
  });

  it('leaves a place that says something else by now, or is gone', () => {
    const doc = page('Soak an chair.');
    expect(mended(doc, 'article', page('Soak the chair.'))).to.deep.include({ count: 0, steps: 0 });
    expect(mended(doc, 'article', page('So'))).to.deep.include({ count: 0, steps: 0 });
  });

  it('takes an empty heading out, and sets another level', () => {
    expect(mended(page('Words.\n\n## \n\nMore.'), 'empty heading').markdown).to.equal('Words.\n\nMore.');
    const text = 'Words.\n\n## One\n\nWords.\n\n#### Two\n\nWords.';
    expect(mended(page(text), 'heading level').markdown).to.equal(text.replace('####', '###'));
  });
});
