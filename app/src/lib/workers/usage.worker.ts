import { expose } from 'comlink';
import { createBinaryModuleFromUrl, Dialect, LocalLinter } from 'harper.js';
import grammarAddress from 'grammar.bin?url';
import { type Usage, usageOf } from '@even-page/core/proof/usage';
import type { English } from '@even-page/core/language/speller';

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
]);
const TASTE = /closed compound noun/;

const binary = createBinaryModuleFromUrl(new URL(grammarAddress, self.location.href).href, 'slim');

let linter: Promise<LocalLinter> | undefined;
let spoken: English | undefined;

function linterFor(english: English): Promise<LocalLinter> {
  if (!linter || spoken !== english) {
    spoken = english;
    linter = (async () => {
      const made = new LocalLinter({ binary, dialect: english === 'American' ? Dialect.American : Dialect.British });
      await made.setup();
      return made;
    })();
    // It may be there when it is asked for again.
    linter.catch(() => (linter = undefined));
  }
  return linter;
}

async function grammarOf(text: string, english: English): Promise<Usage[]> {
  const made = await linterFor(english);
  // A passage it cannot read is one it finds nothing in.
  const found = await made.lint(text, { language: 'plaintext' }).catch(() => []);
  // Its places count code points; ours UTF-16.
  const places = [0];
  for (const sign of text) places.push(places.at(-1)! + sign.length);
  return found.flatMap((lint): Usage[] => {
    const message = lint.message();
    if (!GRAMMAR.has(lint.lint_kind()) || TASTE.test(message)) return [];
    const { start, end } = lint.span();
    // “Twenty minutes. Not longer: …” is right.
    if (/no longer/.test(message) && /^(?: longer)?\s*(?:[^\p{L}\s]|than\b|$)/u.test(text.slice(places[end]))) return [];
    const instead = lint.suggestions().flatMap((s) => s.get_replacement_text() || []);
    return [
      {
        rule: 'grammar',
        from: places[start]!,
        to: places[end]!,
        says: message.replaceAll('`', '“').replace(/“([^“”]*)“/g, '“$1”'),
        instead: instead.slice(0, 3),
      },
    ];
  });
}

const work = {
  /** What is found in how some passages are said: grammar (harper.js), passive voice, hedges, insensitive words. */
  async read(texts: readonly string[], english: English): Promise<(readonly [string, Usage[]])[]> {
    const found: (readonly [string, Usage[]])[] = [];
    for (const text of texts) found.push([text, [...(await grammarOf(text, english)), ...usageOf(text)]]);
    return found;
  },
};

export type UsageWork = typeof work;

expose(work);
