import { expect } from 'chai';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { schema, type PostNode } from '@even-page/core/post/schema';
import { changedWords, compare, withSectionOf } from '../../src/write/comparing.ts';
import { thinned } from '../../src/write/thinning.ts';

function page(markdown: string): PostNode {
  let n = 0;
  return withIds(postFromMarkdown(markdown), () => `b${++n}`);
}

/** The same page with its blocks given anew. */
const made = (doc: PostNode, change: (blocks: readonly PostNode[]) => PostNode[]) => schema.node('doc', null, change(doc.children));
const withText = (block: PostNode, text: string) => block.type.create(block.attrs, schema.text(text));

describe('versions compared', () => {
  const older = page('Hello.\n\n## Soaking\n\nSoak the cane for an hour.\n\n## Weaving\n\nOver and under.\n\n## Drying\n\nOvernight.');

  it('name what was put in, taken out, changed and moved, word by word', () => {
    const newer = made(older, ([hello, soaking, hour, weaving, , drying, night]) => [
      hello!,
      drying!,
      night!,
      soaking!,
      withText(hour!, 'Soak the cane for twenty minutes.'),
      weaving!,
      ...page('x\n\nNew words.')
        .children.slice(1)
        .map((b) => b.type.create({ ...b.attrs, id: 'n1' }, b.content)),
    ]);
    const found = compare(older, newer);
    expect(found.map((c) => c.how)).to.deep.equal(['same', 'moved', 'moved', 'same', 'changed', 'same', 'gone', 'new']);
    expect([found[6]!, found[7]!].map((c) => c.words[0]!.text)).to.deep.equal(['Over and under.', 'New words.']);
    const changed = found[4]!.words;
    expect(
      changed
        .filter((w) => w.how !== 'gone')
        .map((w) => w.text)
        .join(''),
    ).to.equal('Soak the cane for twenty minutes.');
    expect(
      changed
        .filter((w) => w.how !== 'new')
        .map((w) => w.text)
        .join(''),
    ).to.equal('Soak the cane for an hour.');
    expect(changedWords(found)).to.deep.equal({ put: 4, taken: 5 });
    expect(found.map((c) => c.section)).to.deep.equal(['lead', 'b6', 'b6', 'b2', 'b2', 'b4', 'b4', 'b4']);
  });

  it('are all the same when nothing changed', () => {
    expect(compare(older, older).every((c) => c.how === 'same')).to.equal(true);
  });

  it('know blocks by their words where ids are other ones, as after a page was written anew', () => {
    let n = 100;
    const anew = withIds(
      postFromMarkdown(
        'Hello.\n\n## Soaking\n\nSoak the cane for half an hour.\n\n## Weaving\n\nOver and under.\n\n## Drying\n\nOvernight.',
      ),
      () => `c${++n}`,
    );
    expect(compare(older, anew).map((c) => c.how)).to.deep.equal(['same', 'same', 'changed', 'same', 'same', 'same', 'same']);
  });

  it('give one section back: in its place, or where it was', () => {
    const changed = made(older, (b) => b.map((block) => (block.textContent === 'Over and under.' ? withText(block, 'Spoilt.') : block)));
    expect(withSectionOf(changed, older, 'b4').eq(older)).to.equal(true);
    const without = made(older, (b) => b.filter((block) => !['Weaving', 'Over and under.'].includes(block.textContent)));
    expect(withSectionOf(without, older, 'b4').eq(older)).to.equal(true);
    expect(
      postToMarkdown(
        withSectionOf(
          made(older, (b) => b.slice(1)),
          older,
          'lead',
        ),
      ),
    ).to.match(/^Hello\.\n\n## Soaking/);
    expect(withSectionOf(without, older, 'nowhere')).to.equal(without);
  });
});

describe('versions thinned', () => {
  const now = new Date('2026-11-25T12:30:00Z');
  const at = (version: number, time: string, isHeld = false) => ({ version, savedAt: new Date(time), isHeld });

  it('stay for an hour, then one an hour for a day, then one a day', () => {
    const versions = [
      at(1, '2026-11-20T08:00:00Z', true),
      at(2, '2026-11-20T08:10:00Z'),
      at(3, '2026-11-20T18:00:00Z'),
      at(4, '2026-11-21T09:00:00Z'),
      at(5, '2026-11-25T09:05:00Z'),
      at(6, '2026-11-25T09:15:00Z', true),
      at(7, '2026-11-25T09:55:00Z'),
      at(8, '2026-11-25T10:01:00Z'),
      at(9, '2026-11-25T11:40:00Z'),
      at(10, '2026-11-25T12:29:00Z'),
    ];
    expect(thinned(versions, now)).to.deep.equal([5, 2]);
    // Thinning again takes nothing more.
    expect(
      thinned(
        versions.filter((v) => ![5, 2].includes(v.version)),
        now,
      ),
    ).to.deep.equal([]);
  });
});
