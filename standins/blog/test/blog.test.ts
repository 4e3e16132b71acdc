import { expect } from 'chai';
import { AUTH, ORIGIN, pathOf as path, runningBlog } from './running-blog.ts';

describe('the blog stand-in', () => {
  let running: ReturnType<typeof runningBlog>;
  let app: ReturnType<typeof runningBlog>['app'];

  beforeEach(() => {
    running = runningBlog();
    app = running.app;
  });
  afterEach(() => running.end());

  const send = (body: unknown) => running.json(body);
  const ask = (query: string) => running.ask(query);
  const create = async (properties: object) => (await send({ type: ['h-entry'], properties })).headers.get('location')!;

  it('shows an entry that was created', async () => {
    const location = await create({ name: ['Stones'], content: [{ html: '<p>Keep it <b>wet</b>.</p>' }], category: ['knives'] });
    expect(location).to.equal(`${ORIGIN}/stones`);
    const page = await (await app.request(path(location))).text();
    expect(page).to.contain('<h1 class="p-name">Stones</h1>').and.to.contain('<p>Keep it <b>wet</b>.</p>');
  });

  it('deletes an entry from its lists, and brings it back', async () => {
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
    const response = await app.request('/micropub/media', { method: 'POST', headers: AUTH, body });
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

  it('has its posts again when it is started anew', async () => {
    const url = await create({ name: ['Stones'] });
    const again = running.again();
    expect((await again.request(path(url))).status).to.equal(200);
  });
});
