import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { checksTable } from '../../../scripts/checks-table.ts';

describe('docs/checks.md', () => {
  it('says what the checks themselves say (npx tsx scripts/write-checks.ts)', () => {
    expect(readFileSync(new URL('../../../docs/checks.md', import.meta.url), 'utf8')).to.equal(checksTable());
  });
});
