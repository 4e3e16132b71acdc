import { expect } from 'chai';
import { namedIn, pageInTheme, plainTheme, readTheme, sheetAlone } from '@even-page/core/theme';

const POST = `<!doctype html><html lang="en-GB"><head>
  <link rel="stylesheet" href="/main.css"><link rel="stylesheet" media="print" href="/print.css"><link rel="icon" href="/i.png">
  <style>body { color: #111 }</style></head>
  <body class="blog serif"><nav><a href="/">Home</a></nav><script>alert(1)</script>
  <main id="main"><article class="h-entry"><h1 class="p-name large">Soldering</h1>
  <div class="e-content prose"><p>Words of the post that stands there.</p></div><p>Tags</p></article></main></body></html>`;

describe('the theme of an outlet', () => {
  it('is read from one of its posts: sheets in their order, and what stands around the words', () => {
    const { sheets, around, title } = readTheme(POST, 'https://blog.example/soldering');
    expect(sheets).to.deep.equal([{ address: 'https://blog.example/main.css' }, { css: 'body { color: #111 }' }]);
    expect(around.map(({ tag, id, classes }) => [tag, id, ...classes].filter(Boolean).join(' '))).to.deep.equal([
      'html',
      'body blog serif',
      'main main',
      'article h-entry',
      'div e-content prose',
    ]);
    expect(around[0]!.lang).to.equal('en-GB');
    expect(title).to.deep.equal({ inside: 3, classes: ['p-name', 'large'] });
  });

  it('shows another post between the same elements, and nothing of the one it was read from', () => {
    const { sheets: _, ...around } = readTheme(POST, 'https://blog.example/soldering');
    const page = pageInTheme({ ...around, css: 'p { color: red }' }, { title: 'Oil & water', html: '<p>Mine.</p>' });
    expect(page).to.contain(
      '<body class="blog serif"><main id="main"><article class="h-entry"><h1 class="p-name large">Oil &amp; water</h1>',
    );
    expect(page).to.contain('<div class="e-content prose"><p>Mine.</p></div></article></main></body></html>');
    expect(page).to.contain('<style>p { color: red }</style>');
    expect(page).not.to.match(/Words of the post|Tags|Home|alert/);
  });

  it('finds the words in article, main or body where nothing is marked', () => {
    const theme = readTheme(
      '<html><body><div class="wrap"><article class="post"><h1>A</h1><p>b</p></article></div></body></html>',
      'https://x.example/',
    );
    expect(theme.around.map(({ tag }) => tag)).to.deep.equal(['html', 'body', 'div', 'article']);
    const page = pageInTheme({ ...theme, css: '' }, { title: 'T', html: '<p>Mine.</p>' });
    expect(page).to.contain('<article class="post"><h1>T</h1><div class="e-content"><p>Mine.</p></div></article>');
    expect(readTheme('<html><body><p>b</p></body></html>', 'https://x.example/').around).to.have.length(2);
  });

  it('refuses in a sentence what is no page, and what nests without an end', () => {
    expect(() => readTheme('{"a":1}', 'https://x.example/')).to.throw('There is no page at this address');
    expect(() => readTheme('', 'https://x.example/')).to.throw('There is no page at this address');
    expect(() => readTheme(`<body>${'<div>'.repeat(5000)}x`, 'https://x.example/')).to.throw('nests deeper');
  });

  it('lets no sheet end the element it stands in, and no class or id open another', () => {
    const page = pageInTheme(
      {
        css: 'p::after { content: "</style><script>alert(1)</script>" }',
        around: [
          { tag: 'html', id: '', classes: [], lang: '' },
          { tag: 'body', id: '"><script>', classes: ['"onload="x'], lang: '' },
        ],
        title: { inside: 1, classes: [] },
      },
      { title: '<b>', html: '' },
    );
    expect(page).not.to.contain('</style><script>').and.not.to.contain('"><script>').and.not.to.contain('"onload');
    expect(page).to.contain('&lt;b&gt;');
  });

  it('keeps the fonts it names and asks for nothing else from anywhere', () => {
    const css = `@import url("base.css") screen; @font-face { font-family: A; src: url('../f/a.woff2') format("woff2") }
      body { background: url(https://elsewhere.example/dot.png) } i { mask: url(#m) } b { background: url(data:image/gif;base64,R0) }`;
    const address = 'https://blog.example/css/main.css';
    expect(namedIn(css, address)).to.deep.equal({
      sheets: ['https://blog.example/css/base.css'],
      fonts: ['https://blog.example/f/a.woff2'],
    });
    const alone = sheetAlone(css, address, new Map([['https://blog.example/f/a.woff2', 'data:font/woff2;base64,AA']]));
    expect(alone).to.contain('url("data:font/woff2;base64,AA")').and.to.contain('url(#m)').and.to.contain('url(data:image/gif;base64,R0)');
    expect(alone).not.to.match(/https?:|@import/);
  });

  it('is a plain one where no outlet is known, with the title over the words', () => {
    expect(pageInTheme(plainTheme('figure { margin: 0 }'), { title: 'T', html: '<p>w</p>' })).to.match(
      /<style>figure \{ margin: 0 \}[\s\S]*<article><h1>T<\/h1><div class="e-content"><p>w<\/p><\/div><\/article>/,
    );
  });
});
