import { normal } from '../language/terms.ts';
import { words } from '../language/words.ts';
import type { SourceProse } from '../shape/index.ts';
import { DEEDS, isClosed, isOut, type ProseSentence } from '../tidy/index.ts';

/** A sentence of a page made of talk with the figures and names in it: what was heard may have been misheard. */
export type Fact = { source: string; sentence: ProseSentence; says: string[] };

// Numbers in words, as a talk's captions often have them.
const IN_WORDS =
  '(?:two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|(?:thir|four|fif|six|seven|eigh|nine)teen|(?:twen|thir|for|fif|six|seven|eigh|nine)ty|hundred|thousand|million|half|quarter)';
// A figure and what is counted: "12 minutes", "£2.50", "fifteen degrees", "3 of them".
const FIGURE = new RegExp(
  `(?:(?:[$£€]\\s?)?\\d[\\d.,:/]*(?<![.,:/])(?:\\s?(?:%|°))?|\\b(?:an? )?${IN_WORDS}(?:(?:[ -]| and (?:an? )?)${IN_WORDS})*\\b)(?:[ -]\\p{Ll}[\\p{L}-]*)?`,
  'giu',
);

const UNIT = /[ -](\p{Ll}[\p{L}-]*)$/u;

/**
 * The facts of a page to hold against what was said, in its order: every figure, and each name where it stands first. Only of
 * talk; what was written was checked when it was written.
 */
export function factsOf(materials: readonly SourceProse[]): Fact[] {
  const named = new Set<string>();
  const facts: Fact[] = [];
  for (const { source, paragraphs } of materials)
    for (const sentence of paragraphs.flatMap((p) => p.sentences)) {
      if (!sentence.wording || isOut(sentence)) continue;
      const says = [...sentence.text.matchAll(FIGURE)].map((m) =>
        m[0].trim().replace(UNIT, (rest, unit: string) => (isClosed(unit) ? '' : rest)),
      );
      for (const name of namesIn(sentence.text))
        if (!named.has(name)) {
          named.add(name);
          says.push(name);
        }
      if (says.length) facts.push({ source, sentence, says });
    }
  return facts;
}

/** Runs of words with a capital; what only opens a sentence is none. */
function namesIn(text: string): string[] {
  const all = words(text);
  const isName = (i: number) =>
    i > 0 &&
    /^\p{Lu}\p{L}/u.test(all[i]!.text) &&
    !isClosed(normal(all[i]!.text)) &&
    !/[.!?…“"]\s*$/.test(text.slice(all[i - 1]!.to, all[i]!.from));
  const found: string[] = [];
  for (let i = 1; i < all.length; i++) {
    if (!isName(i)) continue;
    const opens =
      i === 1 && /^ $/.test(text.slice(all[0]!.to, all[1]!.from)) && !isClosed(normal(all[0]!.text)) && !DEEDS.has(normal(all[0]!.text));
    const from = opens ? 0 : i;
    while (i + 1 < all.length && isName(i + 1) && /^ ?$/.test(text.slice(all[i]!.to, all[i + 1]!.from))) i++;
    found.push(text.slice(all[from]!.from, all[i]!.to));
  }
  return found;
}
