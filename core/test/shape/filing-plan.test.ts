import { expect } from 'chai';
import { gather } from '../../src/gather/formats.ts';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import type { PostNode } from '@even-page/core/post/schema';
import { outlineOf } from '@even-page/core/post/sections';
import { carriedOut, planDraft, planOutline } from '../../src/shape/filing-plan.ts';
import { incomingFrom, incomingFromText } from '../../src/shape/read-outline.ts';
import { isOutline } from '../../src/shape/incoming.ts';
import { headingLikeness } from '../../src/shape/match-parts.ts';
import { outlineFile } from '../../src/shape/outline-files.ts';

const PAGE = `Caning takes patience.

## What you need

A bundle of cane and twenty pegs.

## Soaking the cane

Soak it in warm water.

### How long

Twenty minutes.

## Weaving the seat

Work over and under across the frame.`;

function page(markdown = PAGE): PostNode {
  let n = 0;
  return withIds(postFromMarkdown(markdown), () => `b${++n}`);
}

const shape = (parts: readonly { level: number; heading: string }[]) => parts.map((p) => `${'#'.repeat(p.level)} ${p.heading}`);
const idOf = (doc: PostNode, heading: string) => outlineOf(doc).find((p) => p.heading === heading)!.id;

describe('what comes in', () => {
  it('is an outline as Markdown list, as lines set in, as headings or as OPML', async () => {
    const wanted = ['## Soaking', '### Warm water', '### How long', '## Weaving'];
    expect(shape(incomingFromText('- Soaking\n  - Warm water\n  - How long\n- Weaving'))).to.deep.equal(wanted);
    expect(shape(incomingFromText('Soaking\n\tWarm water\n\tHow long\nWeaving'))).to.deep.equal(wanted);
    expect(shape(incomingFromText('Soaking\n    Warm water\n    How long\nWeaving\n'))).to.deep.equal(wanted);
    expect(shape(incomingFromText('# Soaking\n## Warm water\n## How long\n# Weaving'))).to.deep.equal(wanted);
    const file =
      '<opml version="2.0"><body><outline text="Soaking"><outline text="Warm water"/><outline text="How long"/></outline><outline text="Weaving"/></body></opml>';
    const { draft } = await gather(new TextEncoder().encode(file), 'outline.opml');
    // Points under a heading come in as a list: they are notes of it.
    expect(shape(incomingFrom(draft!.doc))).to.deep.equal(['## Soaking', '## Weaving']);
    for (const text of ['- Soaking\n- Weaving', 'Soaking\nWeaving']) expect(isOutline(incomingFromText(text))).to.equal(true);
  });

  it('is a draft when there are words below its headings, or none at all', () => {
    const parts = incomingFromText(
      'Hello there.\n\n## Soaking\n\nSoak it for as long as it takes to drink a cup of tea, and then five minutes more.',
    );
    expect(shape(parts)).to.deep.equal(['## ', '## Soaking']);
    expect(isOutline(parts)).to.equal(false);
    expect(shape(incomingFromText('One sentence.\nAnother one.'))).to.deep.equal(['## ']);
    expect(incomingFromText('')).to.deep.equal([]);
  });
});

describe('a draft that is filed', () => {
  const draft = incomingFromText(`## What you need

A bucket as well.

## Soaking cane

Never use hot water.

## Across the frame

Go over one strand and under the next, and weave across the seat to the other side of the frame.

## Invoices

Send them in March.`);

  it('finds its homes by the same heading, by one like it, and by what it says', () => {
    const doc = page();
    const plan = planDraft(doc, draft, null);
    expect(plan.map((p) => p.match?.how ?? null)).to.deep.equal(['same', 'near', 'content', null]);
    expect(plan.map((p) => p.match && outlineOf(doc).find((o) => o.id === p.match!.home)!.heading)).to.deep.equal([
      'What you need',
      'Soaking the cane',
      'Weaving the seat',
      null,
    ]);
  });

  it('goes to the end of each, and loses nothing that found a home', () => {
    const doc = page();
    const plan = planDraft(doc, draft, null);
    const filed = postToMarkdown(carriedOut(doc, plan));
    expect(filed).to.contain('twenty pegs.\n\nA bucket as well.\n\n## Soaking the cane');
    expect(filed).to.contain('warm water.\n\nNever use hot water.\n\n### How long');
    expect(filed).to.match(/other side of the frame\.\n$/);
    expect(filed).not.to.contain('Invoices');
  });

  it('has what found no home as a part of its own where the writer wants that', () => {
    const doc = page();
    const plan = planDraft(doc, draft, null).map((p) => (p.match ? p : { ...p, filing: { to: 'new' as const } }));
    expect(postToMarkdown(carriedOut(doc, plan))).to.match(/other side of the frame\.\n\n## Invoices\n\nSend them in March\.\n$/);
  });

  it('fills a page with nothing on it', () => {
    const doc = page('');
    const plan = planDraft(doc, draft, null).map((p) => ({ ...p, filing: { to: 'new' as const } }));
    expect(postToMarkdown(carriedOut(doc, plan))).to.match(/^## What you need\n\nA bucket as well\./);
  });
});

describe('a second outline laid over the first', () => {
  it('shows what says the same, and puts what is new in its place', () => {
    const doc = page();
    const plan = planOutline(
      doc,
      incomingFromText('- Before you begin\n- Soak your cane\n- Choosing a pattern\n- Weaving the seat\n- Drying'),
      null,
    );
    expect(plan.map((p) => [p.match?.how ?? 'new', p.filing.to])).to.deep.equal([
      ['new', 'new'],
      ['near', 'nowhere'],
      ['new', 'new'],
      ['same', 'nowhere'],
      ['new', 'new'],
    ]);
    expect(plan[1]!.match!.home).to.equal(idOf(doc, 'Soaking the cane'));
    expect(shape(outlineOf(carriedOut(doc, plan)))).to.deep.equal([
      '## ',
      '## What you need',
      '## Before you begin',
      '## Soaking the cane',
      '### How long',
      '## Choosing a pattern',
      '## Weaving the seat',
      '## Drying',
    ]);
  });

  it('tells headings alike by their stems', () => {
    expect(headingLikeness('Soaking the cane', 'soaking the cane')).to.equal(1);
    expect(headingLikeness('Soaking the cane', 'Soak your cane')).to.be.closeTo(0.99, 0.001);
    // Dice (1945): twice the shared over the sum, here 2·1 / (2 + 2).
    expect(headingLikeness('Soaking the cane', 'Cutting the cane')).to.equal(0.5);
    expect(headingLikeness('', '')).to.equal(0);
  });
});

describe('an outline that goes out', () => {
  it('is a list, headings, or lines, which come in again as they were', () => {
    const doc = page();
    const wanted = shape(outlineOf(doc)).slice(1);
    for (const as of ['list', 'headings', 'lines'] as const)
      expect(shape(incomingFromText(outlineFile(doc, 'Caning', as))), as).to.deep.equal(wanted);
  });

  it('keeps signs that Markdown would read as its own', () => {
    const doc = page('## Soak *it* [twice]\n\n### 3\\. Dry_the_cane\n\n## Weaving');
    const wanted = shape(outlineOf(doc));
    for (const as of ['list', 'headings'] as const) {
      expect(shape(incomingFromText(outlineFile(doc, 'Caning', as))), as).to.deep.equal(wanted);
    }
    expect(outlineFile(doc, 'Caning', 'list')).to.match(/^- Soak it \\?\[twice\\?\]\n {2}- 3\\?\. Dry/);
  });

  // OPML 2.0, opml.org/spec2: a head with a title, a body of outlines with a text each.
  it('is OPML 2.0 with its title and notes', () => {
    const doc = page('## Cane & "reed"\n\n### How long\n\n## Weaving');
    const noted = doc.type.create(
      null,
      doc.children.map((b) => (b.textContent === 'Weaving' ? b.type.create({ ...b.attrs, note: '5 < 6' }, b.content) : b)),
    );
    expect(outlineFile(noted, 'Caning', 'opml')).to.equal(`<?xml version="1.0" encoding="UTF-8"?>
<opml version="2.0">
  <head><title>Caning</title></head>
  <body>
    <outline text="Cane &amp; &quot;reed&quot;">
      <outline text="How long"/>
    </outline>
    <outline text="Weaving" _note="5 &lt; 6"/>
  </body>
</opml>
`);
  });
});
