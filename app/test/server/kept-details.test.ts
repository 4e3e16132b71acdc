import { expect } from 'chai';
import fc from 'fast-check';
import { stringify } from 'yaml';
import { frontMatter, nameOf } from '../../../core/test/post/odd-names.ts';
import { startServer, type RunningServer } from '../running-server.ts';
import { form, writer } from './writer.ts';

// PIECE_RUNS=10000 is the long form.
const numRuns = Number(process.env.PIECE_RUNS ?? 50);

describe('any piece that can be brought in', function () {
  this.timeout(600_000 + numRuns * 500);
  let server: RunningServer;
  const { bring, read, save } = writer(() => server);

  before(async () => (server = await startServer()));
  after(() => server.stop());

  const files: fc.Arbitrary<[string, string]>[] = [
    fc.tuple(frontMatter, nameOf(400)).map(([stated, heading]) => ['md', `---\n${stringify(stated)}---\n\n# ${heading}\n\nSoak it.`]),
    nameOf(400).map((heading) => ['md', `# ${heading}\n\nSoak it.`]),
    nameOf(400).map((title) => ['html', `<!doctype html><title>${title.replaceAll('<', '&lt;')}</title><p>Soak it.</p>`]),
    nameOf(400).map((subject) => ['eml', `From: a@example.org\nSubject: ${subject.replace(/\s/g, ' ')}\n\nSoak it.`]),
    nameOf(400).map((title) => ['vtt', `WEBVTT ${title.replace(/\s/g, ' ')}\n\n00:01.000 --> 00:02.000\nSoak it.`]),
    nameOf(400).map((title) => [
      'json',
      JSON.stringify({
        title,
        words: [
          { text: title, startMs: 0, endMs: 1e300 },
          { text: 'Soak', startMs: 1, endMs: 2 },
        ],
      }),
    ]),
  ];

  it('can be saved, changed and opened again, whatever its titles, tags and names', async () => {
    await fc.assert(
      fc.asyncProperty(fc.oneof(...files), nameOf(200), fc.boolean(), async ([kind, text], name, joins) => {
        const file = new File([text], `${name.replace(/[/\0\ud800\n"]/g, '_')}.${kind}`);
        let id = joins ? await bring() : '';
        const brought = await server.call(joins ? `/pieces/${id}/material` : '/pieces', form('material', file));
        const said = (await brought.json()) as { id?: string; message?: string };
        // A file may be refused, in a sentence, as one that holds no text.
        if (brought.status === 422) {
          expect(said.message).to.match(/\.$/);
          return;
        }
        expect(brought.status, said.message).to.equal(200);
        id ||= said.id!;
        const { piece } = await read(id);
        const answer = await save(id, piece, { details: { category: 'Mending' } });
        expect(answer.status, await answer.clone().text()).to.equal(200);
        expect((await read(id)).piece.details).to.deep.equal({ ...piece.details, category: 'Mending' });
        const shown = await server.call(`/pieces/${id}`, { headers: { accept: 'text/html' } });
        expect(shown.status).to.equal(200);
      }),
      { numRuns },
    );
    expect((await server.call('/pieces?order=title')).status).to.equal(200);
  });
});
