import { expect } from 'chai';
import { rmSync } from 'node:fs';
import { newFolder, startServer, type RunningServer } from '../running-server.ts';
import { startOutlet, type OutletDouble } from './outlet-double.ts';
import { ENGINES, fileOf, writer } from './writer.ts';

// The long form kills 24 times around the answer (KILL_ROUNDS=24).
const KILLS = Number(process.env.KILL_ROUNDS ?? 2);
const PATIENCE_S = 0.5;

for (const { name, fresh } of ENGINES) {
  describe(`a post is never made twice, on ${name}`, function () {
    this.timeout(600_000 + KILLS * 10_000);
    let folder: string;
    let env: Record<string, string>;
    let server: RunningServer;
    let outlet: OutletDouble;
    let outletId: string;
    const { bring, read, save } = writer(() => server);
    const start = async () => (server = await startServer({ data: folder, env }));

    before(async () => {
      folder = await newFolder();
      env = { ...(await fresh()), EVEN_PAGE_OUTLET_SECONDS: String(PATIENCE_S) };
      await start();
    });
    after(async () => {
      await server.stop();
      for (const path of [folder, `${folder}.key`]) rmSync(path, { recursive: true, force: true });
    });
    beforeEach(async () => {
      outlet = await startOutlet();
      const added = await server.call('/outlets', { method: 'POST', body: { name: 'Double', endpoint: outlet.address, token: 'secret' } });
      outletId = (await added.json()).id as string;
    });
    afterEach(() => outlet.stop());

    /** A piece that can be sent. */
    const piece = () => bring(fileOf('mending-log.md'));
    const send = async (id: string, seen?: { address: string | null }) => {
      const answer = await server.call(`/pieces/${id}/publish`, { method: 'POST', body: { outlet: outletId, ...(seen ? { seen } : {}) } });
      return { status: answer.status, ...((await answer.json()) as { message?: string; url?: string; asks?: boolean; first?: boolean }) };
    };
    const posted = async (id: string) => (await read(id)).postings.map((p: { url: string }) => p.url);
    // A slow outlet is given its time before anything else is sent.
    const rest = () => new Promise((resolve) => setTimeout(resolve, PATIENCE_S * 1000 + 200));

    it('by two requests at once: one is sent, the other hears why not', async () => {
      outlet.answersWith(async (answer, url) => {
        await new Promise((resolve) => setTimeout(resolve, 200));
        answer.writeHead(201, { location: url }).end();
      });
      const id = await piece();
      const all = await Promise.all(Array.from({ length: 10 }, () => send(id)));
      expect(outlet.posts).to.have.length(1);
      const { url } = outlet.posts[0]!;
      // A request that came when the first was through changes the post that stands there.
      for (const { status, message, url: where } of all)
        if (status === 200) expect(where).to.equal(url);
        else expect([status, message]).to.satisfy(([of, says]: [number, string]) => of === 422 && /no answer has come yet/.test(says));
      expect(all.filter(({ first }) => first)).to.have.length(1);
      expect(await posted(id)).to.deep.equal([outlet.posts[0]!.url]);
    });

    for (const [what, how] of Object.entries<Parameters<OutletDouble['answersWith']>[0]>({
      'an answer after the time-out': async (answer, url) => {
        await new Promise((resolve) => setTimeout(resolve, PATIENCE_S * 1000 + 100));
        answer.writeHead(201, { location: url }).end();
      },
      'a connection that breaks': (answer) => void answer.destroy(),
      '200 without an address': (answer) => void answer.writeHead(200).end('{}'),
      '204 without an address': (answer) => void answer.writeHead(204).end(),
      '201 without an address': (answer) => void answer.writeHead(201).end(),
      'an address that is none': (answer) => void answer.writeHead(201, { location: 'http://' }).end(),
      'an address of another kind': (answer) => void answer.writeHead(201, { location: 'javascript:alert(1)' }).end(),
      'a redirect': (answer) => void answer.writeHead(303, { location: 'https://elsewhere.example/' }).end(),
      'a fault inside': (answer) => void answer.writeHead(500).end('<h1>Oops'),
      'an answer without an end': (answer) => {
        answer.writeHead(200);
        const more = setInterval(() => answer.write('x'.repeat(1_000_000)), 1);
        answer.on('close', () => clearInterval(more));
      },
    })) {
      it(`by ${what}: the next sending finds it and changes it`, async () => {
        outlet.answersWith(how);
        const id = await piece();
        const first = await send(id);
        expect([first.status, first.message]).to.satisfy(
          ([status, says]: [number, string]) => status === 422 && /^Double may have the post: .*looks first/.test(says),
        );
        expect(await posted(id)).to.deep.equal([]);
        await rest();
        // Changed since: the version that went out is the one looked for.
        const before = await read(id);
        await save(id, before.piece, { details: { title: 'Another title' } });
        const again = await send(id);
        expect(again).to.include({ status: 200, url: outlet.posts[0]!.url });
        expect(outlet.posts).to.have.length(1);
        expect(outlet.posts[0]!.properties.name).to.deep.equal(['Another title']);
        expect(await posted(id)).to.deep.equal([outlet.posts[0]!.url]);
      });
    }

    it('by an outlet that cannot be asked: the writer says whether it is there', async () => {
      outlet.lists = false;
      outlet.answersWith((answer) => void answer.destroy());
      const [there, gone] = [await piece(), await piece()];
      for (const id of [there, gone]) await send(id);
      await rest();
      for (const id of [there, gone]) expect(await send(id)).to.include({ status: 409, asks: true });
      expect(outlet.posts).to.have.length(2);
      // The writer answers at once: nothing was sent meanwhile.
      expect((await send(there, { address: 'ftp://x' })).message).to.match(/begins with https/);
      expect(await send(there, { address: outlet.posts[0]!.url })).to.include({ status: 200, url: outlet.posts[0]!.url });
      outlet.answersWith((answer, url) => void answer.writeHead(201, { location: url }).end());
      expect(await send(gone, { address: null })).to.include({ status: 200, first: true });
      expect(outlet.posts).to.have.length(3);
    });

    it('when it is certain that it was not taken, the next sending is a first one', async () => {
      outlet.answersWith((answer) => {
        outlet.posts.pop();
        answer.writeHead(403).end('{}');
      });
      const id = await piece();
      expect((await send(id)).message).to.match(/did not take the post: it does not accept the access token/);
      outlet.answersWith((answer, url) => void answer.writeHead(201, { location: url }).end());
      expect(await send(id)).to.include({ status: 200, first: true });
    });

    it(`by ${KILLS} kills around the answer`, async () => {
      for (let round = 0; round < KILLS; round++) {
        const id = await piece();
        const before = outlet.posts.length;
        // From before the post is taken to after it was answered.
        const late = (round / Math.max(1, KILLS - 1)) * 60 - 20;
        let killed: Promise<void> | undefined;
        const kill = () => (killed ??= server.kill());
        if (late < 0) setTimeout(() => void kill(), 20 + late);
        else outlet.taken = () => void setTimeout(() => void kill(), late);
        await send(id).catch(() => null);
        await kill();
        outlet.taken = () => {};
        await start();
        if (env.DATABASE_URL) await new Promise((resolve) => setTimeout(resolve, PATIENCE_S * 1000 + 5200));
        expect(await send(id), `round ${round}`).to.include({ status: 200 });
        expect(outlet.posts.length - before, `round ${round}`).to.equal(1);
      }
    });

    it('takes a media endpoint given relative to its own address, and no other kind', async () => {
      for (const [media, wanted] of [
        ['/media', 200],
        ['javascript:alert(1)', 200],
        [{ a: 1 }, 200],
      ] as const) {
        outlet.config = { 'media-endpoint': media };
        const added = await server.call('/outlets', { method: 'POST', body: { name: 'Media', endpoint: outlet.address, token: 't' } });
        expect(added.status).to.equal(wanted);
      }
    });
  });
}
