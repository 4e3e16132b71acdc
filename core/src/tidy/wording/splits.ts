import { SETS } from './rule.ts';
import type { Token } from './tokens.ts';

// A sentence of more words than this is cut, if there is a good place.
const LONG = 24;
const FEWEST_LEFT = 6;
const FEWEST_RIGHT = 5;
const CLAUSE = new Set(SETS.clause);
const DEED = new Set(SETS.deed);
const JOINTS = new Set(['and', 'so', 'but']);
const HANGS = /\b(?:if|when|because|since|that|which|who|where|once|whether|what|how|before|after|while|until|as|unless|although|though)\b/;
const SAYS =
  /\b(?:says?|said|see|think|thought|know|realise|realize|sure|hope|mean|means|ask|asked|believe|found|notice|remember|told|tell)\b[^,]*$/;
const LEADS =
  /^(?:(?:then|also|next|and|but|so) )?(?:if|when|while|once|because|since|as|after|before|until|although|unless|either|both|not only|the more)\b/;

/** A long sentence that runs on, cut where a clause with a subject of its own follows "and", "so" or "but". */
export function split(all: readonly Token[]): Token[][] {
  const size = all.filter((t) => t.k !== ',').length;
  if (size <= LONG) return [[...all]];
  let best: { at: number; to: number; cost: number } | null = null;
  for (let at = FEWEST_LEFT; at < all.length - FEWEST_RIGHT; at++) {
    if (!JOINTS.has(all[at]!.n)) continue;
    let to = at + 1;
    while (/^(?:then|so|also|now)$/.test(all[to]?.n ?? '')) to++;
    const opens = all[to];
    const next = all[to + 1];
    if (!opens || !next || next.k === ',') continue;
    const hasSubject =
      CLAUSE.has(opens.n) ||
      ((opens.k === 't' || opens.k === 'e') && all.slice(to + 1, to + 5).some((t) => t.k === 'x' || t.k === 'z')) ||
      (DEED.has(opens.n) && DEED.has(all[0]!.n) && all[at - 1]!.n === ',');
    if (!hasSubject || opens.n === 'that' || (all[at]!.n === 'so' && opens.n === 'that')) continue;
    const hasComma = all[at - 1]!.n === ',';
    const left = all.slice(0, hasComma ? at - 1 : at);
    const words = left.map((t) => t.n).join(' ');
    const inner = words.split(' , ').at(-1)!;
    const isOpen = LEADS.test(words) && !/ , (?!and|but|or|so)/.test(`${words} `);
    if (isOpen || (!hasComma && (all[at]!.n === 'so' || HANGS.test(inner) || SAYS.test(inner)))) continue;
    if (hasComma && (SAYS.test(inner) || /^(?:if|when|because|whether|and if|and when)\b/.test(inner))) continue;
    if (left.filter((t) => t.k !== ',').length < FEWEST_LEFT || all.slice(to).filter((t) => t.k !== ',').length < FEWEST_RIGHT) continue;
    const cost = Math.abs(at - all.length / 2) - (hasComma ? 4 : 0);
    if (!best || cost < best.cost)
      best = {
        at: hasComma ? at - 1 : at,
        to: all[at]!.n === 'but' || all[at + 1]?.n === 'but' ? all.findIndex((t, i) => i >= at && t.n === 'but') : to,
        cost,
      };
  }
  if (!best) return [[...all]];
  return [...split(all.slice(0, best.at)), ...split(all.slice(best.to))];
}
