import { expect } from 'chai';
import { broken, PROMISES, readingOf } from './promises.ts';

// Files as foreign programs write them (core/test/samples/foreign/make.sh): what each promises a reader stands on the page.
describe('files of foreign programs', () => {
  for (const promised of PROMISES)
    it(`keep what they promise: ${promised.kind} of ${promised.program}, ${promised.file}`, async () => {
      expect(broken(promised, await readingOf(promised.file))).to.deep.equal([]);
    });
});
