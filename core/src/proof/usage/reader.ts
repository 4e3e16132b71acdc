import { type BinaryModule, Dialect, LocalLinter } from 'harper.js';
import type { English } from '../../language/speller.ts';
import type { Usage } from './usage.ts';
import { usageOf } from './usage-of.ts';

/** What was found in how passages are said, by their text. */
export type UsagesByText = (readonly [text: string, usages: Usage[]])[];

// What harper finds besides has a check of its own, or is a matter of taste.
const GRAMMAR = new Set([
  'Agreement',
  'Grammar',
  'Usage',
  'WordChoice',
  'Eggcorn',
  'Malapropism',
  'Nonstandard',
  'Redundancy',
  'BoundaryError',
  'Punctuation',
]);
// Matters of taste, and rules that are wrong oftener than right on pages made of talk (read over 61,000 words of them).
const TASTE =
  /closed compound noun|phrasal verb|^Discourse markers|^Hyphenate|^Add a hyphen|negative word|go better together|mass noun|officially known|used before a number|^Consider |^Did you mean “(?:gigabyte|second)|decade/;
const SMALL_LETTER = /does not start with a capital/;

/**
 * What reads passages for how they are said: grammar (harper.js), passive voice, hedges, insensitive words.
 * @param binary the module of harper.js, which every kind of program fetches its own way
 */
export function usageReader(binary: BinaryModule): (texts: readonly string[], english: English) => Promise<UsagesByText> {
  let linter: Promise<LocalLinter> | undefined;
  let spoken: English | undefined;

  function linterFor(english: English): Promise<LocalLinter> {
    if (!linter || spoken !== english) {
      spoken = english;
      linter = (async () => {
        const made = new LocalLinter({ binary, dialect: english === 'American' ? Dialect.American : Dialect.British });
        await made.setup();
        // Spelling has a check of its own; here it would take seconds over a passage in another language.
        await made.setLintConfig({ SpellCheck: false });
        return made;
      })();
      // It may be there when it is asked for again.
      linter.catch(() => (linter = undefined));
    }
    return linter;
  }

  return async (texts, english) => {
    const made = await linterFor(english);
    const found: UsagesByText = [];
    for (const text of texts) {
      const grammar = await grammarOf(text, made);
      const isTold = ({ rule, from, to }: Usage) => rule === 'grammar' && grammar.some((told) => told.from < to && from < told.to);
      found.push([text, [...grammar, ...usageOf(text).filter((usage) => !isTold(usage))]]);
    }
    return found;
  };
}

async function grammarOf(text: string, linter: LocalLinter): Promise<Usage[]> {
  // A passage it cannot read is one it finds nothing in.
  const found = await linter.lint(text, { language: 'plaintext' }).catch(() => []);
  // Its places count code points; ours UTF-16.
  const places = [0];
  for (const sign of text) places.push(places.at(-1)! + sign.length);
  return found.flatMap((lint): Usage[] => {
    const message = lint
      .message()
      .replaceAll('`', '“')
      .replace(/“([^“”]*)“/g, '“$1”')
      .replace(/[^.?!]$/, '$&.');
    const { start, end } = lint.span();
    // A cell or an item may begin with a small letter; a sentence behind another may not.
    const isGrammar = SMALL_LETTER.test(message) ? start > 0 : GRAMMAR.has(lint.lint_kind());
    if (!isGrammar || TASTE.test(message) || isRight(message, text, places[start]!, places[end]!)) return [];
    const instead = lint.suggestions().flatMap((s) => s.get_replacement_text() || []);
    return [
      {
        rule: 'grammar',
        from: places[start]!,
        to: places[end]!,
        says: message,
        instead: instead.slice(0, 3),
      },
    ];
  });
}

/** What rules are told off for, though it is right: the rule, by what it says, and what the words, those before or those behind look like. */
const RIGHT: readonly { rule: RegExp; words?: RegExp; before?: RegExp; behind?: RegExp }[] = [
  // “Twenty minutes. Not longer: …”
  { rule: /no longer/, behind: /^(?: longer)?\s*(?:[^\p{L}\s]|than\b|$)/u },
  // “Up to here.” “I beg you to not.”
  { rule: /“too” here/, behind: /^\s(?:here|there|not)\b/ },
  // “They’ve worked that out. It’s Saturday.”
  { rule: /possessive pronoun “its”/, before: /(?:^|[.?!,;:–—]\s?|\b(?:and|but|so|because|if|that)\s)$/i },
  { rule: /agree in grammatical number/, words: /^guys$|['’]ve$/i },
  { rule: /complete the infinitive/, words: /^means$/i },
];

const isRight = (message: string, text: string, from: number, to: number): boolean =>
  RIGHT.some(
    ({ rule, words, before, behind }) =>
      rule.test(message) &&
      (!words || words.test(text.slice(from, to))) &&
      (!before || before.test(text.slice(0, from))) &&
      (!behind || behind.test(text.slice(to))),
  );
