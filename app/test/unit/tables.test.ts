import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { TABLES } from '../../src/lib/server/tables.ts';

const MIGRATIONS = new URL('../../migrations/', import.meta.url);

describe('the tables whose rows the journal keeps', () => {
  it('are all that the migrations make, but the journal’s own mark', () => {
    const made = readdirSync(MIGRATIONS)
      .filter((name) => name.endsWith('.sql'))
      .flatMap((name) =>
        [...readFileSync(new URL(name, MIGRATIONS), 'utf8').matchAll(/CREATE TABLE (?:IF NOT EXISTS )?"(\w+)"/g)].map((m) => m[1]!),
      );
    // One that a later migration makes anew is one table.
    expect([...TABLES.keys()].sort()).to.deep.equal([...new Set(made)].filter((name) => name !== 'journal_mark').sort());
  });

  it('stand behind those they refer to', () => {
    const order = [...TABLES.keys()];
    for (const [before, after] of [
      ['pieces', 'versions'],
      ['sources', 'piece_sources'],
      ['outlets', 'postings'],
      ['pictures', 'sent_pictures'],
    ] as const)
      expect(order.indexOf(before), `${before}, ${after}`).to.be.lessThan(order.indexOf(after));
  });
});
