import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { readSubjects } from '../../src/shape/cut/subjects.ts';
import { joined, sameMatter } from '../../src/shape/same-matter.ts';

const subjects = readSubjects(readFileSync(new URL('../../data/subjects.bin', import.meta.url)));
const page = (markdown: string) => {
  let n = 0;
  return withIds(postFromMarkdown(markdown), () => `b${++n}`);
};

describe('the same matter twice', () => {
  const PARAGRAPHS =
    '## Water\n\nSoak a coarse stone for ten minutes in a bucket until the bubbles stop.\n\nNever pour oil on it: the pores hold it for ever, and no soap brings it out again.\n\n## Tea\n\nTea is at the back of the hall, next to the biscuits and the lamp. Somebody washes the cups on Saturday, and the kettle is older than the hall.\n\nA coarse stone soaks in the bucket for ten minutes, until it stops making bubbles.\n';

  it('is found in paragraphs of different sections', () => {
    const [pair, ...more] = sameMatter(page(PARAGRAPHS), subjects);
    expect(more).to.deep.equal([]);
    expect(pair!.kind).to.equal('paragraphs');
    expect([pair!.one.heading, pair!.other.heading]).to.deep.equal(['Water', 'Tea']);
  });

  it('joined, stands together', () => {
    const doc = page(PARAGRAPHS);
    const written = postToMarkdown(joined(doc, sameMatter(doc, subjects)[0]!));
    expect(written).to.match(/bubbles stop\.\n\nA coarse stone soaks[^\n]*\n\nNever pour/);
    expect(written.match(/coarse stone soaks/g)).to.have.length(1);
  });

  it('is found in whole sections, which are joined below one heading', () => {
    const doc = page(
      '## Soaking\n\nSoak a coarse stone for ten minutes in a bucket of water. The bubbles tell you when the stone is full. Take it out and wipe the mud off.\n\n## Rust\n\nWipe the blade dry, or rust eats the edge over night in a damp drawer.\n\n## How to soak\n\nA bucket of water, a coarse stone, ten minutes; then wipe off the mud. When the bubbles stop, the stone is full of water.\n',
    );
    const [pair] = sameMatter(doc, subjects);
    expect(pair!.kind).to.equal('sections');
    expect(postToMarkdown(joined(doc, pair!))).to.match(/^## Soaking\n\nSoak[^\n]*\n\nA bucket[^\n]*\n\n## Rust\n\nWipe[^\n]*\n$/);
  });

  it('is not seen where two places only share their subject, nor in standing parts', () => {
    const doc = page(
      '## Water\n\nSoak a coarse stone for ten minutes in a bucket until the bubbles stop.\n\n## Key points\n\nSoak a coarse stone for ten minutes in a bucket until the bubbles stop.\n\n## Fine stones\n\nA fine stone needs a splash of water only, and it breaks if it lies in the bucket all night.\n',
    );
    expect(sameMatter(doc, subjects)).to.deep.equal([]);
  });
});
