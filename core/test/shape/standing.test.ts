import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { schema } from '@even-page/core/post/schema';
import { sectionsOf } from '@even-page/core/post/sections';
import { readSubjects } from '@even-page/core/shape/cut/subjects';
import { withStandingPart } from '@even-page/core/shape/standing/parts';

const subjects = readSubjects(readFileSync(new URL('../../data/subjects.bin', import.meta.url)));
const PAGE = `The hall met on Thursday.

## The burr

So what is a burr? It is a thin curl of steel at the edge. You feel it with your thumb. It was raining that night.

And the burr tells you that the edge of the steel is thin enough. Can everybody hear me? Good.

## Stones

A stone wants water before the blade touches it. How long do you soak a stone? Ten minutes are enough for most stones. It was heavy.

## To close

Thank you for coming.
`;

describe('standing parts', () => {
  const page = postFromMarkdown(PAGE);
  const headings = (doc = page) => sectionsOf(doc).map((s) => s.heading);

  it('key points are the most central sentence of each section, able to stand alone, before the first', () => {
    const doc = withStandingPart(page, 'keyPoints', subjects)!;
    doc.check();
    expect(headings(doc)).to.deep.equal(['', 'Key points', 'The burr', 'Stones', 'To close']);
    const written = postToMarkdown(doc);
    expect(written).to.contain('- The burr tells you that the edge of the steel is thin enough.');
    expect(written).to.match(/- (?:A stone wants water|Ten minutes are enough)/);
  });

  it('questions are those asked, with what was said after them, before the close', () => {
    const doc = withStandingPart(page, 'questions', subjects)!;
    doc.check();
    expect(headings(doc)).to.deep.equal(['', 'The burr', 'Stones', 'Questions and answers', 'To close']);
    const written = postToMarkdown(doc);
    expect(written).to.contain('### What is a burr?\n\nIt is a thin curl of steel at the edge. You feel it with your thumb.');
    expect(written).to.contain('### How long do you soak a stone?\n\nTen minutes are enough for most stones.');
    expect(written).not.to.contain('### Can everybody');
  });

  it('keep the ties of what they are made of', () => {
    const origins = [{ source: 's', first: 3, last: 5, startMs: 2000 }];
    const tied = schema.node('doc', null, [
      schema.node('heading', { level: 2 }, schema.text('The burr')),
      schema.node('paragraph', { origins }, schema.text('What is a burr? The burr is a thin curl of steel at the very edge.')),
    ]);
    const doc = withStandingPart(tied, 'questions', subjects)!;
    expect(doc.lastChild!.attrs.origins).to.deep.equal(origins);
  });

  it('made anew stand in their place once, and never quote themselves', () => {
    const once = withStandingPart(page, 'questions', subjects)!;
    expect(postToMarkdown(withStandingPart(once, 'questions', subjects)!)).to.equal(postToMarkdown(once));
    const both = withStandingPart(once, 'keyPoints', subjects)!;
    expect(headings(both)).to.deep.equal(['', 'Key points', 'The burr', 'Stones', 'Questions and answers', 'To close']);
    expect(postToMarkdown(withStandingPart(both, 'keyPoints', subjects)!)).to.equal(postToMarkdown(both));
  });

  it('are none when the page says nothing they could be made of', () => {
    expect(withStandingPart(postFromMarkdown('Hello.'), 'keyPoints', subjects)).to.equal(null);
    expect(withStandingPart(postFromMarkdown('## Lamp\n\nNobody asks.'), 'questions', subjects)).to.equal(null);
  });
});
