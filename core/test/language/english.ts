import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { type English, makeSpeller } from '@even-page/core/language/speller';

const { resolve } = createRequire(import.meta.url);
const filesOf = (name: string) => {
  const file = (kind: string) => readFileSync(join(dirname(resolve(name)), `index.${kind}`), 'utf8');
  return { aff: file('aff'), dic: file('dic') };
};
const files = { British: filesOf('dictionary-en-gb'), American: filesOf('dictionary-en') };

/** A speller of one English, or of either. */
export const spellerOf = (english: English) => makeSpeller(files, english);

/** A speller of either English. */
export const speller = spellerOf('either');
