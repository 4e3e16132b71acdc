import { expect } from 'chai';
import { FORMAT, ownAddress } from '../../src/post/format.ts';
import { postFromHtml, postToHtml } from '../../src/post/html.ts';
import { fromMarkup, toMarkup } from '../../src/post/markup.ts';
import { postFromMarkdown, postToMarkdown } from '../../src/post/markdown.ts';
import { filesOf, mapFiles, picturesOf, shownPictures } from '../../src/post/pictures.ts';
import { docFromJSON, schema } from '../../src/post/schema.ts';

const DIGEST = '0123456789abcdef0123456789abcdefffffffffffffffffffffffffffffffff';

// A page of each format there ever was, as it was stored.
const PAGES: Record<number, object> = {
  1: {
    type: 'doc',
    content: [
      { type: 'heading', attrs: { id: 'h1', level: 2, origins: [] }, content: [{ type: 'text', text: 'Soaking' }] },
      { type: 'picture', attrs: { id: 'p1', src: `/pictures/${DIGEST}.webp`, alt: 'A bowl', caption: 'Water' } },
      {
        type: 'bulletList',
        attrs: { id: 'l1' },
        content: [{ type: 'listItem', content: [{ type: 'picture', attrs: { id: 'p2', src: 'https://larkfield.example/a.png' } }] }],
      },
    ],
  },
  2: {
    type: 'doc',
    attrs: { format: 2 },
    content: [
      {
        type: 'pictureRow',
        attrs: { id: 'r1' },
        content: ['a', 'b'].map((id) => ({
          type: 'picture',
          attrs: { id, src: '/pictures/01234567-89ab-cdef-0123-456789abcdef', size: 'small' },
        })),
      },
      { type: 'clip', attrs: { id: 'c1', address: 'https://clips.example/9', start: 3 } },
    ],
  },
};

describe('stored pages', () => {
  it('are kept here in every format there was', () => {
    expect(Object.keys(PAGES).map(Number)).to.deep.equal(Array.from({ length: FORMAT }, (_, n) => n + 1));
  });

  for (const [format, json] of Object.entries(PAGES)) {
    it(`of format ${format} open, and are of today's format from then on`, () => {
      const doc = docFromJSON(json);
      expect(doc.toJSON().attrs).to.deep.equal({ format: FORMAT });
      expect(docFromJSON(doc.toJSON()).eq(doc)).to.equal(true);
    });
  }

  it('of format 1 name their pictures by id from then on', () => {
    const [own, other] = picturesOf(docFromJSON(PAGES[1]));
    expect(own).to.include({ src: '/pictures/01234567-89ab-cdef-0123-456789abcdef', alt: 'A bowl', caption: 'Water', size: 'large' });
    expect(other!.src).to.equal('https://larkfield.example/a.png');
    expect(ownAddress('/pictures/x.webp')).to.equal('/pictures/x.webp');
  });

  it('of a later version are refused in a sentence', () => {
    expect(() => docFromJSON({ type: 'doc', attrs: { format: FORMAT + 1 }, content: [] })).to.throw(/later version/);
  });
});

describe('pictures on a page', () => {
  const picture = (attrs: object) => schema.node('picture', { src: '/pictures/a', alt: 'A lamp', ...attrs });
  const row = schema.node('doc', null, [
    schema.node('pictureRow', null, [picture({}), picture({ src: '/pictures/b', alt: 'B', caption: 'The other' })]),
  ]);

  it('in a row are a line of images in Markdown, a figure of figures in HTML, and come back', () => {
    expect(postToMarkdown(row)).to.equal('![A lamp](/pictures/a) ![B](/pictures/b "The other")\n');
    expect(postToHtml(row)).to.equal(
      '<figure class="row"><figure><img src="/pictures/a" alt="A lamp"></figure><figure><img src="/pictures/b" alt="B"><figcaption>The other</figcaption></figure></figure>',
    );
    for (const back of [postFromMarkdown(postToMarkdown(row)), postFromHtml(postToHtml(row))])
      expect(picturesOf(back).map((p) => p.caption)).to.deep.equal(['', 'The other']);
    expect(shownPictures(row).map((p) => p.shape)).to.deep.equal(['row', 'row']);
    const five = postFromMarkdown('![](/1) ![](/2) ![](/3) ![](/4) ![](/5)');
    expect(five.childCount).to.equal(5);
  });

  it('that are taken out of a row leave the others', () => {
    const left = mapFiles(row, (src) => (src.endsWith('b') ? null : src));
    expect(left.firstChild!.type.name).to.equal('picture');
    expect(filesOf(left)).to.deep.equal(['/pictures/a']);
  });

  it('say how they stand in HTML, and keep it through an edit of the Markdown', () => {
    const doc = schema.node('doc', null, [
      picture({ id: 'p', size: 'small', align: 'left', title: 'Lamp' }),
      picture({ id: 'q', size: 333, isDecorative: true }),
    ]);
    const html = postToHtml(doc);
    expect(html).to.contain('<figure class="small left"><img src="/pictures/a" alt="A lamp" title="Lamp">');
    expect(html).to.contain('<figure class="sized decorative"><img src="/pictures/a" alt="" width="333">');
    const [one, two] = picturesOf(postFromHtml(html));
    expect(one).to.include({ size: 'small', align: 'left', title: 'Lamp' });
    expect(two).to.include({ size: 333, isDecorative: true });
    const edited = fromMarkup(toMarkup(doc, 'markdown').replace('A lamp', 'Two lamps'), 'markdown', doc).doc;
    expect(picturesOf(edited)[0]).to.include({ id: 'p', alt: 'Two lamps', size: 'small', align: 'left' });
  });

  it('lead to themselves in full, with every file where it goes', () => {
    const doc = schema.node('doc', null, [picture({ href: '/pictures/a', size: 'medium' })]);
    const dressed = {
      files: [
        { address: '/m/375.webp', width: 375 },
        { address: '/m/900.webp', width: 900 },
      ],
      fallback: '/m/a.jpg',
      width: 900,
      height: 600,
      credit: 'Picture: Mira',
    };
    expect(postToHtml(doc, { picture: () => dressed })).to.equal(
      '<figure class="medium"><a href="/m/900.webp"><picture><source type="image/webp" srcset="/m/375.webp 375w, /m/900.webp 900w" sizes="(max-width: 420px) 100vw, 420px"><img src="/m/a.jpg" alt="A lamp" width="420" height="280" loading="lazy" decoding="async"></picture></a><figcaption><small class="credit">Picture: Mira</small></figcaption></figure>',
    );
    // The credit is no part of the caption when it comes back.
    expect(picturesOf(postFromHtml(postToHtml(doc, { picture: () => dressed })))[0]!.caption).to.equal('');
  });
});
