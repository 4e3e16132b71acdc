import { expect } from 'chai';
import { once } from 'node:events';
import { readFileSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { serve } from '@hono/node-server';
import { transcriber, transcriptsIn } from '../../../standins/transcriber/src/transcriber.ts';
import { newFolder, startServer, type RunningServer } from '../running-server.ts';
import { uploader } from './uploader.ts';
import { writer } from './writer.ts';

const RECORDINGS = new URL('../../../demo/recordings/', import.meta.url);
/** How the transcriber stands with a source once it is done or has given up. */
async function settled(server: RunningServer, source: string): Promise<{ state: string; says: string } | null> {
  for (;;) {
    const { transcribing } = await (await server.call(`/sources/${source}/transcribing`)).json();
    if (transcribing?.state !== 'working') return transcribing;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

const bytesOf = (name: string) => new Uint8Array(readFileSync(new URL(name, RECORDINGS)));

describe('recordings on the server', () => {
  let server: RunningServer;
  let service: ReturnType<typeof serve>;

  before(async () => {
    service = serve({ fetch: transcriber({ known: transcriptsIn(RECORDINGS), workMs: 0 }).fetch, port: 0, hostname: '127.0.0.1' });
    await new Promise((ready) => service.once('listening', ready));
    server = await startServer({ env: { TRANSCRIBER_URL: `http://127.0.0.1:${(service.address() as AddressInfo).port}` } });
  });
  after(async () => {
    service.close();
    await server.stop();
  });

  const { read } = writer(() => server);
  const empty = async () => (await (await server.call('/pieces', { method: 'POST', body: new FormData() })).json()).id as string;
  const upload = (bytes: Uint8Array<ArrayBuffer>, parts = 1) => uploader(server).upload(bytes, parts);
  /** A source once the transcriber is done with it, or has given it up. */
  const transcribed = (source: { id: string }) => settled(server, source.id);
  const record = (id: string, name: string, uploaded: string) =>
    server.call(`/pieces/${id}/recordings`, { method: 'POST', body: { upload: uploaded, name } });

  it('arrive in parts and give the captions inside them as words', async () => {
    const id = await empty();
    expect((await record(id, 'caning.webm', await upload(bytesOf('caning-first-steps.webm'), 3))).status).to.equal(200);
    const [source] = (await read(id)).sources;
    expect(source.source.kind).to.equal('recording');
    expect(source.source.passages).to.have.length(19);
    expect(source.recording).to.include({ type: 'video/webm', isVideo: true });
    expect(source.transcribing).to.equal(null);
  });

  it('without captions are heard by the transcriber, word by word', async () => {
    const id = await empty();
    await record(id, 'wick-evening.ogg', await upload(bytesOf('wick-evening.ogg')));
    const [waiting] = (await read(id)).sources;
    expect(await transcribed(waiting)).to.equal(null);
    const [source] = (await read(id)).sources;
    expect(source.words).to.be.greaterThan(250);
    expect(source.source.passages[0].wordsMs).to.have.length(source.source.passages[0].text.split(' ').length * 2);
  });

  it('show on the Desk how much was said as soon as it was heard', async () => {
    const id = await empty();
    await record(id, 'wick-evening.ogg', await upload(bytesOf('wick-evening.ogg')));
    const [waiting] = (await read(id)).sources;
    await transcribed(waiting);
    const row = (await (await server.call('/pieces')).json()).rows.find((r: { id: string }) => r.id === id);
    expect(row.next.rest).to.match(/^: a talk of \d+ minutes just arrived$/);
    expect(row.saidWords).to.be.greaterThan(250);
  });

  it('that were uploaded are taken in once, by two requests at once, again, and after the server died', async () => {
    const id = await empty();
    const one = await upload(bytesOf('caning-first-steps.webm'));
    const answers = await Promise.all([record(id, 'a.webm', one), record(id, 'a.webm', one), record(id, 'a.webm', one)]);
    expect(answers.map((a) => a.status)).to.deep.equal([200, 200, 200]);
    expect((await record(id, 'a.webm', one)).status).to.equal(200);
    expect((await read(id)).sources).to.have.length(1);
    // Another upload of the same bytes is another source.
    const other = await upload(bytesOf('caning-first-steps.webm'));
    expect((await record(id, 'b.webm', other)).status).to.equal(200);
    expect((await read(id)).sources).to.have.length(2);
  });

  it('that the transcriber does not know are kept, and say so', async () => {
    const id = await empty();
    const bytes = bytesOf('wick-evening.ogg');
    await record(id, 'other.ogg', await upload(bytes.slice(0, bytes.length - 500)));
    const [source] = (await read(id)).sources;
    const failed = { state: 'failed', job: null, progress: 0, says: 'No words could be made out in this recording.' };
    expect(await transcribed(source)).to.deep.equal(failed);
    // Asked again it is tried again, and comes to the same end.
    const again = await server.call(`/sources/${source.id}/transcribing`, { method: 'POST' });
    expect((await again.json()).transcribing).to.include({ state: 'working', says: '' });
    expect(await transcribed(source)).to.deep.equal(failed);
    expect((await server.call(`/recordings/${source.recording.digest}`)).status).to.equal(200);
  });

  it('are given in ranges (RFC 9110, section 14)', async () => {
    const id = await empty();
    const bytes = bytesOf('caning-first-steps.webm');
    await record(id, 'caning.webm', await upload(bytes));
    const address = `/recordings/${(await read(id)).sources[0].recording.digest}`;
    const range = async (value: string) => {
      const response = await server.call(address, { headers: { range: value } });
      return { status: response.status, range: response.headers.get('content-range'), body: new Uint8Array(await response.arrayBuffer()) };
    };
    const part = await range('bytes=100-199');
    expect(part).to.deep.include({ status: 206, range: `bytes 100-199/${bytes.length}` });
    expect(Array.from(part.body)).to.deep.equal(Array.from(bytes.slice(100, 200)));
    expect((await range('bytes=-50')).body).to.have.length(50);
    expect((await range(`bytes=${bytes.length - 10}-`)).body).to.have.length(10);
    expect((await range(`bytes=${bytes.length}-`)).status).to.equal(416);
    expect((await server.call(address)).headers.get('accept-ranges')).to.equal('bytes');
  });

  it('carry where they were published', async () => {
    const id = await empty();
    await record(id, 'caning.webm', await upload(bytesOf('caning-first-steps.webm')));
    const [source] = (await read(id)).sources;
    const put = (body: object) => server.call(`/sources/${source.id}/published`, { method: 'PUT', body });
    const published = { title: 'Caning', description: 'The first steps.', address: 'https://clips.larkfield.example/caning' };
    expect((await put(published)).status).to.equal(200);
    expect((await read(id)).sources[0].published).to.deep.equal(published);
    expect((await put({ address: 'javascript:alert(1)' })).status).to.equal(400);
  });

  it('that are none, or not there whole, end in a sentence', async () => {
    const id = await empty();
    for (const uploaded of [await upload(new TextEncoder().encode('just words')), 'f'.repeat(32), '../../etc/passwd']) {
      const response = await record(id, 'x.mp4', uploaded);
      expect(response.status).to.equal(422);
      expect((await response.json()).message).to.match(/^[^\n]+\.$/);
    }
    expect((await read(id)).sources).to.have.length(0);
  });
});

describe('a finished recording', () => {
  it('need not be sent again when the server dies at any moment while it is taken in', async () => {
    const folder = await newFolder();
    let server = await startServer({ data: folder });
    const bytes = bytesOf('caning-first-steps.webm');
    for (const ms of [0, 40, 120]) {
      const id = (await (await server.call('/pieces', { method: 'POST', body: new FormData() })).json()).id as string;
      const upload = await uploader(server).upload(bytes);
      const record = () => server.call(`/pieces/${id}/recordings`, { method: 'POST', body: { upload, name: 'caning.webm' } });
      const asked = record().catch(() => null);
      await new Promise((resolve) => setTimeout(resolve, ms));
      await server.kill();
      await asked;
      server = await startServer({ data: folder });
      expect((await record()).status, `killed after ${ms} ms`).to.equal(200);
      expect((await (await server.call(`/pieces/${id}`)).json()).sources).to.have.length(1);
    }
    await server.stop();
    rmSync(folder, { recursive: true });
  });

  it('keeps what a transcriber answers that nobody can keep out of the way of everything else', async () => {
    const { createServer } = await import('node:http');
    let answer: unknown = {};
    const service = createServer((request, response) => {
      request.resume();
      request.on('end', () => response.end(JSON.stringify(request.method === 'POST' ? { id: 'job' } : answer)));
    }).listen(0, '127.0.0.1');
    await once(service, 'listening');
    const server = await startServer({ env: { TRANSCRIBER_URL: `http://127.0.0.1:${(service.address() as AddressInfo).port}` } });
    const wav = new Uint8Array(readFileSync(new URL('../../../core/test/samples/tone.wav', import.meta.url)));
    for (const [said, wanted] of [
      [
        {
          state: 'done',
          words: [
            { text: 'a\u0000b', startMs: 0, endMs: 1e300 },
            { text: '\ud800', startMs: 1e300, endMs: 1e301 },
          ],
        },
        null,
      ],
      [{ state: 'done', words: 'none' }, /is not understood/],
      [{ state: 'failed', says: 'x\u0000' }, /x/],
      [[1, 2], /is not understood/],
    ] as const) {
      answer = said;
      const id = (await (await server.call('/pieces', { method: 'POST', body: new FormData() })).json()).id as string;
      const upload = await uploader(server).upload(wav);
      await server.call(`/pieces/${id}/recordings`, { method: 'POST', body: { upload, name: 'tone.wav' } });
      const [source] = (await (await server.call(`/pieces/${id}`)).json()).sources;
      const transcribing = await settled(server, source.id);
      if (wanted) expect(transcribing!.says).to.match(wanted);
      else expect(transcribing).to.equal(null);
    }
    await server.stop();
    service.close();
  });
});
