// Packs what the adapter leaves as it is, models, dictionaries and the grammar, for browsers that take it packed.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const ASSETS = new URL('build/client/_app/immutable/workers/assets/', import.meta.url);

for (const name of readdirSync(ASSETS))
  if (/\.(?:bin|dic|aff)$/.test(name)) writeFileSync(new URL(`${name}.gz`, ASSETS), gzipSync(readFileSync(new URL(name, ASSETS))));
