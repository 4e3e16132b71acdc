import { expect } from 'chai';
import { dayAt } from '@even-page/core/language/days';
import { measurePage } from '@even-page/core/yardstick';

const times = (n: number, made: (k: number) => string) => Array.from({ length: n }, (_, k) => made(k)).join('\n');
const prose = (n: number) =>
  times(n, (k) => `<p>Sentence ${k} says how the hinge of a door is oiled, and what goes wrong when nobody wipes it afterwards.</p>`);
const page = (body: string, head = '') => `<html><head><title>Hinges</title>${head}</head><body>${body}</body></html>`;
const data = (types: object) => `<script type="application/ld+json">${JSON.stringify(types)}</script>`;
const measured = (html: string) => measurePage(new TextEncoder().encode(html), 'https://site.example/page');

const COMMENTS = `<ol>${times(12, () => '<li class="comment even"><p>Great post, thanks for the tip.</p></li>')}</ol>`;
const PRICED = '<p>It costs £4.99 here and £5.49 there. £3 for a small one. £12 for a big one. <a href="/b">Buy now</a></p>';

/** Pages as site programs write them, by what kind they are. */
const KINDS: Record<string, Record<string, string>> = {
  article: {
    'with data that says so': page(prose(9) + COMMENTS, data({ '@graph': [{ '@type': 'Article' }, { '@type': 'WebPage' }] })),
    'with comments below, and no data': page(`<div class="entry-content"><h1>Hinges</h1>${prose(12)}</div>${COMMENTS}`),
    'that weighs what things cost': page(`<article>${prose(12)}${PRICED}</article>`, '<meta property="og:type" content="article">'),
    'that counts the best': page(
      `<article>${times(9, (k) => `<h2>${k + 1}. Oil</h2>${prose(2)}<a href="/${k}">Check price</a>`)}</article>`,
    ),
    'that answers questions': page(
      times(3, () => `<h2>Why?</h2>${prose(4)}`),
      data({ '@type': 'FAQPage', mainEntity: [{ '@type': 'Question' }] }),
    ),
    'without a paragraph': page(times(12, (k) => `<div>Sentence ${k} says how the hinge of a door is oiled with care.<br><br></div>`)),
  },
  forum: {
    'of parts with names': page(times(6, () => '<article class="post"><p>Mine squeaks too when it rains a lot.</p></article>')),
    'in a table': page(
      `<table>${times(7, (k) => `<tr><td>user${k}<br>Joined: 201${k}</td><td>I tried oil, and it came back worse.</td></tr>`)}</table>`,
    ),
    'that says so': page(prose(3), data({ '@type': 'QAPage' })),
  },
  shop: {
    'of one thing': page(`<h1>Oil</h1>£4.99 <button>Add to basket</button>${prose(2)}`, '<meta property="og:type" content="product">'),
    'of many': page(times(12, () => '<div><a href="/p">Brass hinge</a> £2.49 <button>Add to cart</button></div>')),
  },
  list: {
    'of links': page(`<main><ul>${times(30, (k) => `<li><a href="/a${k}">How to mend the hinge of door ${k}</a></li>`)}</ul></main>`),
  },
  video: {
    'of another site': page('<h1>Hinges</h1><iframe src="https://player.example/1"></iframe><p>In this video I fix a hinge.</p>'),
    'that says so': page('<video src="a.mp4"></video><p>Watch.</p>', '<meta property="og:type" content="video.other">'),
  },
};

describe('a page of the web', () => {
  for (const [kind, pages] of Object.entries(KINDS))
    for (const [how, html] of Object.entries(pages))
      it(`is known as ${kind} ${how}`, () => {
        expect(measured(html).kind).to.equal(kind);
      });

  it('states its day to programs, or in words', () => {
    const day = (body: string, head = '') => measured(page(`<h1>Hinges</h1>${body}${prose(5)}`, head)).date;
    expect(day('', '<meta property="article:published_time" content="2023-04-02T10:00:00+00:00">')).to.equal('2023-04-02');
    expect(day('<time datetime="2009-11-03">long ago</time>')).to.equal('2009-11-03');
    expect(day('<p>Last updated: 3 November 2011</p>')).to.equal('2011-11-03');
    expect(day('<p>Posted on March 4th, 2015 by Sam</p>')).to.equal('2015-03-04');
    expect(day('<div>Posted: Mon Apr 2, 2018 10:00 pm</div>')).to.equal('2018-04-02');
    expect(day('<p>We met on 3 May 2014.</p>')).to.equal(null);
    // What is told to programs goes first.
    expect(day('<p>Updated 1 May 2012</p><time datetime="2010-01-01"></time>')).to.equal('2010-01-01');
  });

  it('is read for days in the forms English has', () => {
    expect(['2011-11-03', '3rd of November 2011', '3 Nov 2011', 'Nov. 3, 2011', 'November 3rd 2011'].map(dayAt)).to.deep.equal(
      Array.from({ length: 5 }, () => '2011-11-03'),
    );
    expect(['2011-13-03', '45 May 2011', 'May 2011', 'tomorrow'].map(dayAt)).to.deep.equal([null, null, null, null]);
  });
});
