import { literalPattern } from '../../language/literal-pattern.ts';
import type { Token } from './tokens.ts';

/**
 * Patterns over words and their kinds, their parts parted by spaces:
 * - `so|and` one of these words, `@subject` one of a set (also inside alternatives), `<v|n>` a word of these kinds
 * - `_` any word, `_,` any word or mark, `,` a comma, `^` and `$` the sentence's two ends
 * - `( so then / and )` one of several runs; `x=( ... )` one that is named
 * - `>( ... )` and `!>( ... )` what must, or must not, come next; `<( ... )` and `!<( ... )` what stood before
 * - `?`, `*`, `{1,3}` behind any of these: how often
 */
export type Pattern = { find: RegExp; needs: ReadonlySet<string> | null };

export type WordSets = Readonly<Record<string, readonly string[]>>;

const ANY_WORD = '[^ /]+/[^, ] ';
const QUANTITY = /(\?|\*|\+|\{\d+,\d*\})$/;

/** A pattern made ready. Throws an Error when it is written wrong: patterns are part of the program. */
export function patternOf(source: string, sets: WordSets): Pattern {
  const parts = source.trim().split(/\s+/);
  let at = 0;
  let needs: string[] | null = null;
  let named = 0;

  function sequence(depth: number): string {
    let made = '';
    for (; at < parts.length; at++) {
      const part = parts[at]!;
      if (part.startsWith(')') || (part === '/' && depth)) return made;
      made += item(part, depth);
    }
    if (depth) throw new Error(`A bracket is not closed: ${source}`);
    return made;
  }

  function item(part: string, depth: number): string {
    if (part === '^' || part === '$') return part;
    if (part.endsWith('(')) return group(part.slice(0, -1), depth);
    const quantity = part.length > 1 ? (QUANTITY.exec(part)?.[0] ?? '') : '';
    const bare = quantity ? part.slice(0, -quantity.length) : part;
    if (bare === '_') return repeated(ANY_WORD, quantity);
    if (bare === '_,') return repeated('[^ ]+ ', quantity);
    if (bare.startsWith('<')) return repeated(`[^ /]+/[${bare.slice(1, -1).replaceAll('|', '')}] `, quantity);
    const words = bare.split('|').flatMap((word) => {
      if (!word.startsWith('@')) return [word];
      const found = sets[word.slice(1)];
      if (!found) throw new Error(`There is no set ${word}: ${source}`);
      return found;
    });
    if (!depth && !/^[?*{]/.test(quantity) && (!needs || words.length < needs.length)) needs = words;
    return repeated(`(?:${words.map(literalPattern).join('|')})/\\S `, quantity);
  }

  function group(mark: string, depth: number): string {
    const choices: string[] = [];
    do {
      at++;
      choices.push(sequence(depth + 1));
    } while (parts[at] === '/');
    const quantity = parts[at]!.slice(1);
    const open =
      mark === '>'
        ? '(?='
        : mark === '!>'
          ? '(?!'
          : mark === '<'
            ? '(?<=(?<![^ ])(?:'
            : mark === '!<'
              ? '(?<!(?<![^ ])(?:'
              : mark
                ? `(?<${mark.slice(0, -1)}_${named++}>`
                : '(?:';
    const body = choices.join('|');
    return repeated(/^!?<$/.test(mark) ? `${open}${body}))` : `${open}${body})`, quantity);
  }

  const found = sequence(0);
  return { find: new RegExp(`(?<![^ ])${found}`, 'dg'), needs: needs && new Set<string>(needs) };
}

const repeated = (made: string, quantity: string) => (quantity ? `(?:${made})${quantity}` : made);

/** A sentence as patterns look at it: its tokens in letters, and where each begins. */
export type Looked = { letters: string; starts: number[] };

/** Tokens as patterns look at them. */
export function lookedAt(tokens: readonly Token[]): Looked {
  let letters = '';
  const starts: number[] = [];
  for (const { n, k } of tokens) {
    starts.push(letters.length);
    letters += `${n.replaceAll('/', '_')}/${k} `;
  }
  starts.push(letters.length);
  return { letters, starts };
}

/** A stretch of tokens [from, to). */
export type TokenSpan = { from: number; to: number };

/** Where a pattern fits: the whole, and its named runs. */
export type Fit = TokenSpan & { named: Readonly<Record<string, TokenSpan | undefined>> };

/** The places a pattern fits, from left to right. */
export function* fitsOf({ find }: Pattern, { letters, starts }: Looked): Generator<Fit> {
  const placeOf = (letter: number) => starts.indexOf(letter);
  find.lastIndex = 0;
  for (let m = find.exec(letters); m; m = find.exec(letters)) {
    const next = m.index + Math.max(1, letters.indexOf(' ', m.index) + 1 - m.index);
    if (m[0]) {
      const named: Record<string, TokenSpan> = {};
      // Runs of one name in several choices are numbered; one of them was found.
      for (const [name, span] of Object.entries(m.indices!.groups ?? {}))
        if (span && span[1] > span[0]) named[name.replace(/_\d+$/, '')] = { from: placeOf(span[0]), to: placeOf(span[1]) };
      yield { from: placeOf(m.index), to: placeOf(m.index + m[0].length), named };
    }
    find.lastIndex = next;
  }
}
