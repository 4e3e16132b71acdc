const page = (head: string, body: string) =>
  new TextEncoder().encode(
    `<!doctype html><html lang="en"><head>${head}</head><body><nav><a href="/">Home</a> <a href="/shop">Shop</a></nav><main>${body}</main><footer>© A site</footer></body></html>`,
  );

/** Five small pages about oiling a hinge, with what was counted on each by hand. */
export const FIVE_PAGES = [
  {
    html: page(
      '<title>Oil a hinge</title><meta property="article:published_time" content="2026-03-01">',
      `<h1>Oil a hinge</h1>
<p>A hinge squeaks when it is dry.</p>
<h2>Which oil?</h2><p>Take thin machine oil and one drop.</p>
<h2>Lift the door</h2><p>Lift the door off its pins first. See <a href="/doors">doors</a> and <a href="https://pins.example/a">pins</a>.</p>
<ul><li>Oil</li><li>Cloth</li></ul><img src="/a.png" alt="A hinge">`,
    ),
    // 7; 2 + 7; 3 + 11; 2 words.
    counted: { words: 32, headings: 2, paragraphs: 3, lists: 1, tables: 0, pictures: 1, linksInside: 1, linksOutside: 1, questions: 1 },
    kind: 'article',
    date: '2026-03-01',
  },
  {
    html: page(
      '<title>Quiet hinges</title>',
      `<h1>Quiet hinges</h1>
<p>Three drops of oil make a door quiet again.</p>
<h2>Lift the door</h2><p>Two people lift the door from its pins.</p>
<h2>Wipe the pins</h2><p>Wipe old oil from the pins with a cloth.</p>
<table><tr><th>Oil</th><th>Lasts</th></tr><tr><td>Thin</td><td>A year</td></tr></table>`,
    ),
    // 9; 3 + 8; 3 + 9; 5 words.
    counted: { words: 37, headings: 2, paragraphs: 3, lists: 0, tables: 1, pictures: 0, linksInside: 0, linksOutside: 0, questions: 0 },
    kind: 'article',
    date: null,
  },
  {
    html: page(
      '<title>Hinge squeaks</title><script type="application/ld+json">{"@type":"DiscussionForumPosting","datePublished":"2024-01-05"}</script>',
      `<h1>Hinge squeaks</h1><div class="post"><p>Mine squeaks. What now?</p></div><div class="post"><p>Oil it.</p></div>`,
    ),
    counted: { words: 6, headings: 0, paragraphs: 2, lists: 0, tables: 0, pictures: 0, linksInside: 0, linksOutside: 0, questions: 0 },
    kind: 'forum',
    date: '2024-01-05',
  },
  {
    html: page(
      '<title>Oils</title>',
      `<h1>Oils</h1><div><h2>Thin oil</h2><p>£4.50</p><button>Add to basket</button></div><div><h2>Thick oil</h2><p>£5.50</p><button>Add to basket</button></div>`,
    ),
    counted: { words: 6, headings: 2, paragraphs: 2, lists: 0, tables: 0, pictures: 0, linksInside: 0, linksOutside: 0, questions: 0 },
    kind: 'shop',
    date: null,
  },
  {
    html: page(
      '<title>Doors that squeak</title><meta name="date" content="2019-11-30">',
      `<h1>Doors that squeak</h1><p>Oil stops it for a year.</p><h2>How much oil?</h2><p>One drop of thin oil in each hinge is enough. Read <a href="https://pins.example/a">this</a>.</p>`,
    ),
    // 6; 3 + 12 words.
    counted: { words: 21, headings: 1, paragraphs: 2, lists: 0, tables: 0, pictures: 0, linksInside: 0, linksOutside: 1, questions: 1 },
    kind: 'article',
    date: '2019-11-30',
  },
] as const;
