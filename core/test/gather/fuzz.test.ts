import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { zipSync } from 'fflate';
import { Complaint } from '@even-page/core/complaint';
import { gatherSeveral } from '../../src/gather/several.ts';

const sample = (name: string) => new Uint8Array(readFileSync(new URL(`../samples/${name}`, import.meta.url)));
const material = (name: string) => new Uint8Array(readFileSync(new URL(`../../../demo/material/${name}`, import.meta.url)));
const bytes = (text: string) => new TextEncoder().encode(text);

const GOOD: Record<string, Uint8Array> = {
  'a.docx': sample('handout.docx'),
  'a.odt': sample('handout.odt'),
  'a.rtf': sample('handout.rtf').subarray(0, 60_000),
  'a.pdf': sample('handout.pdf'),
  'a.html': bytes(
    '<html><body><nav><a href="/">x</a></nav><main><h1>T</h1><p>One <b>two</b>.</p><ul><li>a</li></ul><table><tr><td>1<td>2</table></main>',
  ),
  'a.eml': bytes(
    'From: a@b.example\r\nTo: c@d.example\r\nSubject: =?UTF-8?Q?=C3=A9?=\r\nMIME-Version: 1.0\r\nContent-Type: multipart/mixed; boundary=b\r\n\r\n--b\r\nContent-Type: text/html\r\n\r\n<p>Hi</p>\r\n--b--\r\n',
  ),
  'a.opml': bytes(
    '<?xml version="1.0"?><opml version="2.0"><head><title>T</title></head><body><outline text="a"><outline text="b"/></outline></body></opml>',
  ),
  'a.csv': bytes('a,b\n"1,2",3\n4,"5 ""x"""\n'),
  'a.ttml': bytes('<tt xmlns="http://www.w3.org/ns/ttml"><body><div><p begin="1s" end="2s">One<br/>two</p></div></body></tt>'),
  'a.json': bytes('{"words":[{"text":"a","startMs":0,"endMs":9},{"text":"b","startMs":10,"endMs":19}]}'),
  'a.srt': material('knife-evening.srt').subarray(0, 4000),
  'a.vtt': material('rewiring-a-lamp.vtt'),
  'a.md': material('mending-log.md'),
  'a.zip': zipSync({ 'a.txt': bytes('Words.'), 'b.md': bytes('# T\n\nWords.') }),
};
// The long run is FUZZ_RUNS=5000.
const RUNS = Number(process.env.FUZZ_RUNS ?? 200);
// Beside the sound file, read in the same run, for a machine may be busy with something else.
const MOST_TIMES = 100;
const LEAST_MS = 5000;

async function timeOf(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

describe('bytes that were scribbled over', () => {
  for (const [name, good] of Object.entries(GOOD)) {
    it(`of ${name} end as material or as one sentence, and in time`, async () => {
      const change = fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { maxLength: 12 });
      // What reads it is loaded the first time.
      await gatherSeveral(good, name);
      const mostMs = Math.max(LEAST_MS, MOST_TIMES * (await timeOf(() => gatherSeveral(good, name))));
      const runs = name === 'a.pdf' ? Math.ceil(RUNS / 4) : RUNS;
      await fc.assert(
        fc.asyncProperty(change, fc.nat(good.length), fc.boolean(), async (changes, length, isCut) => {
          const bad = Uint8Array.from(isCut ? good.subarray(0, length) : good);
          for (const [at, byte] of changes) if (at < bad.length) bad[at] = byte;
          const took = await timeOf(async () => {
            try {
              for (const { source, draft } of await gatherSeveral(bad, name)) {
                for (const p of source.passages) expect(p.text.trim()).to.not.equal('');
                draft?.doc.check();
              }
            } catch (cause) {
              if (!(cause instanceof Complaint)) throw cause;
              expect(cause.message).to.match(/^[^\n]+\.$/);
            }
          });
          expect(took).to.be.below(mostMs);
        }),
        { numRuns: runs },
      );
    }).timeout(600_000 + RUNS * 200);
  }
});
