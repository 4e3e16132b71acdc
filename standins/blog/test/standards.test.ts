import { expect } from 'chai';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { ORIGIN, runningBlog } from './running-blog.ts';

describe('the blog stand-in against its standards', () => {
  let blog: ReturnType<typeof runningBlog>;

  beforeEach(() => (blog = runningBlog()));
  afterEach(() => blog.end());

  const json = (body: unknown) => blog.json(body);
  const ask = (query: string) => blog.ask(query);
  const source = (url: string) => ask(`q=source&url=${encodeURIComponent(url)}`);
  const formed = (text: string) => blog.post(text, { 'content-type': 'application/x-www-form-urlencoded; charset=utf-8' });

  // Requests as the W3C Recommendation "Micropub" (23 May 2017) prints them, with addresses of our own; written
  // down from memory, section numbers too.
  describe('Micropub examples', () => {
    const CREATED: [string, () => Response | Promise<Response>, Record<string, unknown[]>][] = [
      [
        '3.3 a note in a form',
        () => formed('h=entry&content=hello+world&category[]=foo&category[]=bar'),
        { content: ['hello world'], category: ['foo', 'bar'] },
      ],
      [
        '3.3.1 a photo by its address',
        () => formed('h=entry&content=hello+world&photo=https%3A%2F%2Fphotos.larkfield.example%2F592829482876343254.jpg'),
        { photo: ['https://photos.larkfield.example/592829482876343254.jpg'] },
      ],
      [
        '3.3.2 the same in JSON',
        () =>
          json({
            type: ['h-entry'],
            properties: {
              content: ['hello world'],
              category: ['foo', 'bar'],
              photo: ['https://photos.larkfield.example/592829482876343254.jpg'],
            },
          }),
        { content: ['hello world'], category: ['foo', 'bar'] },
      ],
      [
        '3.3.2 HTML content',
        () => json({ type: ['h-entry'], properties: { content: [{ html: '<b>Hello</b> <i>World</i>' }] } }),
        { content: [{ html: '<b>Hello</b> <i>World</i>' }] },
      ],
      [
        '3.3.2 a photo with alternative text',
        () =>
          json({
            type: ['h-entry'],
            properties: {
              content: ['hello world'],
              photo: [{ value: 'https://photos.larkfield.example/globe.gif', alt: 'Spinning globe animation' }],
            },
          }),
        { photo: [{ value: 'https://photos.larkfield.example/globe.gif', alt: 'Spinning globe animation' }] },
      ],
      [
        '3.3.2 a nested object',
        () =>
          json({
            type: ['h-entry'],
            properties: { content: ['Weighed in.'], weight: [{ type: ['h-measure'], properties: { num: ['70.64'], unit: ['kg'] } }] },
          }),
        { weight: [{ type: ['h-measure'], properties: { num: ['70.64'], unit: ['kg'] } }] },
      ],
    ];
    for (const [name, send, wanted] of CREATED) {
      it(name, async () => {
        const answer = await send();
        expect(answer.status).to.equal(201);
        const url = answer.headers.get('location')!;
        expect(url).to.match(/^http:\/\/blog\.larkfield\.example\/./);
        const { type, properties } = await source(url);
        expect(type).to.deep.equal(['h-entry']);
        for (const [property, values] of Object.entries(wanted)) expect(properties[property]).to.deep.equal(values);
        expect((await blog.app.request(url.slice(ORIGIN.length))).status).to.equal(200);
      });
    }

    it('3.3.3 files in a multipart form', async () => {
      const body = new FormData();
      body.append('h', 'entry');
      body.append('content', 'Hello World!');
      body.append('category[]', 'foo');
      body.append('category[]', 'bar');
      body.append('photo', new File([new Uint8Array([255, 216, 255])], 'lamp.png', { type: 'image/png' }));
      const answer = await blog.post(body);
      expect(answer.status).to.equal(201);
      const { properties } = await source(answer.headers.get('location')!);
      expect(properties.category).to.deep.equal(['foo', 'bar']);
      expect((await blog.app.request(String(properties.photo[0]).slice(ORIGIN.length))).status).to.equal(200);
    });

    it('3.4 updates: replace, add, delete a property, delete a value', async () => {
      const created = await json({ type: ['h-entry'], properties: { content: ['hello world'], category: ['indieweb'] } });
      const url = created.headers.get('location')!;
      const after = async (change: object) => {
        expect((await json({ action: 'update', url, ...change })).status).to.be.oneOf([200, 201, 204]);
        return (await source(url)).properties;
      };
      expect((await after({ replace: { content: ['hello moon'] } })).content).to.deep.equal(['hello moon']);
      expect(
        (await after({ add: { syndication: ['http://archive.larkfield.example/2014/06/01/9/indieweb'] } })).syndication,
      ).to.have.length(1);
      expect((await after({ add: { category: ['micropub'] } })).category).to.deep.equal(['indieweb', 'micropub']);
      expect((await after({ delete: { category: ['indieweb'] } })).category).to.deep.equal(['micropub']);
      expect(await after({ delete: ['category'] })).to.not.have.property('category');
    });

    it('3.5 delete and undelete, in a form and in JSON', async () => {
      const url = (await formed('h=entry&content=hello+world')).headers.get('location')!;
      const status = async () => (await blog.app.request(url.slice(ORIGIN.length))).status;
      await formed(`action=delete&url=${encodeURIComponent(url)}`);
      expect(await status()).to.equal(410);
      await json({ action: 'undelete', url });
      expect(await status()).to.equal(200);
      await json({ action: 'delete', url });
      await formed(`action=undelete&url=${encodeURIComponent(url)}`);
      expect(await status()).to.equal(200);
    });

    it('3.7 queries: configuration, source by properties and whole, where to syndicate', async () => {
      const url = (
        await json({
          type: ['h-entry'],
          properties: { published: ['2016-02-21T12:50:53-08:00'], content: ['Hello World'], category: ['foo', 'bar'] },
        })
      ).headers.get('location')!;
      expect(await ask('q=config'))
        .to.have.property('media-endpoint')
        .that.is.a('string');
      expect(await ask('q=syndicate-to'))
        .to.have.property('syndicate-to')
        .that.is.an('array');
      expect(await ask(`q=source&properties[]=published&properties[]=category&url=${encodeURIComponent(url)}`)).to.deep.equal({
        properties: { published: ['2016-02-21T12:50:53-08:00'], category: ['foo', 'bar'] },
      });
      expect(await source(url)).to.deep.equal({
        type: ['h-entry'],
        properties: { published: ['2016-02-21T12:50:53-08:00'], content: ['Hello World'], category: ['foo', 'bar'] },
      });
    });

    it('3.8 errors are JSON with an error code of the list', async () => {
      const refused: [Response | Promise<Response>, number, string][] = [
        [blog.app.request('/micropub', { method: 'POST', body: new URLSearchParams({ h: 'entry' }) }), 401, 'unauthorized'],
        [
          blog.app.request('/micropub', {
            method: 'POST',
            headers: { authorization: 'Bearer wrong' },
            body: new URLSearchParams({ h: 'entry' }),
          }),
          403,
          'forbidden',
        ],
        [json({ action: 'update', url: `${ORIGIN}/none`, replace: {} }), 400, 'invalid_request'],
        [json({ type: ['h-entry'], properties: { content: 'not a list' } }), 400, 'invalid_request'],
      ];
      for (const [answer, status, error] of refused) {
        const response = await answer;
        expect(response.status).to.equal(status);
        expect(response.headers.get('content-type')).to.contain('application/json');
        expect((await response.json()).error).to.equal(error);
      }
    });

    it('3.9 and 5.3: HTML and links lead a client to the endpoint', async () => {
      const page = await blog.app.request('/');
      expect(`${page.headers.get('link')} ${await page.text()}`).to.match(/rel="?micropub"?/);
    });
  });

  // RFC 4287, "The Atom Syndication Format": what sections 4.1.1, 4.1.2, 3.3 and 4.2 ask of a feed and its entries.
  it('the feed is Atom as RFC 4287 has it', async () => {
    await json({
      type: ['h-entry'],
      properties: { name: ['Stones & "water" <wet>'], content: [{ html: '<p>Wet &amp; flat.</p>' }], category: ['knives'] },
    });
    await json({ type: ['h-entry'], properties: { content: ['A note without a title'], published: ['2026-01-02T10:00:00Z'] } });
    const response = await blog.app.request('/feed.xml');
    expect(response.headers.get('content-type')).to.match(/^application\/atom\+xml/);
    const text = await response.text();
    expect(XMLValidator.validate(text)).to.equal(true);
    const { feed } = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '@',
      isArray: (name) => /^(?:entry|link|category)$/.test(name),
    }).parse(text);
    expect(feed['@xmlns']).to.equal('http://www.w3.org/2005/Atom');
    const DATE = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d+)?(?:Z|[+-]\d\d:\d\d)$/;
    for (const part of [feed, ...feed.entry]) {
      expect(part.id, '4.2.6: one id, an IRI').to.match(/^http:\/\/\S+$/);
      expect(part.updated, '3.3: a date of RFC 3339').to.match(DATE);
      expect([part.title].flat(), '4.2.14: one title').to.have.length(1);
      expect(
        part.link.filter((l: Record<string, string>) => (l['@rel'] ?? 'alternate') === 'alternate'),
        '4.1: one alternate link',
      ).to.have.length(1);
    }
    expect(feed.author.name, '4.1.1: an author for all entries').to.be.a('string');
    expect(
      feed.link.some((l: Record<string, string>) => l['@rel'] === 'self'),
      '4.1.1: a link to itself',
    ).to.equal(true);
    expect(new Set(feed.entry.map((e: { id: string }) => e.id)).size).to.equal(2);
    expect(new Date(feed.updated).getTime()).to.equal(
      Math.max(...feed.entry.map((e: { updated: string }) => new Date(e.updated).getTime())),
    );
    const [first] = feed.entry;
    expect(first.content['@type'], '4.1.3.3: escaped HTML').to.equal('html');
    expect(first.category[0]['@term']).to.equal('knives');
  });
});
