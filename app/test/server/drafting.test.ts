import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { createParser } from 'eventsource-parser';
import { briefSchema } from '@even-page/core/post/brief';
import { freePort, newFolder, type RunningServer, startDrafter, startServer } from '../running-server.ts';
import { fileOf, writer } from './writer.ts';

type Round = { id: string; state: string; answer: string; notes: string[]; taken: string | null };
type News = { text?: string; note?: string; round?: Round; failed?: string };

const KEY = 'a-very-secret-drafting-key';
const request = (more = {}) => ({
  task: 'section',
  section: 'a',
  brief: { ...briefSchema.cast({}), words: 0 },
  outline: [{ id: 'a', heading: 'Stones', level: 2, passages: ['p1'] }],
  passages: [{ id: 'p1', text: 'Soak the coarse stone for ten minutes until it stops bubbling.' }],
  ...more,
});
const asked = { form: 'paragraphs', words: 0, blocks: [], was: { type: 'doc', content: [{ type: 'paragraph' }] } };

describe('drafting on the server', () => {
  let server: RunningServer;
  let folder: string;
  let piece: string;
  let drafter: Awaited<ReturnType<typeof startDrafter>>;
  let service: Server;
  let says: (request: IncomingMessage, response: ServerResponse, times: number) => void;
  let times = 0;
  let heard: IncomingMessage['headers'] = {};
  let address = '';
  const { bring } = writer(() => server);

  before(async () => {
    folder = await newFolder();
    drafter = await startDrafter();
    const port = await freePort();
    address = `http://127.0.0.1:${port}`;
    service = createServer((req, res) => {
      heard = req.headers;
      req.resume().on('end', () => says(req, res, ++times));
    }).listen(port, '127.0.0.1');
    server = await startServer({ data: folder, env: { DRAFTER_URL: drafter.address, EVEN_PAGE_DRAFT_SECONDS: '3' } });
    piece = await bring(fileOf('chair-caning.md'));
  });
  after(async () => {
    await server.stop();
    drafter.stop();
    service.close();
  });
  beforeEach(() => {
    times = 0;
  });

  async function newsOf(response: Response): Promise<News[]> {
    const found: News[] = [];
    const parser = createParser({ onEvent: (e) => found.push(JSON.parse(e.data) as News) });
    parser.feed(await response.text());
    return found;
  }
  const add = async (body: object) =>
    ((await (await server.call('/drafters', { method: 'POST', body })).json()) as { id: string; message?: string }).id;
  const ask = (id: string, more = {}) =>
    server.call(`/pieces/${piece}/rounds`, {
      method: 'POST',
      body: {
        id: crypto.randomUUID(),
        drafter: id,
        request: request(),
        passages: { p1: { source: 's', first: 0, last: 0 } },
        asked,
        ...more,
      },
    });
  const roundOf = async (id: string) => (await newsOf(await ask(id))).at(-1)!.round!;
  const listed = async () => ((await (await server.call(`/pieces/${piece}/rounds`)).json()) as { rounds: Round[] }).rounds;

  it('tells what comes as it comes, and keeps it as a round', async () => {
    const news = await newsOf(await ask('standard'));
    expect(news.map((n) => n.text ?? '').join(''))
      .to.contain('Soak the coarse stone')
      .and.to.contain('[p1]');
    const { round } = news.at(-1)!;
    expect(round).to.include({ state: 'done', taken: null });
    expect((await listed())[0]).to.deep.include({ id: round!.id, answer: round!.answer });
    await server.call(`/pieces/${piece}/rounds/${round!.id}`, { method: 'PUT', body: { taken: 'part' } });
    expect((await listed())[0]!.taken).to.equal('part');
  });

  it('keeps what came before a break, and says so', async () => {
    await drafter.misbehave('cut off');
    const round = await roundOf('standard');
    expect(round.state).to.equal('failed');
    expect(round.answer).to.contain('Soak the coarse stone');
    expect(round.notes.join()).to.contain('broke off before its end. What came until then is kept.');
  });

  it('stops a drafter that never ends, and one that takes too long', async () => {
    await drafter.misbehave('never ends');
    expect((await roundOf('standard')).notes.join()).to.match(/said the same over and over|wrote without an end/);
    const id = await add({ name: 'Silent', form: 'chat', address });
    says = (_, res) => res.writeHead(200, { 'content-type': 'text/event-stream' }).write(': waiting\n\n');
    expect((await roundOf(id)).notes).to.deep.equal(['Silent took too long. What came is kept; ask again, or ask for less at once.']);
  });

  it('keeps what came when the writer stops it', async () => {
    await drafter.misbehave('slow');
    const long = request({
      passages: [
        {
          id: 'p1',
          text:
            'Soak the coarse stone for ten minutes. '.repeat(1) +
            'Another sentence that says more of it all. '.repeat(1) +
            'And a third one that takes its time to come.',
        },
      ],
    });
    const stop = new AbortController();
    const response = await fetch(`${server.address}/pieces/${piece}/rounds`, {
      method: 'POST',
      signal: stop.signal,
      headers: { 'content-type': 'application/json', origin: server.address },
      body: JSON.stringify({ id: crypto.randomUUID(), drafter: 'standard', request: long, passages: {}, asked }),
    });
    await response.body!.getReader().read();
    stop.abort();
    for (let n = 0; n < 40 && (await listed())[0]!.state === 'working'; n++) await new Promise((done) => setTimeout(done, 100));
    const [round] = await listed();
    expect(round!.state).to.equal('stopped');
    expect(round!.answer).to.contain('Soak');
  });

  it('says in a sentence what is wrong with an answer that is none', async () => {
    const id = await add({ name: 'Odd one', form: 'chat', address, token: KEY });
    const wrong: [(res: ServerResponse) => void, RegExp][] = [
      [(res) => res.writeHead(200, { 'content-type': 'text/html' }).end('<p>Sign in'), /answered with a web page, not with a draft/],
      [(res) => res.writeHead(200, { 'content-type': 'application/json' }).end('{"x":1}'), /in a way that is not understood/],
      [(res) => res.writeHead(401, {}).end(), /does not accept the key/],
      [
        (res) => res.writeHead(400, { 'content-type': 'application/json' }).end('{"error":{"message":"No such model"}}'),
        /refused: No such model/,
      ],
      [(res) => res.writeHead(200, { 'content-type': 'text/event-stream' }).end('data: {"choices":[{"delta":{"content":"Ha'), /broke off/],
      [(res) => res.writeHead(200, { 'content-type': 'text/event-stream' }).end('data: nonsense\n\n'), /not understood/],
      [(res) => res.writeHead(200, { 'content-type': 'text/event-stream' }).end('data: [DONE]\n\n'), /answered with nothing/],
      [(res) => res.writeHead(302, { location: 'http://127.0.0.1:9/' }).end(), /leads on to another address/],
      [
        (res) => res.writeHead(200, { 'content-type': 'text/event-stream' }).end('data: '.padEnd(9 * 1024 * 1024, 'x')),
        /more than a draft can be/,
      ],
    ];
    for (const [answer, sentence] of wrong) {
      says = (_, res) => answer(res);
      const round = await roundOf(id);
      expect(round.state).to.equal('failed');
      expect(round.notes.join(' ')).to.match(sentence);
    }
  });

  it('takes half a letter at the end of a stream as nothing, and an answer in one for a stream', async () => {
    const id = await add({ name: 'Half', form: 'chat', address });
    says = (_, res) => {
      res.writeHead(200, { 'content-type': 'text/event-stream' });
      res.write('data: {"choices":[{"delta":{"content":"Soak it. "}}]}\n\ndata: {"choices":[{"delta":{"content":"');
      res.end(Buffer.from([0xc3]));
    };
    const half = await roundOf(id);
    expect(half.answer).to.equal('Soak it. ');
    says = (_, res) =>
      res.writeHead(200, { 'content-type': 'application/json' }).end('{"choices":[{"message":{"content":"All of it. [p1]"}}]}');
    expect(await roundOf(id)).to.include({ state: 'done', answer: 'All of it. [p1]' });
  });

  it('asks again while nothing came and the service is busy, and not when it refuses', async () => {
    const id = await add({ name: 'Busy', form: 'chat', address });
    says = (_, res, n) =>
      n < 2
        ? res.writeHead(503).end()
        : res
            .writeHead(200, { 'content-type': 'text/event-stream' })
            .end('data: {"choices":[{"delta":{"content":"Now."}}]}\n\ndata: [DONE]\n\n');
    expect(await roundOf(id)).to.include({ state: 'done', answer: 'Now.' });
    expect(times).to.equal(2);
    times = 0;
    says = (_, res) => res.writeHead(400).end();
    await roundOf(id);
    expect(times).to.equal(1);
  });

  it('sends the key to its address, and keeps it sealed: it stands nowhere in clear', async () => {
    const id = await add({ name: 'Keyed', form: 'chat', address, token: KEY });
    says = (_, res) => res.writeHead(200, { 'content-type': 'text/event-stream' }).end('data: [DONE]\n\n');
    await roundOf(id);
    expect(heard.authorization).to.equal(`Bearer ${KEY}`);
    expect(await (await server.call('/drafters')).text()).not.to.contain(KEY);
    const files = (at: string): string[] =>
      readdirSync(at).flatMap((name) => (statSync(join(at, name)).isDirectory() ? files(join(at, name)) : [join(at, name)]));
    expect(files(folder).filter((path) => readFileSync(path).includes(KEY))).to.deep.equal([]);
    expect(server.log()).not.to.contain(KEY);
    // A key that is left empty stays.
    await server.call(`/drafters/${id}`, { method: 'PUT', body: { name: 'Keyed anew', form: 'chat', address } });
    await roundOf(id);
    expect(heard.authorization).to.equal(`Bearer ${KEY}`);
  });

  it('tells how much a drafter takes at once, where it says so', async () => {
    const limit = async (id: string) =>
      ((await (await server.call(`/drafters/limit?drafter=${id}`)).json()) as { limit: object | null }).limit;
    expect(await limit('standard')).to.deep.equal({ unit: 'words', most: 120_000 });
    expect(await limit(await add({ name: 'Chat', form: 'chat', address }))).to.equal(null);
    says = (_, res) => res.writeHead(200, { 'content-type': 'text/html' }).end('<p>no');
    expect(await limit(await add({ name: 'Odd', form: 'own', address }))).to.equal(null);
    expect((await server.call('/drafters/limit?drafter=x')).status).to.equal(400);
  });

  it('refuses a drafter, a round and an answer that do not fit, with a sentence, and keeps nothing of them', async () => {
    const before = (await listed()).length;
    for (const body of [{}, { name: 'x', form: 'chat', address: 'file:///etc/passwd' }, { name: 'x', form: 'telepathy', address }])
      expect((await server.call('/drafters', { method: 'POST', body })).status).to.equal(400);
    expect((await ask('standard', { request: { task: 'sing' } })).status).to.equal(400);
    expect((await ask('standard', { asked: { ...asked, was: { type: 'doc', content: [{ type: 'nonsense' }] } } })).status).to.equal(400);
    expect((await ask(crypto.randomUUID())).status).to.equal(422);
    expect((await server.call(`/pieces/${piece}/rounds/pasted`, { method: 'POST', body: { answer: '' } })).status).to.equal(400);
    expect((await listed()).length).to.equal(before);
  });

  it('keeps an answer that was pasted, and briefs as patterns', async () => {
    const body = { id: crypto.randomUUID(), section: 'a', answer: 'Soak it. [p1]', passages: {}, asked };
    const pasted = await server.call(`/pieces/${piece}/rounds/pasted`, { method: 'POST', body });
    expect(((await pasted.json()) as { round: Round & { drafter: string } }).round).to.include({ drafter: 'by hand', state: 'done' });
    for (const tones of [['plain'], ['formal']])
      await server.call('/patterns', { method: 'POST', body: { name: 'A talk', brief: { tones } } });
    const { patterns } = (await (await server.call('/patterns')).json()) as { patterns: { id: string; name: string; brief: object }[] };
    expect(patterns).to.have.length(1);
    expect(patterns[0]!.brief).to.deep.equal({ tones: ['formal'] });
    await server.call(`/patterns/${patterns[0]!.id}`, { method: 'DELETE' });
    expect(await (await server.call('/patterns')).json()).to.deep.equal({ patterns: [] });
  });

  it('keeps rounds, drafters and ideas over an end of the server', async () => {
    const idea = crypto.randomUUID();
    await server.call(`/ideas/${idea}`, { method: 'PUT', body: { line: 'Three knots' } });
    const before = (await listed()).length;
    await server.kill();
    server = await startServer({ data: folder, env: { DRAFTER_URL: drafter.address, EVEN_PAGE_DRAFT_SECONDS: '3' } });
    expect((await listed()).length).to.equal(before);
    expect(await (await server.call('/ideas/table')).text()).to.contain('Three knots');
  });
});

describe('ideas on the server', () => {
  let server: RunningServer;
  before(async () => {
    server = await startServer();
  });
  after(() => server.stop());
  const put = (id: string, body: object) => server.call(`/ideas/${id}`, { method: 'PUT', body });
  const table = async () =>
    (await (await server.call('/ideas/table')).text())
      .replace(/^\ufeff/, '')
      .trim()
      .split('\r\n');

  it('are there once however often they are sent, and as they were changed last', async () => {
    const id = crypto.randomUUID();
    for (let n = 0; n < 3; n++)
      expect((await put(id, { line: 'Glue in a cold hall', createdAt: '2026-11-20T08:00:00.000Z' })).status).to.equal(200);
    await put(id, { line: 'Glue in a cold hall', notes: 'It lets go', wishedFor: '2027-01-15' });
    expect(await table()).to.deep.equal(['idea,notes,subject,links,wished for,written', 'Glue in a cold hall,It lets go,,,2027-01-15,']);
  });
  it('become a piece once, with their line as its title and their notes as material', async () => {
    const id = crypto.randomUUID();
    await put(id, { line: 'Three knots', notes: 'Ask Wilf', links: ['https://larkfield.example/knots'] });
    const start = async () => ((await (await server.call(`/ideas/${id}/start`, { method: 'POST' })).json()) as { id: string }).id;
    const piece = await start();
    expect(await start()).to.equal(piece);
    const found = (await (await server.call(`/pieces/${piece}`)).json()) as { piece: { details: { title: string } }; sources: object[] };
    expect(found.piece.details.title).to.equal('Three knots');
    expect(found.sources).to.have.length(1);
    expect(await (await server.call('/pieces')).text()).to.contain('Three knots');
    expect((await table()).join()).to.contain('Three knots,Ask Wilf,,https://larkfield.example/knots,,Three knots');
  });
  it('come in from a table, and what is no idea is named', async () => {
    const form = new FormData();
    form.append('table', new File(['Title;Notes;Date\nKnots;"with ""string""";15.1.2027\n;nothing;\nChairs;;some day\n'], 'ideas.csv'));
    const answer = (await (await server.call('/ideas/table', { method: 'POST', body: form })).json()) as { taken: number; left: string[] };
    expect(answer.taken).to.equal(2);
    expect(answer.left).to.deep.equal([
      'Row 3 has no idea in it and was left out.',
      'Row 4: “some day” is no date that is understood and was left out.',
    ]);
    expect((await table()).join()).to.contain('Knots,"with ""string""",,,2027-01-15');
  });
  it('that do not fit are refused with a sentence', async () => {
    for (const body of [
      {},
      { line: ' ' },
      { line: 'x'.repeat(301) },
      { line: 'x', links: ['javascript:alert(1)'] },
      { line: 'x', wishedFor: 'soon' },
      { line: 'x', createdAt: 'now' },
    ]) {
      const response = await put(crypto.randomUUID(), body);
      expect(response.status, JSON.stringify(body)).to.equal(400);
      expect(((await response.json()) as { message: string }).message).to.match(/\w+ .*\.$/);
    }
    expect((await server.call(`/ideas/${crypto.randomUUID()}/start`, { method: 'POST' })).status).to.equal(404);
  });
});
