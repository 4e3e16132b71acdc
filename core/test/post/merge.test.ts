import { expect } from 'chai';
import fc from 'fast-check';
import { emptyDetails, type Details } from '@even-page/core/post/details';
import { mergeDrafts, type Draft } from '@even-page/core/post/merge';
import { schema, type PostNode } from '@even-page/core/post/schema';

/** A draft of paragraphs written `id:words`, or `id` alone for words like its id. */
function draft(blocks: string, details: Partial<Details> = {}): Draft {
  const nodes = blocks.split(' ').map((block) => {
    const [id, words = id] = block.split(':');
    return schema.node('paragraph', { id }, schema.text(words!));
  });
  return { doc: schema.node('doc', null, nodes), details: { ...emptyDetails(), ...details } };
}

const shown = (doc: PostNode) =>
  doc.children.map((b) => (b.attrs.id === b.textContent ? b.textContent : `${b.attrs.id}:${b.textContent}`)).join(' ');

const merge = (base: string, mine: string, theirs: string) => {
  const { doc, choices } = mergeDrafts(draft(base), draft(mine), draft(theirs));
  return [shown(doc), ...choices.map((c) => (c.kind === 'block' ? [c.id, c.mine?.textContent, c.theirs?.textContent].join('|') : c.name))];
};

describe('two changes of one draft', () => {
  it('to different blocks are both taken', () => {
    expect(merge('a b c', 'a:x b c', 'a b c:y')).to.deep.equal(['a:x b c:y']);
  });

  it('to the same block are both shown, and mine stands until the choice is made', () => {
    expect(merge('a b', 'a:x b', 'a:y b')).to.deep.equal(['a:x b', 'a|x|y']);
  });

  it('that say the same are taken once', () => {
    expect(merge('a b', 'a:x b', 'a:x b')).to.deep.equal(['a:x b']);
  });

  it('keep new blocks of both where they were written', () => {
    expect(merge('a b c', 'a n b c', 'a b m c')).to.deep.equal(['a n b m c']);
    expect(merge('a', 'n a', 'm a')[0]!.split(' ').sort()).to.deep.equal(['a', 'm', 'n']);
  });

  it('take a block away that the other left alone, and ask when the other changed it', () => {
    expect(merge('a b c', 'a c', 'a b c:y')).to.deep.equal(['a c:y']);
    expect(merge('a b', 'a', 'a b:y')).to.deep.equal(['a b:y', 'b||y']);
    expect(merge('a b', 'a b:x', 'a')).to.deep.equal(['a b:x', 'b|x|']);
  });

  it('keep a move of one side and the words of the other', () => {
    expect(merge('a b c', 'c a b', 'a b:y c n')).to.deep.equal(['c n a b:y']);
    expect(merge('a b c', 'a:x b c n', 'c a b')).to.deep.equal(['c n a:x b']);
  });

  it('without a known beginning, ask wherever they differ', () => {
    const { doc, choices } = mergeDrafts(null, draft('a b:x n'), draft('a b:y m'));
    expect(shown(doc).split(' ').sort()).to.deep.equal(['a', 'b:x', 'm', 'n']);
    expect(choices).to.have.length(1);
  });

  it('merge details one by one', () => {
    const { details, choices } = mergeDrafts(
      draft('a', { title: 'T', slug: 's' }),
      draft('a', { title: 'Mine', slug: 's', tags: ['x'] }),
      draft('a', { title: 'Theirs', slug: 'theirs' }),
    );
    expect(details)
      .to.include({ title: 'Mine', slug: 'theirs' })
      .and.to.deep.include({ tags: ['x'] });
    expect(choices).to.deep.equal([{ kind: 'detail', name: 'title', mine: 'Mine', theirs: 'Theirs' }]);
  });

  it('lose no block that has no id', () => {
    const bare = (...words: string[]): Draft => ({
      doc: schema.node(
        'doc',
        null,
        words.map((w) => schema.node('paragraph', null, schema.text(w))),
      ),
      details: emptyDetails(),
    });
    const { doc } = mergeDrafts(bare('one', 'two'), bare('one', 'two', 'three'), bare('one', 'two'));
    expect(doc.children.map((b) => b.textContent)).to.deep.equal(['one', 'two', 'three']);
  });

  const change = fc.array(fc.tuple(fc.constantFrom('edit', 'drop', 'add', 'move'), fc.nat(9), fc.stringMatching(/^[a-z]{3}$/)), {
    maxLength: 6,
  });
  const changed = (blocks: string[], changes: [string, number, string][], side: string) => {
    const now = blocks.map((id) => `${id}:${id}`);
    for (const [what, at, words] of changes) {
      const i = now.length ? at % now.length : 0;
      if (what === 'add') now.splice(i, 0, `${side}${words}${now.length}:${words}`);
      else if (!now.length) continue;
      else if (what === 'edit') now[i] = `${now[i]!.split(':')[0]}:${words}`;
      else if (what === 'drop') now.splice(i, 1);
      else now.unshift(...now.splice(i, 1));
    }
    return draft((now.length ? now : ['z:z']).join(' '));
  };

  it('lose no words of either side, whatever is done', () => {
    const ids = ['a', 'b', 'c', 'd', 'e'];
    fc.assert(
      fc.property(change, change, (m, t) => {
        const [base, mine, theirs] = [draft(ids.join(' ')), changed(ids, m, 'm'), changed(ids, t, 't')];
        const { doc, choices } = mergeDrafts(base, mine, theirs);
        const chosen = choices.flatMap((c) => (c.kind === 'block' ? [c.mine, c.theirs] : []));
        const there = new Set([...doc.children, ...chosen].map((b) => b && `${b.attrs.id}:${b.textContent}`));
        const old = new Set(base.doc.children.map((b) => `${b.attrs.id}:${b.textContent}`));
        for (const side of [mine, theirs]) {
          for (const b of side.doc.children) {
            const words = `${b.attrs.id}:${b.textContent}`;
            if (!old.has(words)) expect(there).to.include(words);
          }
        }
        expect(mergeDrafts(base, mine, base).doc.eq(mine.doc)).to.equal(true);
        expect(mergeDrafts(base, base, theirs).doc.eq(theirs.doc)).to.equal(true);
      }),
      { numRuns: 500 },
    );
  });
});
