import { expect } from 'chai';
import { witnesses } from '@even-page/core/proof';
import { schema } from '@even-page/core/post/schema';

const page = (...sources: string[]) =>
  schema.node(
    'doc',
    null,
    sources.map((source, n) =>
      schema.node('paragraph', { id: `p${n}`, origins: source ? [{ source, first: n, last: n, label: '' }] : [] }, schema.text('Soak it.')),
    ),
  );
const draft = { id: 'draft', source: { kind: 'docx', passages: [{ text: 'Soak it.' }] } };
const notes = { id: 'notes', source: { kind: 'text', passages: [{ text: 'Soak it.' }] } };
const talk = { id: 'talk', source: { kind: 'vtt', passages: [{ text: 'So we soak it.', startMs: 0 }] } };
const told = { id: 'told', source: { kind: 'transcript', passages: [{ text: 'So we soak it.', speaker: 'Ada' }] } };

describe('what a page is held against', () => {
  it('is the talk alone, where the page is a draft as it came', () => {
    expect(witnesses(page('draft', 'draft', 'draft'), [draft, talk])).to.deep.equal(['talk']);
    expect(witnesses(page('draft', 'draft', ''), [draft, told, notes])).to.deep.equal(['told', 'notes']);
  });

  it('is all of the material, where the page was made of it', () => {
    expect(witnesses(page('notes', 'talk', 'talk'), [notes, talk])).to.deep.equal(['notes', 'talk']);
    expect(witnesses(page('talk'), [talk])).to.deep.equal(['talk']);
  });

  it('is all of the material, where nobody talks', () => {
    expect(witnesses(page('draft'), [draft, notes])).to.deep.equal(['draft', 'notes']);
  });
});
