import { normal } from '../../language/terms.ts';
import { kindOf, type Kind } from './kinds.ts';

/**
 * A word or a mark of a sentence: as written (`w`), for comparing (`n`), its kind, whether white space stands before it,
 * and its place in the sentence as said; -1 when a rule put it in.
 */
export type Token = { w: string; n: string; k: Kind; isApart: boolean; place: number };

/** A sentence in tokens; the mark it ends with, and what closes behind it, stand apart. */
export type Tokens = { all: Token[]; end: string };

const END = /([.?!…]+["'”’)\]]*)$/;
// A clipped word keeps its apostrophe: "'cause", "'em".
const TOKEN =
  /(?<![\p{L}\p{N}])['’](?:[Cc]ause|em|till?|bout|round|[Cc]o[sz]|[Tt](?:is|was))(?![\p{L}])|[\p{L}\p{N}$£€#@&][\p{L}\p{N}'’.,/:%&@_+-]*[\p{L}\p{N}%+]|[\p{L}\p{N}%&]|[^\s]/gu;

/** A sentence cut into tokens. */
export function tokensOf(text: string): Tokens {
  const end = END.exec(text)?.[1] ?? '';
  const body = end ? text.slice(0, -end.length) : text;
  const all: Token[] = [];
  let isFirst = true;
  for (const m of body.matchAll(TOKEN)) {
    const n = normal(m[0]);
    const k = kindOf(m[0], n, all.at(-1), isFirst);
    if (k !== ',') isFirst = false;
    all.push({ w: m[0], n, k, isApart: m.index > 0 && /\s/.test(body[m.index - 1]!), place: all.length });
  }
  return { all, end };
}

/** A word that a rule puts in. */
export const madeToken = (w: string): Token => {
  const n = normal(w);
  return { w, n, k: kindOf(w, n, undefined, true), isApart: w !== ',', place: -1 };
};

/** Tokens as a sentence: one space between words, a capital first, no comma without a word on either side. */
export function textOf({ all, end }: { all: readonly Token[]; end: string }): string {
  let text = '';
  let previous: Token | undefined;
  const shown = withoutLooseCommas(all);
  for (const token of shown) {
    const isJoined = token.place >= 0 && previous && previous.place === token.place - 1 ? !token.isApart : /^[,;:)\]]$/.test(token.w);
    text += (text && !isJoined ? ' ' : '') + token.w;
    previous = token;
  }
  if (!text) return '';
  // A word such as "iPad" keeps its small letter.
  return (
    text.replace(/^(["'“‘([]*)(\p{Ll})(?!\p{Ll}*\p{Lu})/u, (_, open: string, letter: string) => open + letter.toUpperCase()) + (end || '.')
  );
}

function withoutLooseCommas(all: readonly Token[]): Token[] {
  const kept: Token[] = [];
  for (const token of all) {
    const last = kept.at(-1);
    const isComma = /^[,;:]$/.test(token.w);
    if (isComma && (!last || last.w === '(')) continue;
    if (isComma && last && /^[,;:–—-]$/.test(last.w)) {
      if (last.w === ',' && token.w !== ',') kept[kept.length - 1] = token;
      continue;
    }
    kept.push(token);
  }
  while (kept.length && /^[,;:–—-]$/.test(kept.at(-1)!.w)) kept.pop();
  return kept;
}
