import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { captionsInside } from '../../src/gather/recording/inside.ts';
import { mediaType } from '../../src/gather/recording/media-type.ts';
import { passageAtTime, timeAt, wordAt } from '../../src/gather/recording/spoken.ts';
import type { Passage } from '../../src/gather/source.ts';

const bytesOf = (path: string) => new Uint8Array(readFileSync(new URL(path, import.meta.url)));
const tracksOf = (bytes: Uint8Array) =>
  captionsInside((from, length) => bytes.subarray(from, from + length), bytes.length, mediaType(bytes)!.type);
const inside = (bytes: Uint8Array) => tracksOf(bytes)[0]!.passages;

// Made by ffmpeg from the demo's own video: WebVTT in WebM (RFC 9559), 3GPP timed text in MP4 (ISO/IEC 14496-12).
const FILES = { WebM: '../../../demo/recordings/caning-first-steps.webm', MP4: '../samples/caning-first-steps.mp4' };

describe('a recording', () => {
  for (const [kind, path] of Object.entries(FILES)) {
    it(`in ${kind} gives the captions that lie inside it, with their times`, () => {
      const captions = inside(bytesOf(path));
      expect(captions).to.have.length(19);
      expect(captions[0]).to.include({ text: 'A caned seat begins with a bowl of' });
      expect(captions[0]!.startMs).to.be.within(590, 630);
      expect(captions.at(-1)!.text).to.equal('Do not sit on it before the morning.');
      for (const [i, c] of captions.entries()) {
        expect(c.endMs).to.be.at.least(c.startMs!);
        if (i) expect(c.startMs).to.be.at.least(captions[i - 1]!.startMs!);
      }
    });

    it(`in ${kind} that is cut short or scribbled over ends without words, not with a crash`, () => {
      const good = bytesOf(path);
      const change = fc.array(fc.tuple(fc.nat(Math.min(good.length - 1, 4000)), fc.nat(255)), { maxLength: 20 });
      fc.assert(
        fc.property(change, fc.nat(good.length), (changes, length) => {
          const bad = Uint8Array.from(good.subarray(0, length));
          for (const [at, byte] of changes) if (at < length) bad[at] = byte;
          const type = mediaType(bad.subarray(0, 512));
          if (type) captionsInside((from, n) => bad.subarray(from, from + n), bad.length, type.type);
        }),
        { numRuns: 60 },
      );
    });
  }

  // Made by ffmpeg (core/test/samples/convert.py): two languages, in fragments as streams have them, and three lines a cue.
  for (const name of ['two-languages.mp4', 'two-languages-fragments.mp4', 'two-languages.mkv'])
    it(`keeps the captions of each language apart in ${name}`, () => {
      const tracks = tracksOf(bytesOf(`../samples/${name}`));
      expect(tracks.map((t) => t.language)).to.deep.equal(['eng', 'ger']);
      const [english, german] = tracks.map((t) => t.passages);
      expect(english!.map((p) => p.text)).to.deep.equal(['A seat wants four hours.', 'Soak the cane\nfor twenty minutes\nin a bowl.']);
      // The program moves all times by the delay of the sound.
      for (const [i, at] of [1000, 4000].entries()) expect(english![i]!.startMs).to.be.within(at, at + 150);
      expect(german!.map((p) => p.text)).to.deep.equal(['Ein Sitz braucht vier Stunden.', 'Das Rohr einweichen.']);
    });

  it('in WebM keeps every line of a cue', () => {
    expect(inside(bytesOf('../samples/three-lines.webm')).map((p) => p.text)).to.deep.equal([
      'A seat wants four hours.',
      'Soak the cane\nfor twenty minutes\nin a bowl.',
    ]);
  });

  it('is told from its bytes, and other files are not', () => {
    const start = (letters: string) => Uint8Array.from(letters, (l) => l.charCodeAt(0));
    expect(mediaType(bytesOf('../../../demo/recordings/wick-evening.ogg'))).to.deep.equal({ type: 'audio/ogg', isVideo: false });
    expect(mediaType(start('ID3\x04rest'))?.type).to.equal('audio/mpeg');
    expect(mediaType(start('RIFF1234WAVEfmt '))?.type).to.equal('audio/wav');
    expect(mediaType(start('\0\0\0\x20ftypM4A '))).to.deep.equal({ type: 'audio/mp4', isVideo: false });
    for (const other of ['\0\0\0\x20ftypavif', 'RIFF1234WEBP', '%PDF-1.7', 'words', '']) expect(mediaType(start(other))).to.equal(null);
  });
});

describe('the words of a recording', () => {
  const heard: Passage = { text: 'mind the cable', startMs: 1000, endMs: 1700, wordsMs: [1000, 1200, 1210, 1300, 1310, 1700] };
  const caption: Passage = { text: 'mind the cable', startMs: 1000, endMs: 2400 };

  it('are found by where they stand, and by when they are said', () => {
    expect([0, 2, 5, 9, 13].map((at) => timeAt(heard, at))).to.deep.equal([1000, 1000, 1210, 1310, 1310]);
    expect(heard.text.slice(...(Object.values(wordAt(heard, 1250)!) as [number, number]))).to.equal('the');
    expect(wordAt(heard, 900)).to.equal(null);
    expect(wordAt(heard, 1800)).to.equal(null);
  });

  it('of a caption share its time by their length', () => {
    expect(timeAt(caption, 9)).to.equal(1000 + (9 / 14) * 1400);
    const word = wordAt(caption, 2300)!;
    expect(caption.text.slice(word.from, word.to)).to.equal('cable');
  });

  it('lie in the last passage that has begun', () => {
    const passages = [0, 1000, 5000].map((startMs) => ({ text: 'x', startMs, endMs: startMs + 500 }));
    expect([0, 999, 1000, 4999, 9000].map((ms) => passageAtTime(passages, ms))).to.deep.equal([0, 0, 1, 1, 2]);
    expect(passageAtTime(passages, -1)).to.equal(-1);
  });
});
