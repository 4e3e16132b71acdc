import { expect } from 'chai';
import { findEdits } from '../../../core/src/tidy/finders.ts';
import { startBlog, startServer, type RunningServer } from '../running-server.ts';
import { ENGINES, fileOf, form, writer } from './writer.ts';

for (const engine of ENGINES) {
  describe(`the server on ${engine.name}`, () => {
    let server: RunningServer;
    let blog: Awaited<ReturnType<typeof startBlog>>;

    before(async () => {
      [server, blog] = await Promise.all([startServer({ env: await engine.fresh() }), startBlog()]);
    });
    after(async () => {
      await server.stop();
      blog.stop();
    });

    const { bring, read, list, save } = writer(() => server);

    describe('material', () => {
      it('makes a piece of a caption file, with every cue and an empty page', async () => {
        const { piece, sources } = await read(await bring(fileOf('knife-evening.srt')));
        expect(sources).to.have.length(1);
        expect(sources[0].source.passages.length).to.be.greaterThan(300);
        expect(sources[0].durationMs / 60_000).to.be.within(35, 45);
        expect(piece.doc.content).to.have.length(1);
      });

      it('puts a draft onto the page, tied to its source, with ids and details', async () => {
        const { piece, sources } = await read(await bring(fileOf('mending-log.md')));
        expect(piece.details).to.include({ title: 'What the mending log taught us in its first winter', slug: 'mending-log-first-winter' });
        const [first] = piece.doc.content;
        expect(first.attrs.id).to.match(/^[a-z0-9]{10}$/);
        expect(first.attrs.origins).to.deep.equal([{ source: sources[0].id, first: 0, last: 0 }]);
      });

      it('can be several sources in order, and can be added later without touching the page', async () => {
        const id = await bring(fileOf('rewiring-a-lamp.vtt'), fileOf('draught-proofing.txt'));
        const before = await read(id);
        expect(before.sources.map((s: { name: string }) => s.name)).to.deep.equal(['rewiring-a-lamp.vtt', 'draught-proofing.txt']);
        await save(id, before.piece, { details: { title: 'Mine' } });
        await server.call(`/pieces/${id}/material`, form('material', new File(['Pasted words.'], 'pasted')));
        const after = await read(id);
        expect(after.sources).to.have.length(3);
        expect(after.sources[2].name).to.equal('Pasted words');
        expect(after.piece.details.title).to.equal('Mine');
      });

      it('that cannot be read makes nothing and says why', async () => {
        const count = (await list()).length;
        const response = await server.call(
          '/pieces',
          form('material', fileOf('knife-evening.srt'), new File([new Uint8Array([1, 2, 3, 0, 5, 6])], 'broken.srt')),
        );
        expect(response.status).to.equal(422);
        expect((await response.json()).message).to.match(/^broken\.srt: [^\n]+\.$/);
        expect(await list()).to.have.length(count);
      });

      it('may be nothing at all: an empty piece', async () => {
        const { piece, sources } = await read(await bring());
        expect(sources).to.deep.equal([]);
        expect(piece.details.title).to.equal('');
      });
    });

    describe('saving', () => {
      it('makes a new version and tells the Desk what to do next', async () => {
        const id = await bring(fileOf('mending-log.md'));
        const { piece } = await read(id);
        const saved = await (await save(id, piece, { details: { title: '' } })).json();
        expect(saved.version).to.equal(piece.version + 1);
        const row = (await list()).find((p: { id: string }) => p.id === id);
        expect(row.next).to.include({ gravity: 'must', says: 'The post has no title' });
        expect(row.step).to.equal('write');
        expect(row.sectionWords).to.have.length(5);
      });

      it('makes no new version when nothing but the step changed', async () => {
        const id = await bring(fileOf('mending-log.md'));
        const { piece } = await read(id);
        expect((await (await save(id, piece)).json()).version).to.equal(piece.version);
      });

      it('refuses a save that is based on an older version', async () => {
        const id = await bring(fileOf('mending-log.md'));
        const { piece } = await read(id);
        await save(id, piece, { details: { title: 'First' } });
        const response = await save(id, piece, { details: { title: 'Second' } });
        expect(response.status).to.equal(409);
        expect((await read(id)).piece.details.title).to.equal('First');
      });

      it('refuses what is no post, in a sentence, and keeps what is there', async () => {
        const id = await bring(fileOf('mending-log.md'));
        const { piece } = await read(id);
        const wrong = [
          { ...piece, doc: { type: 'doc', content: [{ type: 'script' }] } },
          {
            ...piece,
            doc: { type: 'doc', content: [{ type: 'picture', attrs: { id: 'x', src: 'javascript:alert(1)', alt: '', caption: '' } }] },
          },
          { ...piece, details: { ...piece.details, slug: 'Not A Slug' } },
          { ...piece, version: 'one' },
        ];
        for (const body of wrong) {
          const response = await save(id, body);
          expect(response.status).to.equal(400);
          expect((await response.json()).message).to.match(/\.$|must be/);
        }
        expect((await read(id)).piece.version).to.equal(piece.version);
      });

      it('keeps the repairs taken over a source', async () => {
        const id = await bring(fileOf('rewiring-a-lamp.vtt'));
        const { piece, sources } = await read(id);
        const edits = findEdits(sources[0].source);
        await save(id, piece, { edits: [{ source: sources[0].id, take: edits, drop: [] }] });
        expect((await read(id)).sources[0].edits).to.deep.equal(edits);
        expect((await list()).find((p: { id: string }) => p.id === id).next.says).to.equal('Ask for sections');
      });
    });

    describe('pictures', () => {
      it('become lighter WebP files, fetched anew only where they changed', async () => {
        const id = await bring();
        const { pictures } = await (
          await server.call(`/pieces/${id}/pictures`, form('picture', fileOf('caned-seat-from-above.png')))
        ).json();
        expect(pictures[0]).to.include({ width: 1600, height: 1000 });
        const response = await server.call(pictures[0].src);
        expect(response.headers.get('content-type')).to.equal('image/webp');
        const again = await server.call(pictures[0].src, { headers: { 'if-none-match': response.headers.get('etag')! } });
        expect(again.status).to.equal(304);
        expect((await response.arrayBuffer()).byteLength).to.equal(pictures[0].bytes);
      });

      it('that are none are refused in a sentence', async () => {
        const response = await server.call(`/pieces/${await bring()}/pictures`, form('picture', new File(['words'], 'notes.png')));
        expect(response.status).to.equal(422);
        expect((await response.json()).message).to.match(/^notes\.png is not a picture/);
      });
    });

    describe('publishing', () => {
      let outlet: string;
      const publish = async (id: string, to = outlet) => server.call(`/pieces/${id}/publish`, { method: 'POST', body: { outlet: to } });
      const onBlog = async (url: string) => (await fetch(url)).text();

      before(async () => {
        const answer = await server.call('/outlets', {
          method: 'POST',
          body: { name: 'Hall blog', endpoint: `${blog.address}/micropub`, token: blog.token },
        });
        outlet = (await answer.json()).id;
      });

      it('puts the post on the blog, and a change onto the same address', async () => {
        const id = await bring(fileOf('autumn-mending-day.md'));
        const first = await (await publish(id)).json();
        expect(first).to.include({ first: true, url: `${blog.address}/autumn-mending-day` });
        expect(await onBlog(first.url)).to.contain('<h2>Who runs which table</h2>');
        const { piece } = await read(id);
        await save(id, piece, { details: { title: 'Changed' } });
        expect((await list()).find((p: { id: string }) => p.id === id).next.says).to.equal('Changed since it was sent');
        const second = await (await publish(id)).json();
        expect(second).to.include({ first: false, url: first.url });
        expect(await onBlog(first.url)).to.contain('Changed');
        expect((await list()).find((p: { id: string }) => p.id === id).next).to.include({ gravity: 'fine', says: 'Published' });
      });

      it('sends pictures along, named in words, once', async () => {
        const id = await bring(fileOf('autumn-mending-day.md'));
        const { pictures } = await (
          await server.call(`/pieces/${id}/pictures`, form('picture', fileOf('clipboard-by-the-door.png')))
        ).json();
        const { piece } = await read(id);
        piece.doc.content.splice(1, 0, {
          type: 'picture',
          attrs: { id: 'pic', src: pictures[0].src, alt: 'A clipboard by the door', caption: 'The log' },
        });
        await save(id, piece);
        const { url } = await (await publish(id)).json();
        const src = /<img src="([^"]+)" alt="A clipboard by the door"[^>]*><\/picture><figcaption>The log/.exec(await onBlog(url))![1]!;
        expect(src).to.match(/\/media\/a-clipboard-by-the-door-[0-9a-f]{8}\.png$/);
        expect((await fetch(src)).status).to.equal(200);
      });

      it('asks for a title', async () => {
        const id = await bring(fileOf('draught-proofing.txt'));
        const response = await publish(id);
        expect(response.status).to.equal(422);
        expect((await response.json()).message).to.contain('no title');
      });

      it('says so when the blog is away or refuses, and records nothing', async () => {
        const wrong = await server.call('/outlets', {
          method: 'POST',
          body: { name: 'Hall blog', endpoint: `${blog.address}/micropub`, token: 'wrong' },
        });
        expect(wrong.status).to.equal(422);
        const away = await server.call('/outlets', {
          method: 'POST',
          body: { name: 'Gone', endpoint: 'http://127.0.0.1:9/micropub', token: 'x' },
        });
        expect((await away.json()).message).to.match(/Gone cannot be reached .*safe here/);
      });

      it('never gives a token away', async () => {
        expect(JSON.stringify(await (await server.call('/outlets')).json())).to.not.contain(blog.token);
        const page = await (await fetch(`${server.address}/pieces/${await bring()}`)).text();
        expect(page).to.not.contain(`"${blog.token}"`);
      });
    });

    describe('answers', () => {
      it('at unknown addresses are a page that leads back', async () => {
        for (const path of ['/nowhere', '/pieces/nope', '/pieces/00000000-0000-0000-0000-000000000000']) {
          const response = await fetch(`${server.address}${path}`, { headers: { accept: 'text/html' } });
          expect(response.status, path).to.equal(404);
          expect(await response.text(), path)
            .to.contain('Go to the Desk')
            .and.to.not.match(/at .*\.js:\d+/);
        }
      });

      it('carry a Content Security Policy that allows no foreign script', async () => {
        const policy = (await fetch(server.address)).headers.get('content-security-policy')!;
        expect(policy).to.contain("default-src 'self'").and.to.contain("object-src 'none'");
        // What reads grammar is compiled from a file of our own: that runs no script.
        expect(/script-src ([^;]*)/.exec(policy)![1]!.replace("'wasm-unsafe-eval'", '')).to.not.match(/unsafe|\*|http/);
      });

      it('are refused to forms of other sites', async () => {
        const response = await server.call('/pieces', { ...form('material'), headers: { origin: 'https://elsewhere.example' } });
        expect(response.status).to.equal(403);
      });
    });
  });
}
