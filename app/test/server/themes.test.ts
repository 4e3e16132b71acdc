import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { startServer, type RunningServer } from '../running-server.ts';

type Told = {
  theme: { css: string; around: { tag: string; classes: string[] }[] } | null;
  from: string;
  notes: string[];
  message?: string;
};

describe('the theme of an outlet', () => {
  let site: Server;
  let server: RunningServer;
  let host: string;
  let outlet: string;

  before(async () => {
    const pages: Record<string, [string, string]> = {
      '/post': [
        'text/html',
        '<html><head><link rel=stylesheet href=/css/main.css><link rel=stylesheet href=/gone.css></head><body class=blog><article><h1>A</h1><div class="e-content"><p>b</p></div></article></body></html>',
      ],
      '/css/main.css': [
        'text/css',
        '@import "base.css"; @font-face { font-family: Hall; src: url(hall.woff2) } body { background: url(http://127.0.0.1:1/spy.png) }',
      ],
      '/css/base.css': ['text/css', 'p { line-height: 1.7 }'],
      '/css/hall.woff2': ['font/woff2', 'letters'],
      '/words.txt': ['text/plain', 'no page'],
      '/large': ['text/html', `<html><head><style>${'p { color: red } '.repeat(180_000)}</style></head><body><p>x</p></body></html>`],
    };
    site = createServer((request, answer) => {
      const path = request.url!.split('?')[0]!;
      if (path === '/micropub') return answer.writeHead(200, { 'content-type': 'application/json' }).end('{}');
      if (path === '/away') return answer.writeHead(302, { location: 'http://127.0.0.1:1/' }).end();
      const page = pages[path];
      return page ? answer.writeHead(200, { 'content-type': page[0] }).end(page[1]) : answer.writeHead(404).end();
    });
    site.listen(0, '127.0.0.1');
    await once(site, 'listening');
    host = `http://127.0.0.1:${(site.address() as AddressInfo).port}`;
    server = await startServer();
    const added = await server.call('/outlets', { method: 'POST', body: { name: 'Bench', endpoint: `${host}/micropub`, token: 't' } });
    outlet = ((await added.json()) as { id: string }).id;
  });
  after(async () => {
    await server.stop();
    site.closeAllConnections();
    site.close();
  });

  const theme = async (address?: string): Promise<Told & { status: number }> => {
    const answer = await server.call(`/outlets/${outlet}/theme`, address ? { method: 'PUT', body: { address } } : {});
    return { ...((await answer.json()) as Told), status: answer.status };
  };

  it('is none at first, and is offered to be read where the outlet is', async () => {
    expect(await theme()).to.deep.include({ theme: null, from: `${host}/` });
  });

  it('is read with the sheets it takes in and its fonts, says what was not there, and asks for nothing later', async () => {
    const { theme: read, notes, from } = await theme(`${host}/post`);
    expect(from).to.equal(`${host}/post`);
    expect(read!.css)
      .to.contain('line-height: 1.7')
      .and.to.contain(`data:font/woff2;base64,${Buffer.from('letters').toString('base64')}`);
    expect(read!.css).not.to.match(/https?:|@import/);
    expect(read!.around.map(({ tag, classes }) => [tag, ...classes].join('.'))).to.deep.equal([
      'html',
      'body.blog',
      'article',
      'div.e-content',
    ]);
    expect(notes).to.deep.equal(['1 file of its theme could not be fetched: something may look different there.']);
    // It is kept.
    expect((await theme()).theme).to.deep.equal(read);
  });

  it('is not read where there is no page, from inside the network, or when it is too large; what was read before stays', async () => {
    const kept = (await theme()).theme;
    for (const [address, says] of [
      [`${host}/words.txt`, 'There is no page at this address'],
      [`${host}/nowhere`, 'The site answered 404'],
      [`${host}/away`, 'private network'],
      ['http://127.0.0.1:2/', 'private network'],
      ['file:///etc/passwd', 'A web address begins with'],
      [`${host}/large`, 'larger than 2 MB'],
    ] as const) {
      const { status, message } = await theme(address);
      expect(status, address).to.equal(422);
      expect(message, address).to.contain(says);
    }
    expect((await theme()).theme).to.deep.equal(kept);
  });

  it('is that of an outlet there is', async () => {
    const answer = await server.call('/outlets/11111111-1111-4111-8111-111111111111/theme');
    expect(answer.status).to.equal(422);
    expect(await answer.text()).to.contain('no longer here');
  });
});
