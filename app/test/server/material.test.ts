import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { isPublic } from '../../src/lib/server/public-address.ts';
import { startServer, type RunningServer } from '../running-server.ts';
import { fileOf, form, writer } from './writer.ts';

const sample = (name: string) => new File([readFileSync(new URL(`../../../core/test/samples/${name}`, import.meta.url))], name);

describe('material on the server', () => {
  let server: RunningServer;
  let site: Server;
  let host: string;

  before(async () => {
    site = createServer((request, response) => {
      if (request.url === '/page')
        response.end(
          '<html><body><nav><a href="/">Home</a></nav><main><h1>A page</h1><p>Its words, which are enough.</p></main></body></html>',
        );
      else if (request.url === '/shown')
        response.end(
          '<html><body><main><h1>Shown</h1><p>Words beside a picture.</p><p><a href="more"><img src="seat.png" alt="A seat"></a></p></main></body></html>',
        );
      else if (request.url === '/seat.png') response.end(readFileSync(new URL('../../../core/test/samples/seat.png', import.meta.url)));
      else if (request.url === '/there') response.writeHead(302, { location: '/page' }).end();
      else if (request.url === '/inside') response.writeHead(302, { location: 'http://169.254.169.254/latest' }).end();
      else if (request.url === '/round') response.writeHead(302, { location: '/round' }).end();
      else if (request.url === '/huge') {
        response.writeHead(200, { 'content-type': 'text/plain' });
        const more = () => {
          while (!response.destroyed && response.write('x'.repeat(65_536)));
          if (!response.destroyed) response.once('drain', more);
        };
        more();
      } else response.writeHead(404).end();
    });
    await new Promise<void>((resolve) => site.listen(0, '127.0.0.1', resolve));
    host = `127.0.0.1:${(site.address() as AddressInfo).port}`;
    server = await startServer({ env: { EVEN_PAGE_FETCH_ALLOW: host } });
  });
  after(async () => {
    site.close();
    await server.stop();
  });

  const { bring, read } = writer(() => server);
  const fetchFrom = (address: string) => server.call('/pieces', { method: 'POST', body: { address } });

  it('keeps the pictures of a document and puts them onto the page', async () => {
    const { piece, sources } = await read(await bring(sample('handout.docx')));
    expect(piece.details.title).to.equal('Caning a chair');
    const picture = piece.doc.content.find((n: { type: string }) => n.type === 'picture');
    expect(picture.attrs).to.include({ alt: 'A caned seat from above' });
    expect((await server.call(picture.attrs.src)).headers.get('content-type')).to.equal('image/webp');
    expect(sources[0]).to.include({ reading: 'structure', name: 'handout.docx' });
  });

  it('is read again in another way from the same bytes, and back', async () => {
    const id = await bring(sample('handout.odt'));
    const before = await read(id);
    const readAs = (source: string, reading: string) =>
      server.call(`/pieces/${id}/sources/${source}/reading`, { method: 'PUT', body: { reading } });
    expect((await readAs(before.sources[0].id, 'plain')).status).to.equal(200);
    const plain = await read(id);
    expect(plain.sources).to.have.length(1);
    expect(plain.sources[0].reading).to.equal('plain');
    expect(plain.piece.doc.content).to.have.length(1);
    await readAs(plain.sources[0].id, 'structure');
    const again = await read(id);
    expect(again.piece.doc.content.map((n: { type: string }) => n.type)).to.deep.equal(
      before.piece.doc.content.map((n: { type: string }) => n.type),
    );
    expect((await readAs(again.sources[0].id, 'sideways')).status).to.equal(400);
  });

  it('leaves a page that was changed alone when it is read again', async () => {
    const id = await bring(fileOf('mending-log.md'));
    const { piece, sources } = await read(id);
    piece.doc.content[0].content[0].text = 'My own words.';
    await writer(() => server).save(id, piece, { doc: piece.doc });
    await server.call(`/pieces/${id}/sources/${sources[0].id}/reading`, { method: 'PUT', body: { reading: 'plain' } });
    expect(JSON.stringify((await read(id)).piece.doc)).to.contain('My own words.');
  });

  it('is moved, taken off and brought back, and feeds a second piece', async () => {
    const id = await bring(fileOf('rewiring-a-lamp.vtt'), fileOf('draught-proofing.txt'));
    const names = async (piece: string) => (await read(piece)).sources.map((s: { name: string }) => s.name);
    const [lamp, draughts] = (await read(id)).sources;
    await server.call(`/pieces/${id}/sources/${draughts.id}`, { method: 'PATCH', body: { position: 0 } });
    expect(await names(id)).to.deep.equal(['draught-proofing.txt', 'rewiring-a-lamp.vtt']);
    await server.call(`/pieces/${id}/sources/${lamp.id}`, { method: 'PATCH', body: { isOff: true } });
    expect(await names(id)).to.deep.equal(['draught-proofing.txt']);
    const found = await (await server.call('/sources?find=rewiring')).json();
    expect(found.sources.map((s: { id: string }) => s.id)).to.include(lamp.id);
    await server.call(`/pieces/${id}/material`, { method: 'POST', body: { source: lamp.id } });
    expect(await names(id)).to.have.length(2);
    const other = await bring(fileOf('mending-log.md'));
    await server.call(`/pieces/${other}/material`, { method: 'POST', body: { source: lamp.id } });
    expect(await names(other)).to.deep.equal(['mending-log.md', 'rewiring-a-lamp.vtt']);
  });

  it('is fetched from a web address, over redirects, as its main text', async () => {
    const { id } = await (await fetchFrom(`http://${host}/there`)).json();
    const { piece, sources } = await read(id);
    expect(piece.details.title).to.equal('A page');
    expect(sources[0].address).to.equal(`http://${host}/page`);
  });

  it('fetched so has its addresses in full, and its pictures are brought in when they are asked for', async () => {
    const { id } = (await (await fetchFrom(`http://${host}/shown`)).json()) as { id: string };
    const { piece } = await read(id);
    const picture = piece.doc.content.find((n: { type: string }) => n.type === 'picture');
    expect(picture.attrs).to.include({ src: `http://${host}/seat.png`, href: `http://${host}/more`, alt: 'A seat' });
    const bringIn = (address: string) => server.call(`/pieces/${id}/pictures`, { method: 'POST', body: { address } });
    const { pictures } = await (await bringIn(picture.attrs.src)).json();
    expect(pictures[0].src).to.match(/^\/pictures\/[0-9a-f-]{36}$/);
    for (const address of [`http://${host}/page`, 'http://10.0.0.1/a.png', 'file:///etc/passwd'])
      expect((await bringIn(address)).status, address).to.equal(422);
  });

  it('is not fetched from private addresses, not even by a redirect, nor without end', async () => {
    for (const address of [
      'http://127.0.0.1:1/',
      'http://localhost:5432/',
      'http://[::1]/',
      'http://[::ffff:127.0.0.1]/',
      'http://10.0.0.1/',
      'http://169.254.169.254/',
      'http://0x7f.1/',
      `http://${host}/inside`,
      `http://${host}/round`,
      `http://${host}/huge`,
      `http://${host}/missing`,
      'file:///etc/passwd',
      'no address',
    ]) {
      const response = await fetchFrom(address);
      expect(response.status, address).to.equal(422);
      expect((await response.json()).message, address).to.match(/^[A-Z][^\n]*\.$/);
    }
  });

  // Special-purpose address registries: RFC 6890 and its updates.
  it('tells public addresses from all others', () => {
    for (const ip of ['8.8.8.8', '2606:4700::1111', '172.32.0.1']) expect(isPublic(ip), ip).to.equal(true);
    for (const ip of [
      '0.0.0.0',
      '10.1.2.3',
      '100.64.0.1',
      '127.0.0.1',
      '169.254.1.1',
      '172.16.0.1',
      '192.168.1.1',
      '192.0.2.1',
      '224.0.0.1',
      '::7f00:1',
      '::8.8.8.8',
      '::',
      '::1',
      'fe80::1',
      'fc00::1',
      '::ffff:10.0.0.1',
      '64:ff9b::7f00:1',
      'x',
    ])
      expect(isPublic(ip), ip).to.equal(false);
  });

  it('goes by House style, which is kept', async () => {
    const house = { names: ['Mira Holloway'], padding: ['like'], curlyQuotes: false, headingCase: 'title' };
    expect((await server.call('/house', { method: 'PUT', body: house })).status).to.equal(200);
    expect(await (await server.call('/house')).text()).to.contain('Mira Holloway');
    expect((await server.call('/house', { method: 'PUT', body: { ...house, padding: ['nonsense'] } })).status).to.equal(400);
  });

  it('is signed by the house where it names nobody', async () => {
    const house = await (await server.call('/house')).json();
    expect((await server.call('/house', { method: 'PUT', body: { ...house, byline: ' The hall ' } })).status).to.equal(200);
    const bylineOf = async (id: string) => (await read(id)).piece.details.byline;
    expect(await bylineOf(await bring(fileOf('mending-log.md')))).to.equal('The hall');
    expect(await bylineOf(await bring(new File(['---\nauthor: Odile Marsh\n---\n\nWords.'], 'a.md')))).to.equal('Odile Marsh');
    expect((await server.call('/house', { method: 'PUT', body: { ...house, byline: 'x'.repeat(121) } })).status).to.equal(400);
    await server.call('/house', { method: 'PUT', body: house });
  });

  it('that keeps the reader busy is stopped, and the next is read', async () => {
    const response = await server.call(
      '/pieces',
      form('material', new File([new Uint8Array([0x25, 0x50, 0x44, 0x46, 0x2d, 0x31])], 'x.pdf')),
    );
    expect(response.status).to.equal(422);
    expect(await bring(fileOf('mending-log.md'))).to.be.a('string');
  });
});
