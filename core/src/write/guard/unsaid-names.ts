import { isContentWord, normal, stem } from '../../language/terms.ts';
import { type Word, words } from '../../language/words.ts';
import { isClosed } from '../../tidy/index.ts';
import { type Alignment, placeThere } from './alignment.ts';
import { type Known, witnesses } from './known-facts.ts';
import type { Doubt, Statement } from './statement.ts';

// A name said once is not said in every sentence about who bears it: so far around it may be spoken of.
const AROUND = 6;

/** Names nobody said, or that stand where another is spoken of. */
export function unsaidNames(statement: Statement, known: Known, aligned: Alignment | null): Doubt[] {
  const { text, rests } = statement;
  return namesIn(text, known).flatMap((name): Doubt[] => {
    const word = plain(name.text);
    if (known.own.has(word)) return [];
    const at = known.places.get(word) ?? [];
    const near = witnesses(known, statement, name.text);
    const place = aligned && placeThere(aligned, name.from, name.to, 1);
    // Where it stands another is spoken of.
    const instead = place?.some((w) => isContentWord(w.text)) && !place.some((w) => w.stem === stem(name.text));
    if (!near.length && at.length && !instead) return [];
    const around = CALENDAR.test(word) ? 0 : rests.length ? 0 : AROUND;
    const isNear = near.some((m) => {
      const { source } = known.index.sentences[m]!;
      for (let n = m - around; n <= m + around; n++)
        if (known.said[n]?.has(word) && known.index.sentences[n]!.source === source) return true;
      return false;
    });
    return isNear && !instead ? [] : [{ kind: 'name', from: name.from, to: name.to, says: name.text, elsewhere: at[0] ?? null, near }];
  });
}

const plain = (word: string): string => normal(word).replace(/'s?$/, '');

const CALENDAR =
  /^(?:monday|tuesday|wednesday|thursday|friday|saturday|sunday|january|february|march|april|may|june|july|august|september|october|november|december)$/;

/** Words with a capital that no sentence begins with; and of those that do, the ones the material itself knows as names. */
export function namesIn(text: string, known: Known): Word[] {
  const all = words(text);
  return all.filter((word, i) => {
    if (!/^\p{Lu}[\p{L}'’-]*\p{Ll}/u.test(word.text) || isClosed(normal(word.text)) || /^I['’]/.test(word.text)) return false;
    const opens = i === 0 || /[.!?…:“"]\s*$/.test(text.slice(all[i - 1]!.to, word.from));
    if (!opens || CALENDAR.test(normal(word.text))) return true;
    // Whoever begins a sentence with it: a name is followed by a name, or the material has it inside sentences.
    const next = all[i + 1];
    const isFullName = next !== undefined && text.slice(word.to, next.from) === ' ' && /^\p{Lu}\p{Ll}/u.test(next.text);
    return isFullName || isNameOf(known, word.text);
  });
}

const isName = new WeakMap<Known, Map<string, boolean>>();

/** Whether the material writes a word with a capital inside a sentence. */
function isNameOf(known: Known, word: string): boolean {
  let seen = isName.get(known);
  if (!seen) isName.set(known, (seen = new Map()));
  const key = plain(word);
  let answer = seen.get(key);
  if (answer === undefined) {
    const inside = new RegExp(`[\\p{Ll},] ${key.replace(/[^\p{L}]/gu, '.')}\\b`, 'iu');
    const capital = key.charAt(0).toUpperCase();
    answer = (known.places.get(key) ?? []).some((n) => {
      const hit = inside.exec(known.index.sentences[n]!.text);
      return hit !== null && hit[0].charAt(2) === capital;
    });
    seen.set(key, answer);
  }
  return answer;
}
