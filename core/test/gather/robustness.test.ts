import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { Complaint } from '@even-page/core/complaint';
import { readText } from './read-text.ts';
import { durationMs } from '../../src/gather/source.ts';
import { shapeOf, writeSections } from '../../src/shape/propose-sections.ts';
import { findEdits } from '../../src/tidy/finders.ts';
import { proseOf } from '../../src/tidy/prose.ts';

const MATERIAL = new URL('../../../demo/material/', import.meta.url);
const bytesOf = (text: string) => new TextEncoder().encode(text);

/** The whole road in the core: a page, or one sentence that says what is wrong. */
function road(bytes: Uint8Array, name = ''): 'page' | 'sentence' {
  try {
    const { source, draft } = readText(bytes, name);
    for (const p of source.passages) {
      expect(p.text.trim()).to.not.equal('');
      if (p.endMs !== undefined) expect(p.endMs).to.be.at.least(p.startMs!);
    }
    (draft?.doc ?? writeSections(shapeOf([{ source: 's', paragraphs: proseOf(source, findEdits(source)) }]).sections())).check();
    return 'page';
  } catch (cause) {
    if (!(cause instanceof Complaint)) throw cause;
    expect(cause.message).to.match(/^[A-Z][^\n]*\.$/);
    return 'sentence';
  }
}

describe('material that is broken', () => {
  it('ends as a page or as one sentence, whatever bytes are changed', () => {
    for (const name of ['rewiring-a-lamp.vtt', 'mending-log.md', 'draught-proofing.txt']) {
      const good = readFileSync(new URL(name, MATERIAL));
      const change = fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { minLength: 1, maxLength: 40 });
      fc.assert(
        fc.property(change, fc.nat(good.length), (changes, length) => {
          const bad = Uint8Array.from(good.subarray(0, length));
          for (const [at, byte] of changes) if (at < length) bad[at] = byte;
          road(bad, name);
        }),
        { numRuns: 60 },
      );
    }
  });

  it('ends as a page or as one sentence, whatever letters it is made of', () => {
    const piece = fc.constantFrom(
      '1\n',
      '00:00:01,000 --> 00:00:02,000\n',
      'WEBVTT\n',
      '\n\n',
      '[0:01] ',
      '---\n',
      '# ',
      '- ',
      'a: b\n',
      '<v X>',
      'words. ',
      '🙂',
      'שלום ',
      'e\u0301',
      '\t',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 30 }), (parts) => void road(bytesOf(parts.join('')))),
      { numRuns: 300 },
    );
  });

  it('in its times is read as far as it makes sense', () => {
    const cues = (...times: string[]) => times.map((t, i) => `${i + 1}\n${t}\nWords ${i}.\n`).join('\n');
    const read = (text: string) => readText(bytesOf(text)).source;
    expect(read(cues('00:00:05,000 --> 00:00:02,000')).passages[0]).to.include({ startMs: 5000, endMs: 5000 });
    expect(read(cues('00:00:01,000 --> 00:00:09,000', '00:00:02,000 --> 00:00:03,000')).passages).to.have.length(2);
    expect(durationMs(read(cues('00:00:01,000 --> 00:00:09,000', '00:00:02,000 --> 00:00:03,000')))).to.equal(9000);
    expect(read(cues('0:1.5 --> 00:00:02,000', '00:00:02,000 --> 00:00:03,000')).passages).to.have.length(1);
  });

  it('of right-to-left and combining letters keeps them', () => {
    const said = 'שלום לכולם. e\u0301te\u0301 👩‍🔧 זה עובד.';
    const { source } = readText(bytesOf(`WEBVTT\n\n00:01.000 --> 00:02.000\n${said}`));
    expect(source.passages[0]!.text).to.equal(said);
  });

  it('or very large is read all the same', () => {
    const cues = Array.from(
      { length: 50_000 },
      (_, i) => `${i + 1}\n00:00:${String(i % 60).padStart(2, '0')},000 --> 00:01:00,000\nWords ${i}.\n`,
    );
    expect(readText(bytesOf(cues.join('\n'))).source.passages).to.have.length(50_000);
    expect(road(bytesOf(`${'x'.repeat(1_000_000)} end.`))).to.equal('page');
  });
});
