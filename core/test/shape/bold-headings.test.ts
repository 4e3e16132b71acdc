import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { gather } from '../../src/gather/formats.ts';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import type { PostNode } from '@even-page/core/post/schema';
import { boldHeadings, withBoldHeadings } from '../../src/shape/bold-headings.ts';

const ided = (doc: PostNode) => {
  let n = 0;
  return withIds(doc, () => `b${++n}`);
};
const found = (markdown: string) => boldHeadings(ided(postFromMarkdown(markdown))).map(({ text }) => text);

describe('headings that are only bold', () => {
  it('are found in a document whose writer used no styles, and made headings', async () => {
    const bytes = new Uint8Array(readFileSync(new URL('../samples/foreign/python.docx', import.meta.url)));
    const doc = ided((await gather(bytes, 'python.docx')).draft!.doc);
    const headings = boldHeadings(doc);
    expect(headings.map(({ text }) => text)).to.deep.equal(['Look at every wick', 'Clean the glass']);
    expect(postToMarkdown(withBoldHeadings(doc, headings))).to.match(
      /^## Look at every wick\n\nA wick[^]*\n## Clean the glass\n\nWith warm/,
    );
  });

  it('are no sentences, no names of who speaks, no words alone, and have words below', () => {
    expect(found('**Mind the flame.**\n\nWords.\n\n**Never, ever:**\n\nWords.')).to.deep.equal([]);
    expect(found('**Ada:**\n\nWords.\n\n**Bo:** Words.\n\nMore.')).to.deep.equal([]);
    expect(found('**Alone here**\n\nWords.')).to.deep.equal([]);
    expect(found('**One thing**\n\n## Heading\n\n**Another**')).to.deep.equal([]);
    expect(found('A **part** of it\n\nWords.\n\n**Part** of it\n\nWords.')).to.deep.equal([]);
  });
});
