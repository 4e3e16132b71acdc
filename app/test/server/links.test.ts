import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import { expect } from 'chai';
import type { TriedLink } from '../../../core/src/proof/tried-link.ts';
import { startServer, type RunningServer } from '../running-server.ts';

describe('links that are tried', () => {
  let site: Server;
  let server: RunningServer;
  let host: string;
  const asked: { method: string; path: string; headers: object }[] = [];
  let [now, most] = [0, 0];

  before(async () => {
    site = createServer((request, answer) => {
      const path = request.url!;
      asked.push({ method: request.method!, path, headers: request.headers });
      const say = (status: number, headers: Record<string, string> = {}, body = '') => answer.writeHead(status, headers).end(body);
      if (path === '/gone') return say(410);
      if (path === '/closed') return say(403);
      if (path === '/failing') return say(503);
      if (path === '/no-head') return request.method === 'HEAD' ? say(405) : say(200, {}, 'a page');
      if (path === '/moved') return say(301, { location: '/moved-again' });
      if (path === '/moved-again') return say(308, { location: '/here' });
      if (path === '/away') return say(302, { location: '/here' });
      if (path === '/round') return say(302, { location: '/round' });
      if (path === '/inside') return say(302, { location: 'http://127.0.0.1:1/' });
      if (path === '/inside-by-name') return say(302, { location: 'http://localhost:1/' });
      if (path === '/places')
        return say(200, { 'content-type': 'text/html' }, '<h2 id="caf&eacute; x">A</h2><h2 id=plain>B</h2><a name="old">C</a>');
      if (path === '/bomb') {
        answer.writeHead(200, { 'content-encoding': 'gzip' });
        return answer.end(gzipSync(Buffer.alloc(64 * 1024 * 1024)));
      }
      if (path === '/endless') {
        const more = () => {
          while (!answer.destroyed && answer.write('x'.repeat(64 * 1024)));
        };
        answer.writeHead(200).on('drain', more);
        return more();
      }
      if (path === '/never') return;
      most = Math.max(most, ++now);
      setTimeout(() => (now--, say(200)), 50);
    });
    site.listen(0, '127.0.0.1');
    await once(site, 'listening');
    host = `127.0.0.1:${(site.address() as AddressInfo).port}`;
    server = await startServer({ env: { EVEN_PAGE_FETCH_ALLOW: host, EVEN_PAGE_LINK_SECONDS: '2' } });
  });
  after(async () => {
    await server.stop();
    site.closeAllConnections();
    site.close();
  });

  const tried = async (addresses: string[], again = false): Promise<Record<string, TriedLink>> =>
    (await (await server.call('/links', { method: 'POST', body: { addresses, again } })).json()).links;
  const tryOne = async (path: string) => (await tried([`http://${host}${path}`]))[`http://${host}${path}`];

  it('have a reason each', async () => {
    expect(await tryOne('/here')).to.deep.equal({ state: 'fine', status: 200 });
    expect(await tryOne('/gone')).to.deep.equal({ state: 'gone', status: 410 });
    expect(await tryOne('/closed')).to.deep.equal({ state: 'closed', status: 403 });
    expect(await tryOne('/failing')).to.deep.equal({ state: 'failing', status: 503 });
    expect(await tryOne('/no-head')).to.deep.equal({ state: 'fine', status: 200 });
    expect(await tryOne('/round')).to.deep.equal({ state: 'failing' });
    const [nobody] = Object.values(await tried(['http://nobody-has-this-name.invalid/']));
    expect(nobody!.state).to.be.oneOf(['nobody', 'slow']);
  });

  it('say where a page has moved for good, and nothing of one that is away for a while', async () => {
    expect(await tryOne('/moved')).to.deep.equal({ state: 'fine', status: 200, movedTo: `http://${host}/here` });
    expect(await tryOne('/away')).to.deep.equal({ state: 'fine', status: 200 });
  });

  it('have the place they name looked for', async () => {
    for (const place of ['plain', 'old', 'top', '', ':~:text=A'])
      expect(await tryOne(`/places#${place}`), place).not.to.have.property('isPlaceLost');
    expect(await tryOne('/places#nowhere')).to.include({ state: 'fine', isPlaceLost: true });
  });

  it('are followed to public addresses only, however they get elsewhere', async () => {
    const inside = ['http://127.0.0.1:1/', 'http://localhost:1/', 'http://[::1]/', 'http://169.254.169.254/', 'http://10.0.0.1/'];
    for (const [address, { state }] of Object.entries(await tried(inside))) expect(state, address).to.equal('private');
    expect((await tryOne('/inside'))!.state).to.equal('private');
    expect((await tryOne('/inside-by-name'))!.state).to.equal('private');
  });

  it('cost no more than they may, though a page has no end or is packed to burst', async () => {
    const begun = Date.now();
    expect(await tryOne('/endless#place')).to.deep.equal({ state: 'fine', status: 200 });
    expect(await tryOne('/bomb#place')).to.include({ state: 'fine' });
    expect(await tryOne('/never')).to.deep.equal({ state: 'slow' });
    expect(Date.now() - begun).to.be.below(10_000);
  });

  it('are tried side by side, not too many at one site, each once', async () => {
    const addresses = Array.from({ length: 60 }, (_, n) => `http://${host}/page-${n}`);
    asked.length = most = 0;
    await tried([...addresses, ...addresses]);
    await tried(addresses);
    expect(asked).to.have.length(60);
    expect(most).to.be.within(2, 8);
    await tried(addresses.slice(0, 3), true);
    expect(asked).to.have.length(63);
  });

  it('are asked for with nothing that tells of the piece', async () => {
    asked.length = 0;
    await tried([`http://${host}/told`]);
    expect(Object.keys(asked[0]!.headers).sort()).to.deep.equal(['accept', 'accept-encoding', 'connection', 'host', 'user-agent']);
  });

  it('are web addresses, and not without number', async () => {
    for (const addresses of [['mailto:a@b.example'], ['no address'], Array.from({ length: 1001 }, () => `http://${host}/`)]) {
      const answer = await server.call('/links', { method: 'POST', body: { addresses } });
      expect(answer.status).to.equal(400);
      expect((await answer.json()).message).to.match(/^[A-Z][^\n]*\.$/);
    }
  });
});
