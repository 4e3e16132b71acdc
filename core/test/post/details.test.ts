import { expect } from 'chai';
import fc from 'fast-check';
import { stringify } from 'yaml';
import { Complaint } from '@even-page/core/complaint';
import { gather } from '../../src/gather/formats.ts';
import { detailsSchema, emptyDetails, fitDetails } from '@even-page/core/post/details';
import { frontMatter, nameOf } from './odd-names.ts';

const read = (text: string, name: string) => gather(new TextEncoder().encode(text), name);

describe('details that come in', () => {
  it('fit a post, whatever a file states', async () => {
    await fc.assert(
      fc.asyncProperty(frontMatter, nameOf(400), async (front, heading) => {
        const gathered = await read(`---\n${stringify(front)}---\n\n# ${heading}\n\nSoak the cane.`, 'draft.md').catch((cause: unknown) => {
          // One with too many letters that no text has is refused, in a sentence.
          expect(cause).to.be.instanceOf(Complaint);
        });
        if (!gathered) return;
        const { draft, notes = [] } = gathered;
        const details = { ...emptyDetails(), ...draft!.details };
        detailsSchema.validateSync(details, { strict: true });
        const isCut = (front.title ?? heading).trim().length > 300 && details.title.length < (front.title ?? heading).trim().length;
        if (isCut) expect(notes.join(' ')).to.include('The title was longer than 300 characters');
      }),
      { numRuns: 200 },
    );
  });

  it('say what was cut, at a word', () => {
    const { details, cut } = fitDetails({
      title: `${'word '.repeat(80)}end`,
      tags: Array.from({ length: 45 }, (_, n) => `t${n}`),
      slug: 'Not One',
    });
    expect(details.title).to.match(/word$/).and.have.length.within(290, 300);
    expect(details.tags).to.have.length(40);
    expect(details.slug).to.equal(undefined);
    expect(cut).to.deep.equal([
      'The title was longer than 300 characters and was cut there.',
      'The slug did not fit and was changed or left out.',
      '5 of 45 tags were left out: a post has at most 40, of at most 60 characters each.',
    ]);
  });

  it('leave a first heading that is too long for a title on the page', async () => {
    const heading = 'soak '.repeat(80).trim();
    const { draft, source } = await read(`# ${heading}\n\nFirst.`, 'draft.md');
    expect(draft!.doc.firstChild!.textContent).to.equal(heading);
    expect(draft!.details.title!.length).to.be.at.most(300);
    expect(source.title).to.equal(draft!.details.title);
  });

  for (const [name, text] of Object.entries({
    'page.html': `<!doctype html><title>${'long '.repeat(100)}</title><h1>A</h1><p>One two three.</p>`,
    'letter.eml': `From: a@example.org\nSubject: ${'long '.repeat(100)}\n\nOne two three.`,
    'talk.vtt': `WEBVTT - ${'long '.repeat(100)}\n\n00:01.000 --> 00:02.000\nOne two three.`,
    'list.opml': `<opml version="2.0"><head><title>${'long '.repeat(100)}</title></head><body><outline text="One"/></body></opml>`,
  })) {
    it(`fit when ${name} has a long title`, async () => {
      const { source, draft } = await read(text, name);
      detailsSchema.validateSync({ ...emptyDetails(), title: source.title ?? '', ...draft?.details }, { strict: true });
    });
  }
});

describe('what a reader found', () => {
  it('has no letters that cannot be stored, and no times that cannot be', async () => {
    const words = [
      { text: 'a\u0000b', start: 0, end: 1 },
      { text: 'half \ud800 letter', start: 1e300, end: 2e300 },
      { text: 'cd', start: 2, end: 3 },
    ];
    const { source } = await read(JSON.stringify({ title: 'x\u0000y', words }), 'talk.json');
    const json = JSON.stringify(source);
    expect(json).not.to.match(/\\u0000|\\ud8/i);
    for (const p of source.passages)
      for (const ms of [p.startMs, p.endMs])
        if (ms !== undefined)
          expect(ms)
            .to.satisfy(Number.isSafeInteger)
            .and.be.below(2 ** 31);
  });

  it('is refused in a sentence when it is more than can be worked with', async () => {
    const cause = await read('word '.repeat(1_100_000), 'words.txt').catch((c: unknown) => c);
    expect(cause).to.have.property('message').that.includes('5 million letters');
  });
});
