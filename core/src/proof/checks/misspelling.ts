import { normal } from '../../language/terms.ts';
import type { Word } from '../../language/words.ts';
import type { Check, Ready } from '../check.ts';
import { placeIn } from '../place.ts';
import { spellingOf } from '../spelling.ts';
import type { Stretch } from '../stretches.ts';

const MANY = 3;

/** Whether grammar has something to say of a word: once is enough. */
const isGrammar = ({ usages, house }: Ready, { text }: Stretch, { from, to }: Word): boolean =>
  !house.unchecked.includes('grammar') &&
  !!usages?.get(text)?.some((usage) => usage.rule === 'grammar' && usage.from === from && usage.to === to);

export const misspelling: Check = {
  name: 'spelling',
  kind: 'language',
  gravity: 'look',
  why: 'A misspelt word is the first thing careful readers see, and the last they forget.',
  source: 'the dictionaries of British and American English of the Hunspell project (packages dictionary-en-gb and dictionary-en)',
  run(post) {
    const unknown = spellingOf(post).flatMap(({ stretch, spelt }) =>
      spelt.isForeign ? [] : spelt.unknown.filter((word) => !isGrammar(post, stretch, word)).map((word) => ({ stretch, ...word })),
    );
    const times = new Map<string, number>();
    for (const { text } of unknown) times.set(normal(text), (times.get(normal(text)) ?? 0) + 1);
    const seen = new Set<string>();
    return unknown.flatMap(({ stretch, text, from, to }) => {
      const n = times.get(normal(text))!;
      // What is written so again and again is a word of the trade: said once.
      if (n >= MANY && seen.has(normal(text))) return [];
      seen.add(normal(text));
      const [first, ...more] = post.speller!.suggests(text);
      const others = more.slice(0, 3).map((word) => `“${word}”`);
      const meant = !first ? 'Look whether it is spelt right.' : others.length ? `“${first}”, or ${others.join(', ')}?` : `“${first}”?`;
      return [
        {
          place: placeIn(stretch, from, to),
          says: `“${text}” is in no dictionary`,
          hint: n >= MANY ? `It stands here ${n} times: a word of yours? ${meant}` : meant,
          ...(first ? { fix: { label: `Make it “${first}”`, text: first } } : {}),
        },
      ];
    });
  },
};
