import { expect } from 'chai';
import type { Source } from '../../src/gather/source.ts';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { tieToSource } from '@even-page/core/post/origins';
import { schema, type PostNode } from '@even-page/core/post/schema';
import { outlineOf } from '@even-page/core/post/sections';
import { fedBy, feeding, stretchesOf, tiesOf } from '../../src/shape/passage-use.ts';
import { asidesOut, editsForSections, leftOut, takenMark } from '../../src/tidy/edit.ts';
import { flowOf } from '../../src/tidy/flow.ts';
import { proseOf } from '../../src/tidy/prose.ts';

const SOURCE: Source = {
  kind: 'text',
  passages: [
    { text: 'Soak the cane. Twenty minutes will do.' },
    { text: 'Peg the first strand.' },
    { text: 'Leave it overnight.' },
    { text: 'Mind the step.' },
  ],
};
const material = (edits = editsForSections([], [])) => [{ source: 's', paragraphs: proseOf(SOURCE, edits) }];

/** A page whose paragraph in the first section comes from the given passages. */
function page(first: number, last: number): PostNode {
  let n = 0;
  const doc = withIds(postFromMarkdown('## Soaking\n\nSoak it.\n\n## Weaving\n\nMy own words.'), () => `b${++n}`);
  const blocks = doc.children.map((b) =>
    b.textContent === 'Soak it.' ? b.type.create({ ...b.attrs, origins: [{ source: '', first, last }] }, b.content) : b,
  );
  return tieToSource(schema.node('doc', null, blocks), 's');
}

const idOf = (doc: PostNode, heading: string) => outlineOf(doc).find((p) => p.heading === heading)!.id;

describe('passages that feed sections', () => {
  it('are told used and not used, in stretches of the same use', () => {
    const doc = page(1, 2);
    const stretches = stretchesOf(material(), fedBy(tiesOf(doc)));
    expect(stretches.map((s) => [s.text, s.feeds.map((id) => outlineOf(doc).find((p) => p.id === id)!.heading)])).to.deep.equal([
      ['Soak the cane. Twenty minutes will do.', []],
      ['Peg the first strand.', ['Soaking']],
      ['Leave it overnight.', ['Soaking']],
      ['Mind the step.', []],
    ]);
    expect(stretches[0]!.words).to.equal(7);
  });

  it('go where they stand in the material: before later ones, behind earlier ones, else at the end', () => {
    const doc = page(1, 1);
    const [soak, , overnight] = stretchesOf(material(), fedBy(tiesOf(doc)));
    const put = (section: string, stretch = soak!) => {
      const found = feeding(doc, idOf(doc, section), stretch)!;
      const fed = doc.replace(found.at, found.at, schema.node('doc', null, [found.paragraph]).slice(0));
      return postToMarkdown(fed);
    };
    expect(put('Soaking')).to.contain('## Soaking\n\nSoak the cane. Twenty minutes will do.\n\nSoak it.');
    expect(put('Soaking', overnight)).to.contain('Soak it.\n\nLeave it overnight.\n\n## Weaving');
    expect(put('Weaving')).to.match(/My own words\.\n\nSoak the cane\. Twenty minutes will do\.\n$/);
    expect(feeding(doc, 'nowhere', soak!)).to.equal(null);
    expect(feeding(doc, 'lead', soak!)!.at).to.equal(0);
  });

  it('may feed several sections', () => {
    const doc = page(0, 0);
    const [soak] = stretchesOf(material(), fedBy(tiesOf(doc)));
    const { at, paragraph } = feeding(doc, idOf(doc, 'Weaving'), soak!)!;
    const both = doc.replace(at, at, schema.node('doc', null, [paragraph]).slice(0));
    expect(stretchesOf(material(), fedBy(tiesOf(both)))[0]!.feeds).to.deep.equal(['Soaking', 'Weaving'].map((h) => idOf(doc, h)));
  });

  it('stay out when the writer leaves them out, and come back', () => {
    const flow = flowOf(SOURCE);
    const { from, to } = material()[0]!.paragraphs[3]!.sentences[0]!;
    const out = leftOut(flow, from, to);
    expect(out.before).to.equal('Mind the step.');
    const texts = (taken: (typeof out)[]) => stretchesOf(material(editsForSections(taken, [])), new Map()).map((s) => s.text);
    expect(texts([out])).not.to.include('Mind the step.');
    expect(asidesOut([out], [])).to.deep.equal([out]);
    // What was mended inside goes out with it.
    const mended = { kind: 'sentences' as const, from, to: from + 4, before: 'Mind', after: 'mind', reason: '' };
    expect(texts([mended, out])).not.to.include('mind the step.');
    expect(asidesOut([takenMark(out)], [out])).to.deep.equal([]);
    expect(texts([])).to.include('Mind the step.');
  });
});
