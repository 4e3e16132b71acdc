import { expect } from 'chai';
import { EditorState } from 'prosemirror-state';
import { readText } from '../../../core/test/gather/read-text.ts';
import type { Source } from '../../../core/src/gather/source.ts';
import { tieToSource } from '@even-page/core/post/origins';
import { postToMarkdown } from '@even-page/core/post/markdown';
import type { PostNode } from '@even-page/core/post/schema';
import { draftChanges } from '../../../core/src/tidy/draft-changes.ts';
import { editKey, type Edit } from '../../../core/src/tidy/edit.ts';
import { findEdits } from '../../../core/src/tidy/finders.ts';
import { showRepairs, type Shown } from '../../src/lib/spread/tidy/segments.ts';

const read = (text: string, name = '') => readText(new TextEncoder().encode(text), name);
const CAPTIONS =
  '1\n00:00:01,000 --> 00:00:03,000\nUm, the the stone\nis wet.\n\n2\n00:00:06,000 --> 00:00:09,000\nJoss: Now we wait for it to dry, uh, and then\n\n3\n00:00:09,000 --> 00:00:12,000\nJoss: we begin.\n';

describe('repairs as Tidy shows them', () => {
  const { source } = read(CAPTIONS);
  const edits = findEdits(source);
  const plain = (shown: Shown[]) =>
    shown.map((p) => p.segments.map((s) => (s.edit ? (s.taken ? s.edit.after : s.edit.before) : s.text)).join('')).join('');

  it('lose no letter of the source while nothing is taken', () => {
    const squeezed = (text: string) => text.replace(/\s+/g, '');
    expect(squeezed(plain(showRepairs(source, edits, [])))).to.equal(squeezed(source.passages.map((p) => p.text).join('')));
  });

  it('stand each once, marked as taken or proposed', () => {
    const taken = edits.filter((e) => e.kind === 'fillers');
    const shown = showRepairs(source, edits, taken).flatMap((p) => p.segments.filter((s) => s.edit));
    expect(shown).to.have.length(edits.length);
    expect(shown.filter((s) => 'taken' in s && s.taken)).to.have.length(taken.length);
  });

  it('are cut into paragraphs that open with their time and voice', () => {
    const shown = showRepairs(source, edits, []);
    expect(shown.map((p) => [p.startMs, p.speaker])).to.deep.equal([
      [1000, undefined],
      [6000, 'Joss'],
    ]);
  });

  it('still show what was taken before and is no longer proposed', () => {
    const old: Edit = { kind: 'fillers', from: 14, to: 19, before: 'stone', after: 'rock', reason: 'An older rule' };
    const keys = showRepairs(source, [], [old]).flatMap((p) => p.segments.flatMap((s) => (s.edit ? [s.key] : [])));
    expect(keys).to.deep.equal([editKey(old)]);
  });
});

describe('repairs of a draft', () => {
  const { source, draft } = read(
    'The the **um, warm** glue and [a link](https://larkfield.example) er here.\n\n## Clamps, uh, two\n\nUntouched.',
    'draft.md',
  );
  const doc = tieToSource(draft!.doc, 's1');
  const edits = findEdits(source);

  function apply(doc: PostNode, source: Source, before: Edit[], after: Edit[]): PostNode {
    const tr = EditorState.create({ doc }).tr;
    for (const c of draftChanges(doc, 's1', source, before, after)) {
      if (c.text) tr.insertText(c.text, c.from, c.to);
      else tr.delete(c.from, c.to);
    }
    return tr.doc;
  }

  it('change its words on the page and keep bold and links', () => {
    expect(postToMarkdown(apply(doc, source, [], edits))).to.equal(
      'The **warm** glue and [a link](https://larkfield.example) here.\n\n## Clamps two\n\nUntouched.\n',
    );
  });

  it('one at a time, in any order, come to the same', () => {
    let page = doc;
    let taken: Edit[] = [];
    for (const edit of [...edits].reverse()) {
      page = apply(page, source, taken, [...taken, edit]);
      taken = [...taken, edit];
    }
    expect(page.textContent).to.equal(apply(doc, source, [], edits).textContent);
  });

  it('put back, bring the old words back', () => {
    const tidied = apply(doc, source, [], edits);
    expect(apply(tidied, source, edits, []).textContent).to.equal(doc.textContent);
  });

  it('leave alone what the writer has rewritten', () => {
    const tr = EditorState.create({ doc }).tr.insertText('My own: ', 1);
    expect(apply(tr.doc, source, [], edits).firstChild!.textContent).to.equal(tr.doc.firstChild!.textContent);
  });

  it('touch no page that comes from another source', () => {
    expect(draftChanges(tieToSource(draft!.doc, 'other'), 's1', source, [], edits)).to.deep.equal([]);
  });
});
