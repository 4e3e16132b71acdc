import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blog } from '../src/blog.ts';
import { Store } from '../src/store.ts';

const ORIGIN = 'http://blog.larkfield.example';

describe('the blog stand-in', () => {
  let folder: string;
  let app: ReturnType<typeof blog>;

  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'blog-'));
    app = blog({ origin: ORIGIN, token: 'secret', store: new Store(folder) });
  });
  afterEach(() => rmSync(folder, { recursive: true }));

  const auth = { authorization: 'Bearer secret' };
  const send = (body: unknown) =>
    app.request('/micropub', { method: 'POST', headers: { ...auth, 'content-type': 'application/json' }, body: JSON.stringify(body) });
  const ask = async (query: string) => (await app.request(`/micropub?${query}`, { headers: auth })).json();
  const path = (location: string | null) => location!.slice(ORIGIN.length);
  const create = async (properties: object) => (await send({ type: ['h-entry'], properties })).headers.get('location')!;

  // The requests below follow the examples of the W3C Recommendation "Micropub" (23 May 2017), sections 3.3 to 3.7.
  it('creates an entry from JSON (3.3.2) and shows it', async () => {
    const location = await create({ name: ['Stones'], content: [{ html: '<p>Keep it <b>wet</b>.</p>' }], category: ['knives'] });
    expect(location).to.equal(`${ORIGIN}/stones`);
    const page = await (await app.request(path(location))).text();
    expect(page).to.contain('<h1 class="p-name">Stones</h1>').and.to.contain('<p>Keep it <b>wet</b>.</p>');
  });

  it('creates an entry from a form (3.3)', async () => {
    const body = new URLSearchParams({ h: 'entry', content: 'hello world', 'category[]': 'foo' });
    const response = await app.request('/micropub', { method: 'POST', headers: auth, body });
    expect(response.status).to.equal(201);
    expect(await ask(`q=source&url=${response.headers.get('location')}`)).to.deep.include({ type: ['h-entry'] });
  });

  it('answers for the properties asked for (3.7.2)', async () => {
    const location = await create({ name: ['Stones'], category: ['a', 'b'] });
    expect(await ask(`q=source&properties[]=category&url=${location}`)).to.deep.equal({ properties: { category: ['a', 'b'] } });
  });

  it('updates by replace, add and delete (3.4)', async () => {
    const url = await create({ name: ['Stones'], category: ['a', 'b'], summary: ['Old'] });
    const update = async (change: object) => {
      expect((await send({ action: 'update', url, ...change })).status).to.equal(204);
      return (await ask(`q=source&url=${url}`)).properties;
    };
    expect((await update({ replace: { name: ['Stone'] } })).name).to.deep.equal(['Stone']);
    expect((await update({ add: { category: ['c'] } })).category).to.deep.equal(['a', 'b', 'c']);
    expect((await update({ delete: { category: ['b'] } })).category).to.deep.equal(['a', 'c']);
    expect(await update({ delete: ['summary'] })).to.not.have.property('summary');
  });

  it('deletes and undeletes (3.5)', async () => {
    const url = await create({ name: ['Stones'] });
    await send({ action: 'delete', url });
    expect((await app.request(path(url))).status).to.equal(410);
    expect(await (await app.request('/')).text()).to.not.contain('Stones');
    await send({ action: 'undelete', url });
    expect((await app.request(path(url))).status).to.equal(200);
  });

  it('names its media endpoint and keeps what comes there (3.6, 3.7.1)', async () => {
    expect(await ask('q=config')).to.include({ 'media-endpoint': `${ORIGIN}/micropub/media` });
    const body = new FormData();
    body.append('file', new File(['bytes'], '../Two coins.webp', { type: 'image/webp' }));
    const response = await app.request('/micropub/media', { method: 'POST', headers: auth, body });
    expect(response.status).to.equal(201);
    const media = await app.request(path(response.headers.get('location')));
    expect(media.headers.get('content-type')).to.equal('image/webp');
    expect(await media.text()).to.equal('bytes');
  });

  it('asks for its token and says what is wrong in its own words (3.8)', async () => {
    const wrong = async (response: Response | Promise<Response>) => {
      const r = await response;
      return [r.status, (await r.json()).error];
    };
    expect(await wrong(app.request('/micropub?q=config'))).to.deep.equal([401, 'unauthorized']);
    expect(await wrong(app.request('/micropub', { headers: { authorization: 'Bearer no' } }))).to.deep.equal([403, 'forbidden']);
    for (const body of [
      { type: 'h-entry' },
      { type: ['h-entry'], properties: { name: 'x' } },
      { action: 'update', url: 'x' },
      { action: 'fly', url: await create({ name: ['x'] }) },
    ]) {
      expect(await wrong(send(body)), JSON.stringify(body)).to.deep.equal([400, 'invalid_request']);
    }
  });

  it('lists posts newest first, by category and by tag', async () => {
    await create({ name: ['Older'], published: ['2026-01-01T10:00:00Z'], 'mp-channel': ['Hall notes'] });
    await create({ name: ['Newer'], published: ['2026-02-01T10:00:00Z'], category: ['lamps'] });
    const list = async (at: string) =>
      [...(await (await app.request(at)).text()).matchAll(/<li><a href="[^"]*">([^<]*)/g)].map((m) => m[1]);
    expect(await list('/')).to.deep.equal(['Newer', 'Older']);
    expect(await list('/category/hall-notes')).to.deep.equal(['Older']);
    expect(await list('/tag/lamps')).to.deep.equal(['Newer']);
    expect((await app.request('/tag/none')).status).to.equal(404);
  });

  it('gives two posts of one name two addresses', async () => {
    expect([await create({ name: ['Stones'] }), await create({ name: ['Stones'] })]).to.deep.equal([
      `${ORIGIN}/stones`,
      `${ORIGIN}/stones-2`,
    ]);
  });

  it('runs nothing that came in a post', async () => {
    const url = await create({
      name: ['<script>alert(1)</script>'],
      content: [{ html: '<p onclick="x()">ok</p><script>alert(2)</script>' }],
    });
    const page = await (await app.request(path(url))).text();
    expect(page).to.not.match(/<script|onclick/);
  });

  // RFC 4287, section 4.1.1 and 4.1.2: what a feed and an entry must have.
  it('has an Atom feed', async () => {
    await create({ name: ['Stones & water'], content: [{ html: '<p>Wet.</p>' }], category: ['knives'] });
    const response = await app.request('/feed.xml');
    expect(response.headers.get('content-type')).to.match(/^application\/atom\+xml/);
    const feed = await response.text();
    expect(feed).to.match(/<feed xmlns="http:\/\/www\.w3\.org\/2005\/Atom">[^]*<id>[^]*<title>[^]*<updated>/);
    expect(feed).to.match(/<entry>[^]*Stones &amp; water|<entry>[^]*CDATA\[Stones & water/);
  });

  it('has its posts again when it is started anew', async () => {
    const url = await create({ name: ['Stones'] });
    const again = blog({ origin: ORIGIN, token: 'secret', store: new Store(folder) });
    expect((await again.request(path(url))).status).to.equal(200);
  });
});
