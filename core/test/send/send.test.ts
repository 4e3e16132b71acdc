import { expect } from 'chai';
import { parse } from 'yaml';
import { withFilesAlong } from '../../src/dress/picture-files.ts';
import { readText } from '../gather/read-text.ts';
import { DESCRIPTION_LENGTH, detailsSchema, emptyDetails, SUMMARY_LENGTH } from '@even-page/core/post/details';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { emptyDoc } from '@even-page/core/post/schema';
import { proposeDescription } from '../../src/send/description.ts';
import { htmlFile, markdownFile } from '../../src/send/files.ts';
import { createMessage, findListed, outcomeOf, updateMessage } from '../../src/send/micropub.ts';

const doc = postFromMarkdown('Opening words.\n\n## Heading\n\n![A <lamp>](/pictures/x.webp)');
const details = {
  ...emptyDetails(),
  title: 'Lamps: "safe" & sound',
  slug: 'lamps-safe-and-sound',
  description: 'What the lamp evening taught.',
  category: 'Evenings',
  tags: ['lamps', 'wiring'],
};
const signed = { ...details, summary: 'Seven lamps, one evening.', byline: 'Odile and Bram' };

const edition = (own: typeof details) => ({ details: own, doc, dress: {}, cover: null });

describe('a description', () => {
  const page = postFromMarkdown(
    'Good evening, everybody, and welcome to the hall tonight.\n\nA dull knife is the dangerous one, because you push it where it does not want to go. Fifteen degrees and two coins bring the edge back on a wet stone in a quarter of an hour.',
  );

  it('is proposed from what the post says, not from its greeting', () => {
    const proposed = proposeDescription('', page, DESCRIPTION_LENGTH);
    expect(proposed).to.match(/^A dull knife/);
    expect(proposed.length).to.be.at.most(160);
  });

  it('never ends inside a word', () => {
    const proposed = proposeDescription('', page, DESCRIPTION_LENGTH);
    if (proposed.endsWith('…')) expect(page.textContent).to.match(new RegExp(`${proposed.slice(-12, -1)}[\\s,.;]`));
  });

  it('begins with the standfirst, and is empty for an empty page', () => {
    expect(proposeDescription('Two coins and a stone bring an edge back.', page, DESCRIPTION_LENGTH)).to.match(/^Two coins/);
    expect(proposeDescription('', emptyDoc(), DESCRIPTION_LENGTH)).to.equal('');
  });
});

describe('a description of a conversation', () => {
  it('tells what was answered, without who spoke and what was asked, and nothing twice', () => {
    const page = postFromMarkdown(
      '**Ada:** How do you find the place in the flex?\n\n**Ben:** Run it through your fingers and feel for where it goes soft. Then look at the plug and at its fuse.\n\n**Ada:** Is that all? We have the lamps of the whole street here tonight.',
    );
    expect(proposeDescription('Then look at the plug and at its fuse.', page, DESCRIPTION_LENGTH)).to.equal(
      'Then look at the plug and at its fuse. Run it through your fingers and feel for where it goes soft. We have the lamps of the whole street here tonight.',
    );
  });
});

describe('a summary', () => {
  const page = postFromMarkdown(
    'A dull knife is the dangerous one, because you push it where it does not want to go. Fifteen degrees and two coins bring the edge back on a wet stone. It takes a quarter of an hour. Whoever has done it once does it again before the next roast, for nothing in the kitchen is as good as an edge that falls through an onion by itself.',
  );

  it('is proposed longer than a description, in whole sentences', () => {
    const proposed = proposeDescription('', page, SUMMARY_LENGTH);
    expect(proposed).to.match(/^A dull knife.*quarter of an hour\.$/);
    expect(proposed.length)
      .to.be.above(proposeDescription('', page, DESCRIPTION_LENGTH).length)
      .and.at.most(300);
  });
});

describe('the Markdown file', () => {
  it('opens with YAML front matter that says what the details say', () => {
    const [, front, body] = /^---\n([^]*?)---\n\n([^]*)$/.exec(markdownFile(details, doc))!;
    const { standfirst: _empty, ...filled } = details;
    expect(parse(front!)).to.deep.equal(filled);
    expect(body).to.equal(postToMarkdown(doc));
  });

  it('comes back in as the same draft', () => {
    const { draft } = readText(new TextEncoder().encode(markdownFile(signed, doc)), 'post.md');
    expect(draft!.details).to.deep.equal(Object.fromEntries(Object.entries(signed).filter(([, v]) => String(v ?? '').length)));
    expect(postToMarkdown(draft!.doc)).to.equal(postToMarkdown(doc));
  });

  it('has no front matter when there is nothing to say', () => {
    expect(markdownFile(emptyDetails(), doc)).to.match(/^Opening words/);
  });
});

describe('the HTML file', () => {
  it('is a whole page with its title and description, all of it escaped', () => {
    const html = htmlFile(signed, doc);
    expect(html).to.contain('<meta name="author" content="Odile and Bram">');
    expect(html).to.match(/^<!doctype html>\n<html lang="en">/);
    expect(html).to.contain('<title>Lamps: "safe" &#x26; sound</title>');
    expect(html).to.contain('<meta name="description" content="What the lamp evening taught.">');
    expect(html).to.contain('alt="A <lamp>"');
  });
});

describe('pictures that go along', () => {
  it('are named in words, each once, and pointed at', () => {
    const page = postFromMarkdown(
      '![A lamp](/pictures/1.webp)\n\n![A lamp](/pictures/2.webp)\n\n![](/pictures/3.webp)\n\n![far](https://larkfield.example/4.png)',
    );
    const { doc: moved, files } = withFilesAlong(page);
    expect(files.map((f) => f.path)).to.deep.equal(['pictures/a-lamp.webp', 'pictures/a-lamp-2.webp', 'pictures/picture.webp']);
    expect(postToMarkdown(moved)).to.contain('(pictures/a-lamp-2.webp)').and.to.contain('https://larkfield.example/4.png');
  });
});

// Shapes after the W3C Recommendation "Micropub", sections 3.3 (create in JSON) and 3.4 (update).
describe('Micropub messages', () => {
  it('create an entry with its properties as lists', () => {
    const message = createMessage(edition(details));
    expect(message).to.deep.include({ type: ['h-entry'] });
    const { properties } = message as Extract<typeof message, { type: unknown }>;
    expect(properties).to.deep.include({
      name: [details.title],
      summary: [details.description],
      category: ['lamps', 'wiring'],
      'mp-channel': ['Evenings'],
      'mp-slug': ['lamps-safe-and-sound'],
    });
    expect(properties.content).to.have.nested.property('[0].html').that.contains('<h2>Heading</h2>');
  });

  it('update by replacing what is there and deleting what is not', () => {
    const message = updateMessage('https://larkfield.example/x', edition({ ...details, tags: [], description: '' }));
    expect(message).to.deep.include({
      action: 'update',
      url: 'https://larkfield.example/x',
      delete: ['summary', 'mp-description', 'author', 'category', 'featured'],
    });
    expect(message).to.not.have.nested.property('replace.mp-slug');
  });

  it('name who wrote it as a card, and hold summary and description apart', () => {
    const { properties } = createMessage(edition(signed)) as {
      properties: Record<string, unknown[]>;
    };
    // Source: microformats 2, h-entry: p-author is an h-card; p-summary is a short summary.
    expect(properties.author).to.deep.equal([{ type: ['h-card'], properties: { name: ['Odile and Bram'] } }]);
    expect(properties.summary).to.deep.equal(['Seven lamps, one evening.']);
    expect(properties['mp-description']).to.deep.equal([details.description]);
  });

  it('carry the standfirst as escaped words', () => {
    const { properties } = createMessage(edition({ ...details, standfirst: 'Safe & <sound>' })) as unknown as {
      properties: { content: [{ html: string }] };
    };
    expect(properties.content[0].html).to.match(/^<p><em>Safe &amp; &lt;sound&gt;<\/em><\/p>/);
  });

  it('are answered with an address, with a reason, or with what nobody knows', () => {
    const outcome = (status: number, location: string | null = null, known?: string) =>
      outcomeOf({ status, location, body: { error_description: 'Closed today.' } }, known);
    const here = 'https://larkfield.example/x';
    // Micropub, 3.2: a new post is answered with 201 or 202 and its address; 3.4: a change with 200, 201 or 204.
    for (const status of [201, 202]) expect(outcome(status, here)).to.deep.equal({ arrived: here });
    for (const status of [200, 204]) expect(outcome(status, null, here)).to.deep.equal({ arrived: here });
    expect(outcome(201, `${here}2`, here)).to.deep.equal({ arrived: `${here}2` });
    // A new post without a usable address, a redirect that may follow a post, a fault inside: it may stand there.
    for (const status of [200, 201, 202, 204, 302, 303, 500, 502, 504]) expect(outcome(status), String(status)).to.have.property('unknown');
    for (const address of ['ftp://larkfield.example/x', 'javascript:alert(1)', 'mailto:a@example.org', 'no address'])
      expect(outcome(201, address), address).to.have.property('unknown');
    for (const status of [301, 307, 308, 400, 401, 403, 404, 409, 413])
      expect(outcome(status), String(status)).to.have.property('refused').that.includes('Closed today.');
    // A change can be sent again: nothing is made twice by it.
    for (const status of [302, 500, 400]) expect(outcome(status, null, here)).to.have.property('refused');
  });

  it('are found again in a list of an outlet by their words', () => {
    const own = createMessage(edition(details)) as unknown as { properties: Record<string, unknown[]> };
    const item = (url: string, change: Record<string, unknown[]> = {}) => ({
      type: ['h-entry'],
      properties: { ...own.properties, url: [url], ...change },
    });
    const listed = (...items: unknown[]) => findListed({ items }, edition(details));
    expect(listed(null, {}, item('https://larkfield.example/other', { name: ['Another'] }), item('https://larkfield.example/x'))).to.equal(
      'https://larkfield.example/x',
    );
    expect(listed(item('https://larkfield.example/x', { content: [{ html: '<p>Other words.</p>' }] }))).to.equal(null);
    expect(listed(item('javascript:alert(1)'))).to.equal(null);
    expect(listed()).to.equal(null);
  });
});

describe('details', () => {
  it('refuse a slug that is not one, with a sentence', () => {
    for (const slug of ['Big', 'a b', 'a--b', '-a', 'a/b', '../a']) {
      expect(() => detailsSchema.validateSync({ ...details, slug }), slug).to.throw(/A slug is lower-case words/);
    }
    for (const slug of ['', 'a', 'a-b-2', 'größe']) expect(detailsSchema.isValidSync({ ...details, slug }), slug).to.equal(true);
  });
});
