import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { schema } from '@even-page/core/post/schema';
import { sectionsOf } from '@even-page/core/post/sections';
import { readSubjects } from '../../src/shape/cut/subjects.ts';
import { withStandingPart } from '../../src/shape/standing/parts.ts';

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
    const doc = withStandingPart(page, 'keyPoints', { subjects })!;
    doc.check();
    expect(headings(doc)).to.deep.equal(['', 'Key points', 'The burr', 'Stones', 'To close']);
    const written = postToMarkdown(doc);
    expect(written).to.contain('- The burr tells you that the edge of the steel is thin enough.');
    expect(written).to.match(/- (?:A stone wants water|Ten minutes are enough)/);
  });

  it('key points are five at most, and say something to take along rather than what somebody did', () => {
    const sections = Array.from(
      { length: 8 },
      (_, n) =>
        `## Part ${n}\n\nI had a man here once with a chisel of step ${n}, and he laughed. Hold the chisel of step ${n} at ${20 + n} degrees and strike it once.`,
    );
    const doc = withStandingPart(postFromMarkdown(`The hall met.\n\n${sections.join('\n\n')}\n`), 'keyPoints', { subjects })!;
    const points = postToMarkdown(doc)
      .split('\n')
      .filter((line) => line.startsWith('- '));
    expect(points).to.have.length(5);
    for (const point of points) expect(point).to.match(/^- Hold the chisel of step \d at \d\d degrees/);
  });

  it('questions are those asked, with what was said after them, before the close', () => {
    const doc = withStandingPart(page, 'questions', { subjects })!;
    doc.check();
    expect(headings(doc)).to.deep.equal(['', 'The burr', 'Stones', 'Questions and answers', 'To close']);
    const written = postToMarkdown(doc);
    expect(written).to.contain('### What is a burr?\n\nIt is a thin curl of steel at the edge. You feel it with your thumb.');
    expect(written).to.contain('### How long do you soak a stone?\n\nTen minutes are enough for most stones.');
    expect(written).not.to.contain('### Can everybody');
  });

  it('are headed with what is asked, without what announces it', () => {
    const doc = withStandingPart(
      postFromMarkdown(
        '## Care\n\nThe question is, can you sharpen a knife too often? In theory you can, because you take metal away every time.',
      ),
      'questions',
      { subjects },
    )!;
    expect(postToMarkdown(doc)).to.contain('### Can you sharpen a knife too often?');
  });

  it('keep the ties of what they are made of', () => {
    const origins = [{ source: 's', first: 3, last: 5, startMs: 2000 }];
    const tied = schema.node('doc', null, [
      schema.node('heading', { level: 2 }, schema.text('The burr')),
      schema.node('paragraph', { origins }, schema.text('What is a burr? The burr is a thin curl of steel at the very edge.')),
    ]);
    const doc = withStandingPart(tied, 'questions', { subjects })!;
    expect(doc.lastChild!.attrs.origins).to.deep.equal(origins);
  });

  it('made anew stand in their place once, and never quote themselves', () => {
    const once = withStandingPart(page, 'questions', { subjects })!;
    expect(postToMarkdown(withStandingPart(once, 'questions', { subjects })!)).to.equal(postToMarkdown(once));
    const both = withStandingPart(once, 'keyPoints', { subjects })!;
    expect(headings(both)).to.deep.equal(['', 'Key points', 'The burr', 'Stones', 'Questions and answers', 'To close']);
    expect(postToMarkdown(withStandingPart(both, 'keyPoints', { subjects })!)).to.equal(postToMarkdown(both));
  });

  it('are none when the page says nothing they could be made of', () => {
    expect(withStandingPart(postFromMarkdown('Hello.'), 'keyPoints', { subjects })).to.equal(null);
    expect(withStandingPart(postFromMarkdown('## Lamp\n\nNobody asks.'), 'questions', { subjects })).to.equal(null);
  });

  const TALK =
    postFromMarkdown(`Is the kettle on? Tonight I want to show you how a knife becomes sharp. It was wet outside. The knife I brought is from my own kitchen.

## The burr

The burr tells you that the edge of the steel is thin enough. Have you ever felt a burr on a blade?

## Stones

A stone wants water before the blade touches it.

## To close

Mind the step.`);

  it('an introduction is the sentences that say what it is about, in place of the opening words, and stays when made anew', () => {
    const doc = withStandingPart(TALK, 'introduction', { subjects })!;
    const written = postToMarkdown(doc);
    expect(written).to.match(/^Tonight I want to show you how a knife becomes sharp\. [^\n]*\n\n## The burr/);
    expect(written).not.to.match(/kettle|wet outside/);
    expect(postToMarkdown(withStandingPart(doc, 'introduction', { subjects })!)).to.equal(written);
  });

  it('a conclusion stands at the head of the close, or gets one', () => {
    const doc = withStandingPart(TALK, 'conclusion', { subjects })!;
    expect(postToMarkdown(doc)).to.match(/## To close\n\n(?:The burr tells|A stone wants)[^\n]+\n\nMind the step\.\n$/);
    const again = withStandingPart(doc, 'conclusion', { subjects })!;
    expect(postToMarkdown(again)).to.equal(postToMarkdown(doc));
    const open = postFromMarkdown('## The burr\n\nThe burr tells you that the edge of the steel is thin enough.');
    expect(headings(withStandingPart(open, 'conclusion', { subjects })!)).to.deep.equal(['The burr', 'To close']);
  });

  it('a closing question is one asked of the reader, else one about the subject', () => {
    expect(postToMarkdown(withStandingPart(TALK, 'closingQuestion', { subjects })!)).to.match(/Have you ever felt a burr on a blade\?\n$/);
    expect(postToMarkdown(withStandingPart(page, 'closingQuestion', { subjects })!)).to.match(/What is your own experience[^\n]*\?\n$/);
  });

  it('next step and sign-off stand at the end in their order, whichever came first', () => {
    const step = { words: 'Book a place at the bench', address: 'https://larkfield.example/bench' };
    const bye = withStandingPart(TALK, 'signOff', { subjects, farewell: 'See you on Thursday.' })!;
    const both = withStandingPart(bye, 'nextStep', { subjects, step })!;
    const end =
      /Mind the step\.\n\n## Next step\n\n\[Book a place at the bench\]\(https:\/\/larkfield\.example\/bench\)\n\nSee you on Thursday\.\n$/;
    expect(postToMarkdown(both)).to.match(end);
    expect(postToMarkdown(withStandingPart(both, 'nextStep', { subjects, step })!)).to.match(end);
    expect(withStandingPart(TALK, 'nextStep', { subjects, step: { words: 'Go', address: 'javascript:x' } })).to.equal(null);
    expect(postToMarkdown(withStandingPart(TALK, 'signOff', { subjects })!)).to.match(/Thank you for reading\.\n$/);
  });
});
