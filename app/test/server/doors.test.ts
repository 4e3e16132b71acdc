import { expect } from 'chai';
import sharp from 'sharp';
import { randomUUID } from 'node:crypto';
import { request as httpRequest } from 'node:http';
import { rmSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import { SaveJournal } from '../../src/lib/server/save-journal.ts';
import { newFolder, startServer, type RunningServer } from '../running-server.ts';
import { fileOf, form, writer } from './writer.ts';

describe('the doors of the server', function () {
  let server: RunningServer;
  let data: string;
  let id: string;
  const { bring, read, list, save } = writer(() => server);

  before(async () => {
    data = await newFolder();
    server = await startServer({ data });
    id = await bring(fileOf('mending-log.md'));
  });
  after(async () => {
    await server.stop();
    rmSync(data, { recursive: true });
  });

  /** A request with whatever headers it is given, as `fetch` does not allow. */
  const raw = (method: string, path: string, headers: Record<string, string>, body = '') =>
    new Promise<{ status: number; text: string; headers: Record<string, unknown> }>((resolve, reject) => {
      const { hostname, port } = new URL(server.address);
      const asked = httpRequest({ hostname, port, method, path, headers: { connection: 'close', ...headers } }, (answer) => {
        let text = '';
        answer.on('data', (part: Buffer) => (text += part.toString()));
        answer.on('end', () => resolve({ status: answer.statusCode!, text, headers: answer.headers }));
      });
      asked.on('error', reject);
      asked.end(body);
    });
  const own = () => ({ host: new URL(server.address).host, origin: server.address, accept: 'application/json' });

  it('refuse what a page of another site sends, in every form it can take', async () => {
    const before = (await read(id)).piece.version;
    const json = JSON.stringify({ base: before, doc: {}, details: {}, step: 'write' });
    const elsewhere: Record<string, string>[] = [
      { origin: 'https://elsewhere.example', 'content-type': 'application/json' },
      { origin: 'https://elsewhere.example', 'content-type': 'text/plain' },
      { origin: 'null', 'content-type': 'application/x-www-form-urlencoded' },
      { origin: server.address.replace('127.0.0.1', 'localhost'), 'content-type': 'application/json' },
      { 'sec-fetch-site': 'cross-site', 'content-type': 'application/json' },
      { 'sec-fetch-site': 'same-site', 'content-type': 'text/plain' },
    ];
    for (const headers of elsewhere) {
      const { origin: _, ...rest } = own();
      for (const [method, path] of [
        ['PUT', `/pieces/${id}/save`],
        ['POST', '/pieces'],
        ['POST', '/outlets'],
        ['POST', `/pieces/${id}/publish`],
      ] as const) {
        expect((await raw(method, path, { ...rest, ...headers }, json)).status, `${method} ${path} ${JSON.stringify(headers)}`).to.equal(
          403,
        );
      }
    }
    expect((await read(id)).piece.version).to.equal(before);
  });

  it('answer to their own name only, so that a foreign name pointed here reads nothing', async () => {
    for (const path of ['/', '/pieces', `/pieces/${id}`]) {
      const { status, text } = await raw('GET', path, { host: 'elsewhere.example' });
      expect(status).to.equal(403);
      expect(text).to.not.contain('mending');
    }
    expect((await raw('GET', '/pieces', own())).status).to.equal(200);
    // Somebody at this machine who types its other name is shown the way.
    const { host } = new URL(server.address);
    const led = await raw('GET', '/?find=log', { host: host.replace('127.0.0.1', 'localhost') });
    expect([led.status, led.headers.location]).to.deep.equal([307, `${server.address}/?find=log`]);
  });

  it('are open on the loopback address only', async function () {
    const outside = Object.values(networkInterfaces())
      .flat()
      .find((i) => i && !i.internal && i.family === 'IPv4');
    if (!outside) return this.skip();
    const reached = await new Promise((resolve) => {
      const socket = connect({ host: outside.address, port: Number(new URL(server.address).port), timeout: 2000 });
      for (const [event, value] of [
        ['connect', true],
        ['error', false],
        ['timeout', false],
      ] as const) {
        socket.once(event, () => {
          socket.destroy();
          resolve(value);
        });
      }
    });
    expect(reached).to.equal(false);
  });

  it('refuse a body of 200 MB before it has come in, and one over 25 MB by name', async () => {
    const huge = await raw('POST', '/pieces', {
      ...own(),
      'content-type': 'multipart/form-data; boundary=x',
      'content-length': String(200 * 1024 * 1024),
    });
    expect(huge.status).to.equal(413);
    expect(huge.text).to.contain('larger than the server takes at once');
    const large = await server.call('/pieces', form('material', new File([new Uint8Array(26 * 1024 * 1024)], 'evening.srt')));
    expect(large.status).to.equal(422);
    expect((await large.json()).message).to.equal('evening.srt is larger than 25 MB: bring in its captions or its words instead.');
    expect((await fetch(server.address)).status).to.equal(200);
  });

  it('refuse a form that breaks off or is none, in a sentence, and take a file of exactly 25 MB and a name in any script', async () => {
    const part = '--x\r\ncontent-disposition: form-data; name="material"; filename="half.txt"\r\n\r\nSoak the';
    for (const [type, body] of [
      ['multipart/form-data; boundary=x', part],
      ['multipart/form-data; boundary=x', part.replace('half', 'ha\0lf') + '\r\n--x--\r\n'],
      ['multipart/form-data', part],
      ['text/plain', part],
    ] as const) {
      const answer = await raw('POST', '/pieces', { ...own(), 'content-type': type, 'content-length': String(body.length) }, body);
      expect(answer.status).to.equal(422);
      expect(JSON.parse(answer.text).message).to.equal('The files did not arrive whole. Nothing was changed; try again.');
    }
    const full = await server.call('/pieces', form('material', new File([new Uint8Array(25 * 1024 * 1024)], 'Größe "縫い目".srt')));
    expect((await full.json()).message).to.match(/^Größe "縫い目"\.srt: /);
    expect((await fetch(server.address)).status).to.equal(200);
  });

  it('take material of every broken kind, or say in one sentence what is wrong with it', async () => {
    const text = (s: string) => new TextEncoder().encode(s);
    const bad: [string, Uint8Array][] = [
      ['empty.srt', new Uint8Array()],
      ['binary.srt', Uint8Array.from({ length: 5000 }, (_, i) => (i * 37) % 256)],
      ['nothing.vtt', text('WEBVTT\n\nNOTE only a note\n')],
      ['arrows.srt', text('1\n00:00:01,000 - 00:00:02,000\nWords.\n')],
      ['blank.txt', text(' \n\t\n\u00a0')],
    ];
    for (const [name, bytes] of bad) {
      const answer = await server.call('/pieces', form('material', new File([bytes as BlobPart], name)));
      const body = await answer.json();
      if (answer.status !== 200) {
        expect(answer.status, name).to.equal(422);
        expect(body.message, name).to.match(new RegExp(`^${name.replace('.', '\\.')}: [A-Z][^\\n]*\\.$`));
      }
    }
    const good: [string, Uint8Array, number][] = [
      [
        'many.srt',
        text(Array.from({ length: 50_000 }, (_, i) => `${i + 1}\n00:00:01,000 --> 00:00:02,000\nWords ${i}.\n`).join('\n')),
        50_000,
      ],
      ['line.txt', text(`${'word '.repeat(200_000)}end.`), 1],
      ['mixed.txt', text('One.\r\n\r\nTwo.\n\nThree.\r\rFour.'), 4],
      ['rtl.vtt', text('WEBVTT\n\n00:01.000 --> 00:02.000\nשלום לכולם. e\u0301te\u0301 👩‍🔧'), 1],
      ['utf16.txt', Uint8Array.from([0xff, 0xfe, ...[...'Lamps mended.'].flatMap((c) => [c.charCodeAt(0), 0])]), 1],
    ];
    for (const [name, bytes, passages] of good) {
      const { sources } = await read(await bring(new File([bytes as BlobPart], name)));
      expect(sources[0].source.passages, name).to.have.length(passages);
    }
  });

  it('take letters that no database keeps, without them', async () => {
    const { piece } = await read(id);
    const doc = JSON.parse(JSON.stringify(piece.doc).replace('Last October', 'Last\\u0000 Oct\\ud83dober'));
    const saved = await save(id, piece, { doc, details: { title: 'A\0 title \ud800' } });
    expect(saved.status).to.equal(200);
    const after = (await read(id)).piece;
    expect(after.details.title).to.equal('A title \ufffd');
    expect(after.doc.content[0].content[0].text).to.match(/^Last Oct\ufffdober/);
    const { sources } = await read(await bring(new File(['One\0 line with a nul, and words enough.'], 'nul.txt')));
    expect(sources[0].source.passages[0].text).to.equal('One line with a nul, and words enough.');
  });

  it('never let a stack trace out, whatever they are asked', async () => {
    const paths = [
      '/',
      '/pieces',
      `/pieces/${id}`,
      `/pieces/${id}/save`,
      `/pieces/${id}/material`,
      `/pieces/${id}/pictures`,
      `/pieces/${id}/publish`,
      `/pieces/${id}/versions/1`,
      '/pieces/x/save',
      '/outlets',
      '/pictures/x',
      '/pieces?order=up',
      '/pieces?from=-1',
      '/?find=%00',
      '/%E0%A4%A',
      '/../..',
      '/pieces/%00',
      '/pieces?constructor=x&__proto__=y&find=x',
      `/pieces/${id}/versions/2147483648`,
      `/pieces/${id}/versions/99999999999999999999`,
      '/sources/not-an-id/transcribing',
      `/sources/${randomUUID()}/transcribing`,
      '/sources?find=%F0%9F',
      `/pieces/${id}/sources/x/reading`,
      `/recordings/${'0'.repeat(64)}`,
    ];
    const bodies = [
      '',
      '{',
      'null',
      '[]',
      '{"base":1}',
      '{"key":"0123456789","base":1,"doc":{"type":"doc"},"details":{},"step":"write"}',
      'x'.repeat(10_000),
      '\u0000',
    ];
    const taken = new Set<string>();
    for (const path of paths) {
      for (const method of ['GET', 'POST', 'PUT', 'DELETE', 'PATCH']) {
        for (const type of ['application/json', 'multipart/form-data', 'multipart/form-data; boundary=x', 'text/plain']) {
          for (const body of method === 'GET' ? [''] : bodies) {
            const { status, text } = await raw(
              method,
              path,
              { ...own(), 'content-type': type, 'content-length': String(Buffer.byteLength(body)) },
              body,
            );
            const where = `${method} ${path} ${type} ${body.slice(0, 20)} → ${status}`;
            expect(text, where).to.not.match(/\bat .{1,200}:\d+:\d+|node:internal|file:\/\/|\/build\/|\b[A-Z]\w*Error: /);
            expect(status, where).to.be.oneOf([200, 400, 403, 404, 405, 415, 422]);
            if (status === 200) taken.add(`${method} ${path.replace(id, 'ID')} ${type}: ${body}`);
          }
        }
      }
    }
    // Beside what may be looked at, an empty request for a new piece is all of this that is taken.
    expect([...taken].filter((asked) => !asked.startsWith('GET '))).to.satisfy((others: string[]) =>
      others.every((o) => /^POST \/pieces[ ?].*: $/.test(o)),
    );
    const looked = [...taken].filter((asked) => asked.startsWith('GET ')).map((asked) => asked.split(' ')[1]);
    expect(new Set(looked)).to.deep.equal(
      new Set([
        '/',
        '/pieces',
        '/pieces/ID',
        '/pieces/ID/versions/1',
        '/outlets',
        '/?find=%00',
        '/../..',
        '/pieces?constructor=x&__proto__=y&find=x',
        '/sources?find=%F0%9F',
      ]),
    );
    expect((await list()).length).to.be.greaterThan(0);
    await save(id, (await read(id)).piece);
  });

  it('write nothing when something is looked at', async () => {
    const { sources } = await read(await bring(fileOf('rewiring-a-lamp.vtt')));
    const written = () => new SaveJournal(join(data, 'journal')).next;
    const before = written();
    const looks = [
      '/',
      '/pieces',
      `/pieces/${id}`,
      `/pieces/${id}/versions`,
      `/pieces/${id}/versions/1`,
      '/outlets',
      '/sources',
      '/house',
      `/pieces/${id}/save`,
    ];
    for (const path of looks) for (const accept of ['text/html', 'application/json']) await server.call(path, { headers: { accept } });
    for (const path of [`/sources/${sources[0].id}/transcribing`, `/sources/${sources[0].id}/published`]) await server.call(path);
    expect(written()).to.equal(before);
  });

  it('take files whose titles, names, words and times no database keeps, or say why not', async () => {
    const text = (s: string) => new TextEncoder().encode(s);
    const words = [
      { text: 'One\u0000 two\ud800', start: 0, end: 1 },
      { text: 'three', start: 1e300, end: 1e301 },
    ];
    const long = 'ﷺ'.repeat(3000);
    const files: [string, Uint8Array][] = [
      ['talk.json', text(JSON.stringify({ title: 'A\u0000\udfff title', words }))],
      ['letter.eml', text('From: a@example.org\nSubject: =?utf-8?B?AGEA?= =?utf-16le?B?ANg=?=\n\nSoak the cane.')],
      ['front.md', text(`---\ntitle: "a\\0b \\uD800"\ntags: ["\\0", "x\\uDC00"]\n---\n\nSoak the cane.`)],
      ['old.rtf', text(String.raw`{\rtf1\ansi{\info{\title A\'00B\u-10240?}}Soak the\'00 cane\u-9000?.\par}`)],
      [
        'names.zip',
        zipSync({ 'a\u0000b\ud800.txt': text('Soak the cane.'), [`${'x'.repeat(3000)}.md`]: text(`# ${'h'.repeat(3000)}\n\nSoak it.`) }),
      ],
      ['long.md', text(`# ${long}\n\nSoak the cane.`)],
      ['long.vtt', text(`WEBVTT ${'t'.repeat(5000)}\n\n00:01.000 --> 00:02.000\nSoak the cane.`)],
      [`${'n'.repeat(5000)}.txt`, text('Soak the cane.')],
    ];
    for (const [name, bytes] of files) {
      const answer = await server.call('/pieces', form('material', new File([bytes as BlobPart], name)));
      const body = await answer.json();
      expect(answer.status, `${name.slice(0, 20)}: ${body.message}`).to.equal(200);
      const { piece } = await read(body.id);
      expect((await save(body.id, piece, { details: { category: 'Mending' } })).status, name.slice(0, 20)).to.equal(200);
    }
    expect((await server.call('/pieces?order=title')).status).to.equal(200);
  });

  it('say that a body of 33 MB is too large, not that it did not arrive', async () => {
    const { piece } = await read(id);
    const sent = await raw(
      'PUT',
      `/pieces/${id}/save`,
      { ...own(), 'content-type': 'application/json', 'content-length': String(33 * 1024 * 1024) },
      JSON.stringify(piece).slice(0, 10),
    );
    expect([sent.status, JSON.parse(sent.text).message]).to.deep.equal([
      413,
      'This is more than the server takes at once here (12 MB). Nothing was changed.',
    ]);
  });

  it('take a picture of 1,600 by 60,000 pixels, made as high as the format goes', async () => {
    const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="60000"><rect width="1600" height="60000" fill="#445"/></svg>';
    const answer = await server.call(`/pieces/${id}/pictures`, form('picture', new File([svg], 'tall.svg')));
    const { pictures, message } = await answer.json();
    expect(answer.status, message).to.equal(200);
    // WebP ends at 16,383 pixels a side (Google, WebP Container Specification).
    const file = await (await server.call(pictures[0].src)).arrayBuffer();
    expect((await sharp(Buffer.from(file)).metadata()).height).to.be.within(16_000, 16_383);
  });

  it('send the headers that keep a browser careful', async () => {
    for (const path of ['/', `/pieces/${id}`, '/pieces']) {
      const { headers } = await fetch(server.address + path, {
        headers: { accept: path === '/pieces' ? 'application/json' : 'text/html' },
      });
      expect(headers.get('x-content-type-options')).to.equal('nosniff');
      expect(headers.get('referrer-policy')).to.equal('same-origin');
      if (path !== '/pieces')
        expect(headers.get('content-security-policy')).to.match(/default-src 'self'.*object-src 'none'.*frame-ancestors 'none'/);
    }
  });
});

describe('a server that cannot start', function () {
  it('says why in a sentence', async () => {
    const folder = await newFolder();
    const other = await startServer();
    const said = async (start: Parameters<typeof startServer>[0]) => {
      const cause = await startServer(start).catch((c: Error) => c.message);
      expect(cause, JSON.stringify(start)).to.be.a('string');
      expect(cause).to.not.match(/^\s+at /m);
      return cause as string;
    };
    const file = join(folder, 'a-file');
    writeFileSync(file, 'x');
    expect(await said({ port: Number(new URL(other.address).port) })).to.match(
      /Port \d+ is in use\. Stop what runs there, or choose another/,
    );
    expect(await said({ env: { ORIGIN: 'larkfield' } })).to.match(/ORIGIN is the address people use/);
    expect(await said({ env: { ORIGIN: 'http://larkfield.example/desk' } })).to.match(/without anything behind it/);
    expect(await said({ env: { HOST: '203.0.113.7' } })).to.match(/This machine has no address 203\.0\.113\.7/);
    expect(await said({ env: { EVEN_PAGE_DATA: file } })).to.match(/names a file where a folder is wanted/);
    expect(await said({ env: { EVEN_PAGE_DATA: join(file, 'deeper') } })).to.match(/names a file where a folder is wanted/);
    expect(await said({ env: { TRANSCRIBER_URL: 'x' } })).to.match(/TRANSCRIBER_URL must begin with http/);
    expect(await said({ env: { EVEN_PAGE_OUTLET_SECONDS: 'soon' } })).to.match(/EVEN_PAGE_OUTLET_SECONDS/);
    writeFileSync(join(folder, 'journal', '000000000001.jsonl'), 'broken\n');
    expect(await said({ data: folder })).to.match(/cannot be read at line 1\. Nothing was changed\./);
    writeFileSync(join(folder, 'journal', '000000000001.jsonl.gz'), 'broken');
    rmSync(join(folder, 'journal', '000000000001.jsonl'));
    expect(await said({ data: folder })).to.match(/is damaged\. Nothing was changed\./);
    await other.stop();
    rmSync(folder, { recursive: true });
  });

  it('does not start beside another on the same folder, whatever was deleted in it', async () => {
    const folder = await newFolder();
    const server = await startServer({ data: folder });
    for (const name of ['lock', 'process']) rmSync(join(folder, name), { force: true });
    const second = await startServer({ data: folder }).catch((cause: Error) => cause.message);
    expect(second).to.match(/Another Even Page is at work on the folder/);
    await server.stop();
    rmSync(folder, { recursive: true });
  });
});
