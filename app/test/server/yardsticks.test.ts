import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import type { ReferencePage } from '../../../core/src/yardstick/reference-page.ts';
import { startResultList, startServer, type RunningServer } from '../running-server.ts';
import { fileOf, form, writer } from './writer.ts';

type Kept = { id: string; address: string; page: ReferencePage; before: object | null; isOut: boolean; because: string };

describe('yardsticks on the server', () => {
  let results: Awaited<ReturnType<typeof startResultList>>;
  let site: Server;
  let host: string;
  let server: RunningServer;
  let words = 'One page about a hinge and its oil, with enough words to be measured.';

  before(async () => {
    results = await startResultList();
    site = createServer((request, answer) => {
      if (request.url === '/inside') return void answer.writeHead(302, { location: 'http://127.0.0.1:1/' }).end();
      if (request.url === '/script') return void answer.end('<body><script>draw()</script></body>');
      answer.end(`<title>Hinges</title><main><h1>Hinges</h1><p>${words}</p></main>`);
    }).listen(0, '127.0.0.1');
    await once(site, 'listening');
    host = `127.0.0.1:${(site.address() as AddressInfo).port}`;
    const allowed = `${new URL(results.address).host},${host}`;
    server = await startServer({ env: { RESULTS_URL: results.address, EVEN_PAGE_FETCH_ALLOW: allowed } });
  });
  after(async () => {
    await server.stop();
    results.stop();
    site.close();
  });

  const keep = async (phrase: string): Promise<string> =>
    (await (await server.call('/yardsticks', { method: 'POST', body: { phrase } })).json()).id;
  const read = async (phrase: string): Promise<{ id: string; pages: Kept[] }> =>
    (await (await server.call(`/yardsticks?phrase=${encodeURIComponent(phrase)}`)).json()).yardstick;
  const post = (path: string, body: object = {}) => server.call(path, { method: 'POST', body });

  it('are made of the pages a result list has, those of another purpose left out with the reason', async () => {
    const id = await keep('Caning a chair seat');
    expect(await keep('caning  a chair SEAT')).to.equal(id);
    expect(await (await post(`/yardsticks/${id}/results`)).json()).to.deep.equal({ taken: 10, left: [] });
    const { pages } = await read('caning a chair seat');
    expect(pages.filter((page) => page.isOut).map((page) => page.because.replace(/“.*”/, '…'))).to.have.members([
      '72 words where the middle page has 282',
      'nearly the same as …',
      'a forum among articles',
    ]);
    const [first, ...others] = pages;
    await server.call(`/yardsticks/${id}/pages/${first!.id}`, { method: 'PUT', body: { isOut: true } });
    await server.call(`/yardsticks/${id}/pages/${others[0]!.id}`, { method: 'DELETE' });
    // What somebody decided stays when the others are proposed anew.
    const after = (await read('caning a chair seat')).pages;
    expect([after.length, after.find((page) => page.id === first!.id)!.isOut]).to.deep.equal([9, true]);
  });

  it('take pages by address and by file, say what could not be read, and what changed since', async () => {
    const id = await keep('oil a hinge');
    const addresses = [`http://${host}/a`, `http://${host}/inside`, `http://${host}/script`, 'http://10.0.0.1/'];
    const brought = await (await post(`/yardsticks/${id}/pages`, { addresses })).json();
    expect(brought.taken).to.equal(1);
    expect(brought.left).to.have.length(3);
    for (const sentence of brought.left) expect(sentence).to.match(/^http.*: [A-Z][^\n]*\.$/);
    const file = new File(['<h1>Saved</h1><p>A page that was saved as a file and dropped here.'], 'saved.html');
    await server.call(`/yardsticks/${id}/pages`, form('page', file));
    await post(`/yardsticks/${id}/pages`, { html: '<h1>Pasted</h1><p>The words of a page that was pasted here.' });
    words += ' More of it.';
    await post(`/yardsticks/${id}/again`);
    const { pages } = await read('oil a hinge');
    expect(pages.map(({ page }) => page.title)).to.deep.equal(['Hinges', 'Saved', 'Pasted']);
    expect(pages[0]!.before).to.include({ words: 14 });
    expect(pages[0]!.page.figures.words).to.equal(17);
  });

  it('are a list with any columns, that says which phrases have a piece', async () => {
    const table = new File(['phrase,looked for\noil a hinge,90\nmend a lamp,700\n'], 'phrases.csv');
    expect(await (await server.call('/yardsticks/table', form('table', table))).json()).to.deep.equal({ taken: 2 });
    const { bring, read: readPiece, save } = writer(() => server);
    const id = await bring(fileOf('mending-log.md'));
    const { piece } = await readPiece(id);
    expect((await save(id, piece, { details: { brief: { phrase: 'Mend a lamp' } } })).status).to.equal(200);
    const csv = await (await server.call('/yardsticks/table')).text();
    expect(csv).to.contain(`mend a lamp,700,${piece.details.title}\r\n`);
    expect(csv).to.contain('oil a hinge,90,\r\n');
  });

  it('say in a sentence what is wrong, and write nothing', async () => {
    const id = await keep('zebra crossings');
    const none = '00000000-0000-4000-8000-000000000000';
    for (const [path, body, status] of [
      ['/yardsticks', { phrase: ' ' }, 400],
      [`/yardsticks/${id}/results`, {}, 422],
      [`/yardsticks/${id}/pages`, {}, 422],
      [`/yardsticks/${id}/pages`, { html: '<script>x</script>' }, 422],
      [`/yardsticks/${none}/pages`, { html: '<p>Some words of a page nobody keeps.' }, 422],
      [`/yardsticks/${id}/pages`, { addresses: Array.from({ length: 31 }, (_, n) => `http://${host}/${n}`) }, 400],
    ] as const) {
      const answer = await post(path, body);
      expect(answer.status, path).to.equal(status);
      expect((await answer.json()).message, path).to.match(/^[A-Z][^\n]*\.$/);
    }
    expect((await read('zebra crossings')).pages).to.deep.equal([]);
    await server.call(`/yardsticks/${id}`, { method: 'DELETE' });
    expect(await read('zebra crossings')).to.equal(null);
  });
});
