import { expect } from 'chai';
import { gather } from '../../src/gather/formats.ts';
import { gatherSeveral } from '../../src/gather/several.ts';
import type { Reading } from '../../src/gather/readings.ts';
import { postToHtml, postFromHtml } from '@even-page/core/post/html';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { zipSync } from 'fflate';

const bytes = (text: string) => new TextEncoder().encode(text);
const readPage = (html: string, reading?: Reading, address?: string) => gather(bytes(html), 'page.html', reading, address);
const written = async (body: string, reading?: Reading, address?: string) =>
  postToMarkdown(
    (
      await readPage(
        `<!doctype html><html><head><title>Soak a stone · Larkfield</title></head><body>${body}</body></html>`,
        reading,
        address,
      )
    ).draft!.doc,
  ).trim();

const SOAK = 'A coarse stone drinks water for ten minutes, and a fine one hardly at all; the bubbles tell when it has had enough.';
const KEEP = 'Keep it wet while you work, and let it dry on a rack overnight, never on the sill, where it cracks along its length.';
const TEXT = `<h1>Soak a stone</h1><p>${SOAK}</p><h2>After work</h2><p>${KEEP}</p>`;
const READ = `# Soak a stone\n\n${SOAK}\n\n## After work\n\n${KEEP}`.replace('# Soak a stone\n\n', '');
const MENU = '<li><a href="/">Home</a></li><li><a href="/posts">Posts</a></li><li><a href="/hall">The hall</a></li>';

describe('the main text of a web page', () => {
  // Ways in which pages are built (common practice, no source).
  for (const [form, body] of [
    ['in a main part, beside menus', `<nav><ul>${MENU}</ul></nav><main>${TEXT}</main><footer>© Larkfield</footer>`],
    [
      'in nested boxes without names',
      `<div><div><ul>${MENU}</ul></div><div><div><div>${TEXT}</div></div></div><div>© 2026 Larkfield</div></div>`,
    ],
    [
      'with one form around all',
      `<form action="/"><input name="q"><div class="menu"><ul>${MENU}</ul></div><div>${TEXT}</div><button>Send</button></form>`,
    ],
    ['in a table that lays it out', `<table><tr><td><ul>${MENU}</ul></td><td>${TEXT}</td></tr></table>`],
    [
      'with the ways to other pages above and below',
      `<div><a href="a">Previous</a> <a href="b">Next</a></div>${TEXT}<p><a href="a">Prev</a> | <a href="c">Up</a> | <a href="b">Next</a></p>`,
    ],
    [
      'with comments below',
      `<article>${TEXT}</article><section id="comments"><h2>Comments</h2><p>${KEEP.replace('Keep', 'Always keep')}</p><p>${SOAK}</p></section>`,
    ],
    [
      'with posts that are related',
      `${TEXT}<div class="related-posts"><h3>Related</h3><a href="1">Knives</a> <a href="2">Chairs</a></div>`,
    ],
    [
      'with a box about cookies and a sign-up',
      `<div class="cookie-banner">We use cookies. <button>Fine</button></div>${TEXT}<aside class="newsletter">Write to us <a href="/news">here</a></aside>`,
    ],
    ['with hidden words', `<div hidden>Loading</div><span style="display:none">0</span>${TEXT}<p aria-hidden="true">*</p>`],
    ['with a box of contents', `<div class="toc"><ul><li><a href="#a">Soak</a></li><li><a href="#b">After work</a></li></ul></div>${TEXT}`],
  ] as const)
    it(`is found ${form}`, async () => expect(await written(body)).to.equal(READ));

  it('keeps an aside of the author, a list of links inside it, its tables and its notes', async () => {
    const body = `<main><h1>Soak a stone</h1><p>${SOAK}</p><aside><p>Old stones drink longest of all; give them an hour.</p></aside><h2>Where to buy</h2><ul><li><a href="/a">The hall</a></li><li><a href="/b">Bo</a></li><li><a href="/c">Odile</a></li></ul><p>${KEEP}</p></main>`;
    const found = await written(body);
    expect(
      await written(
        `<main>${TEXT.replace('</p>', ' Press <span class="menu">File</span>.</p><aside><p>Never oil it.</p></aside>')}</main>`,
      ),
    )
      .to.contain('Press File.')
      .and.contain('Never oil it.');
    for (const words of ['Old stones drink longest', '[The hall](/a)', '[Odile](/c)', KEEP]) expect(found).to.contain(words);
  });

  it('keeps paragraphs that end with two breaks apart', async () => {
    expect(await written(`<div>${SOAK}<br><br>${KEEP}</div>`)).to.equal(`${SOAK}\n\n${KEEP}`);
  });

  it('says how much stayed out, and the whole page is one choice away', async () => {
    const menu = `<nav><ul>${MENU}</ul><p>Open on Tuesdays from seven until ten in the evening</p></nav>`;
    const page = `<html><body>${menu}<main>${TEXT}</main></body></html>`;
    const [found, whole] = [await readPage(page), await readPage(page, 'whole')];
    expect(found.notes!.join(' ')).to.match(/stayed out \(menus, boxes, notices\): 14 words\. “Whole page” brings it in\./);
    expect(postToMarkdown(whole.draft!.doc)).to.contain('Open on Tuesdays').and.contain(KEEP);
    expect(whole.notes).to.equal(undefined);
    expect(
      (await readPage(`<html><body>${TEXT}<script>var many = words that are no words of it at all;</script></body></html>`)).notes,
    ).to.equal(undefined);
  });

  it('is all there is where a page has nothing around it', async () => {
    expect(await written('<p>Short.</p><p><a href="/a">One</a> <a href="/b">two</a></p>')).to.equal('Short.\n\n[One](/a) [two](/b)');
  });
});

describe('pictures of a web page', () => {
  for (const [form, img] of [
    [
      'beside a placeholder',
      '<img src="data:image/gif;base64,R0lGODlhAQABAAAAACw=" data-src="https://larkfield.example/seat.png" alt="A seat">',
    ],
    ['under an original', '<img data-original="https://larkfield.example/seat.png" alt="A seat">'],
    ['in a list of sizes', '<img srcset="https://larkfield.example/small.png 300w, https://larkfield.example/seat.png 900w" alt="A seat">'],
    [
      'for browsers without scripts',
      '<img src="/spacer.gif" alt="A seat"><noscript><img src="https://larkfield.example/seat.png" alt="A seat"></noscript>',
    ],
    ['in several forms', '<picture><source srcset="seat.avif"><img src="https://larkfield.example/seat.png" alt="A seat"></picture>'],
  ] as const)
    it(`that load late are found ${form}`, async () => {
      expect(await written(`<p>${SOAK}</p><p>${img}</p>`)).to.equal(`${SOAK}\n\n![A seat](https://larkfield.example/seat.png)`);
    });

  it('keep where they lead, through Markdown and HTML and back', async () => {
    const markdown = '[![A seat](seat.png "Caned")](https://larkfield.example/big)';
    expect(
      await written(
        '<p>Caned.</p><figure><a href="https://larkfield.example/big"><img src="https://larkfield.example/s.png" alt="A seat"></a></figure>',
      ),
    ).to.equal('Caned.\n\n[![A seat](https://larkfield.example/s.png)](https://larkfield.example/big)');
    const doc = postFromMarkdown(markdown);
    expect(doc.child(0).attrs).to.include({ src: 'seat.png', alt: 'A seat', caption: 'Caned', href: 'https://larkfield.example/big' });
    expect(postToMarkdown(doc).trim()).to.equal(markdown);
    const html = postToHtml(doc);
    expect(html).to.contain(
      '<figure><a href="https://larkfield.example/big"><img src="seat.png" alt="A seat"></a><figcaption>Caned</figcaption></figure>',
    );
    expect(postFromHtml(html).eq(doc)).to.equal(true);
    // An address that runs something leads nowhere.
    expect(postFromHtml('<figure><a href="javascript:alert(1)"><img src="s.png" alt="A"></a></figure>').child(0).attrs.href).to.equal('');
  });

  it('and links have their addresses in full where the page was fetched, or says where it stands', async () => {
    const body = `<p>${SOAK} <a href="../b">More</a> <a href="#here">here</a></p><p><img src="/seat.png" alt="A seat"></p>`;
    expect(await written(body, 'structure', 'https://larkfield.example/posts/stone/'))
      .to.contain('[More](https://larkfield.example/posts/b)')
      .and.contain('(https://larkfield.example/seat.png)');
    const stated = await readPage(`<html><head><base href="https://hall.example/"></head><body>${body}</body></html>`);
    expect(postToMarkdown(stated.draft!.doc)).to.contain('(https://hall.example/seat.png)');
  });
});

describe('pages in an archive', () => {
  const picture = (n: number) => Uint8Array.from([0x89, 0x50, 0x4e, 0x47, n]);

  it('get the picture of their own folder, where two have the same name', async () => {
    const html = (folder: string) => bytes(`<html><body><p>${SOAK}</p><p><img src="img/seat.png" alt="${folder}"></p></body></html>`);
    const read = await gatherSeveral(
      zipSync({ 'a/page.html': html('a'), 'a/img/seat.png': picture(1), 'b/page.html': html('b'), 'b/img/seat.png': picture(2) }),
      'pages.zip',
    );
    expect(read.map((file) => file.pictures!.map((p) => p.bytes.at(-1)))).to.deep.equal([[1], [2]]);
  });

  it('and pictures one folder up, with blanks and letters of any script in their names', async () => {
    const read = await gatherSeveral(
      zipSync({ 'text/page.md': bytes(`${SOAK}\n\n![A seat](../media/Sitz%20neu%20ä.png)\n`), 'media/Sitz neu ä.png': picture(3) }),
      'pages.zip',
    );
    expect(read[0]!.pictures!.map((p) => p.name)).to.deep.equal(['Sitz neu ä.png']);
  });

  // A ZIP without the flag of UTF-8 holds names in code page 437 (APPNOTE 6.3.10, appendix D), or in UTF-8 all the same.
  it('have the names they were given, whatever letters the archive is written in', async () => {
    const withName = (name: number[]) => {
      const packed = zipSync({ ['n'.repeat(name.length) + '.txt']: bytes(SOAK) }, { level: 0 });
      for (let i = 0; i < packed.length - name.length; i++)
        if (packed.slice(i, i + name.length).every((b) => b === 'n'.charCodeAt(0))) packed.set(name, i);
      return packed;
    };
    expect((await gatherSeveral(withName([0x53, 0x81, 0xe1, 0x84]), 'a.zip'))[0]!.name).to.match(/^Süß?.*ä\.txt$/);
    expect((await gatherSeveral(withName([...bytes('Süßä')]), 'a.zip'))[0]!.name).to.equal('Süßä.txt');
  });
});
