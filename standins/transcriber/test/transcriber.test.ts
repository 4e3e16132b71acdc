import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { transcriber, transcriptsIn } from '../src/transcriber.ts';

const RECORDINGS = new URL('../../../demo/recordings/', import.meta.url);
const known = transcriptsIn(RECORDINGS);

describe('the transcriber stand-in', () => {
  const send = (app: ReturnType<typeof transcriber>, body: Uint8Array<ArrayBuffer>, headers = {}) =>
    app.request('/jobs', { method: 'POST', body, headers });
  const talk = new Uint8Array(readFileSync(new URL('wick-evening.ogg', RECORDINGS)));

  it('takes its time, then gives the words of a recording it knows, with their times', async () => {
    const app = transcriber({ known, workMs: 50 });
    const { id } = (await (await send(app, talk)).json()) as { id: string };
    const ask = async () =>
      (await app.request(`/jobs/${id}`)).json() as Promise<{ state: string; words: { text: string; startMs: number; endMs: number }[] }>;
    expect((await ask()).state).to.equal('working');
    await new Promise((done) => setTimeout(done, 60));
    const { state, words } = await ask();
    expect(state).to.equal('done');
    expect(words.slice(0, 3).map((w) => w.text)).to.deep.equal(['so', 'um', 'good']);
    words.slice(1).forEach((w, i) => expect(w.startMs).to.be.at.least(words[i]!.startMs));
  });

  it('says in a sentence that it does not know a recording, and refuses what is none', async () => {
    const app = transcriber({ known, workMs: 0 });
    const { id } = (await (await send(app, Uint8Array.from([1, 2, 3]))).json()) as { id: string };
    expect(await (await app.request(`/jobs/${id}`)).json()).to.deep.equal({
      state: 'failed',
      says: 'No words could be made out in this recording.',
    });
    expect((await send(app, new Uint8Array())).status).to.equal(400);
    expect((await app.request('/jobs/none')).status).to.equal(404);
  });

  it('asks for its token where it has one', async () => {
    const app = transcriber({ known, workMs: 0, token: 'secret' });
    expect((await send(app, talk)).status).to.equal(401);
    expect((await send(app, talk, { authorization: 'Bearer secret' })).status).to.equal(202);
  });
});
