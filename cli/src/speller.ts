import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { type DictionaryFiles, makeSpeller, type Speller } from '@even-page/core/language/speller';

const { resolve } = createRequire(import.meta.url);

function filesOf(dictionary: string): DictionaryFiles {
  const file = (kind: string) => readFileSync(join(dirname(resolve(dictionary)), `index.${kind}`), 'utf8');
  return { aff: file('aff'), dic: file('dic') };
}

/** A speller of British and American English. */
export const speller = (): Speller => makeSpeller({ British: filesOf('dictionary-en-gb'), American: filesOf('dictionary-en') }, 'either');
