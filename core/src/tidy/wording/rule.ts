import { DEEDS, isClosed } from './kinds.ts';
import { fitsOf, lookedAt, patternOf, type Fit, type Looked, type Pattern, type TokenSpan, type WordSets } from './pattern.ts';
import { madeToken, type Token } from './tokens.ts';

/** Who a talk is told by, or to: "you" is told what to do, "we" and "I" tell what they do. */
export type ToldBy = 'you' | 'we' | 'i' | 'as-said';

/** What rules know of the talk besides the sentence: the person, and whether it tells listeners what to do. */
export type Telling = { person: ToldBy; isHowTo: boolean };

/** A sentence while it is worded: its tokens, the mark at its end, and whether it tells the reader a deed. */
export class Wording {
  isInstruction = false;
  /** Its words, and what patterns look at: both as of now. */
  known!: ReadonlySet<string>;
  looked!: Looked;
  constructor(
    public all: readonly Token[],
    readonly end: string,
    readonly telling: Telling,
  ) {
    this.become(all);
  }
  become(all: readonly Token[]): void {
    this.all = all;
    this.known = new Set(all.map((t) => t.n));
    this.looked = lookedAt(all);
  }
}

/** Where a rule fits: the sentence, and the words before and after the place, in small letters. */
export type RulePlace = Fit & { wording: Wording; before: string; after: string; words: (name: string) => string };

/**
 * A small change of words: where its pattern fits, the whole of it becomes `put`. In `put`, `$x` stands for a named run,
 * `$x.will` for a form of it (FORMS); everything else are words of the closed class. Without `put` it goes.
 */
export type Rule = {
  name: string;
  /** Why, in words a writer understands. */
  reason: string;
  find: string;
  put?: string;
  /** Whether it may be used here, beyond what the pattern says. */
  guard?: (place: RulePlace) => boolean;
  /** Whether the sentence tells the reader a deed afterwards. */
  instructs?: boolean;
};

export const SETS: WordSets = {
  subject: ['i', 'we', 'you'],
  being: ["i'm", "we're", "you're"],
  willing: ["i'll", "we'll", "you'll"],
  clause: [
    ...[
      'i',
      'we',
      'you',
      'he',
      'she',
      'it',
      'they',
      'there',
      'this',
      'that',
      'these',
      'those',
      'everything',
      'nobody',
      'somebody',
      'everybody',
    ],
    ...["i'm", "we're", "you're", "he's", "she's", "it's", "they're", "there's", "that's", "i've", "we've", "you've", "they've"],
    ...["i'll", "we'll", "you'll", "he'll", "she'll", "it'll", "they'll", "that'll", "i'd", "we'd", "you'd", "he'd", "she'd", "they'd"],
  ],
  then: ['now', 'next', 'then', 'first', 'here', 'today', 'tonight', 'there'],
  lightly: [
    'just',
    'now',
    'also',
    'then',
    'actually',
    'quickly',
    'really',
    'simply',
    'basically',
    'usually',
    'always',
    'normally',
    'probably',
    'generally',
  ],
  place: ['for', 'from', 'about', 'as', 'with', 'in', 'at', 'on', 'under', 'near', 'by', 'into', 'behind', 'beside', 'inside'],
  deed: [...DEEDS],
};

const personOf = (n: string) => {
  const bare = n.replace(/'.*/, '');
  return bare === 'i' ? 'I' : bare;
};
/** What a named run can be put in as. */
const FORMS: Readonly<Record<string, (n: string, person: ToldBy) => string>> = {
  // Who is told to do it: a deed of the listener is an instruction, whoever speaks.
  teller: (n, person) =>
    personOf(n) === 'you' || person === 'you' ? '' : person === 'we' || n === "let's" || n === 'let' ? 'we' : personOf(n),
  will: (n) => `${personOf(n)} will`,
  can: (n) => `${personOf(n)} can`,
  have: (n) => `${personOf(n)} ${/^(?:he|she|it|that|this)$/.test(personOf(n)) ? 'has' : 'have'}`,
  person: personOf,
  toYou: (n) => TO_YOU[n] ?? n,
};
const TO_YOU: Readonly<Record<string, string>> = {
  my: 'your',
  our: 'your',
  me: 'you',
  us: 'you',
  i: 'you',
  we: 'you',
  "i'm": "you're",
  "we're": "you're",
  "i'll": "you'll",
  "we'll": "you'll",
  "i've": "you've",
  "we've": "you've",
  "i'd": "you'd",
  "we'd": "you'd",
  myself: 'yourself',
  ourselves: 'yourself',
  mine: 'yours',
  ours: 'yours',
};

/** A rule made ready. Throws an Error when it would put in words that are not of the closed class. */
export type ReadyRule = Rule & { pattern: Pattern };

export function readied(rule: Rule): ReadyRule {
  for (const word of (rule.put ?? '').split(' '))
    if (word && !/^[$,]/.test(word) && !isClosed(word.toLowerCase())) throw new Error(`The rule ${rule.name} puts in "${word}".`);
  return { ...rule, pattern: patternOf(rule.find, SETS) };
}

// A sentence is left in peace by one rule after so many uses.
const MOST_USES = 6;

/** Uses a rule on a sentence, wherever it fits. Returns whether it changed anything. */
export function use(rule: ReadyRule, wording: Wording): boolean {
  const { needs } = rule.pattern;
  if (needs && !intersects(needs, wording.known)) return false;
  let changed = false;
  for (let n = 0; n < MOST_USES && useOnce(rule, wording); n++) changed = true;
  if (changed && rule.instructs) wording.isInstruction = true;
  return changed;
}

const intersects = (a: ReadonlySet<string>, b: ReadonlySet<string>): boolean => {
  const [few, many] = a.size < b.size ? [a, b] : [b, a];
  for (const word of few) if (many.has(word)) return true;
  return false;
};

const wordsIn = (all: readonly Token[]) => all.map((t) => t.n).join(' ');

function useOnce(rule: ReadyRule, wording: Wording): boolean {
  const { all } = wording;
  for (const fit of fitsOf(rule.pattern, wording.looked)) {
    const run = ({ from, to }: TokenSpan) => all.slice(from, to);
    let before: string | undefined;
    let after: string | undefined;
    // Few guards look at either.
    const place: RulePlace = {
      ...fit,
      wording,
      get before() {
        return (before ??= wordsIn(all.slice(0, fit.from)));
      },
      get after() {
        return (after ??= wordsIn(all.slice(fit.to)));
      },
      words: (name) => (fit.named[name] ? wordsIn(run(fit.named[name])) : ''),
    };
    if (rule.guard && !rule.guard(place)) continue;
    const put = (rule.put ?? '').split(' ').flatMap((word) => {
      const [, name, form] = /^\$(\w+)(?:\.(\w+))?$/.exec(word) ?? [];
      if (!name) return word ? [madeToken(word)] : [];
      const named = fit.named[name];
      if (!named) return [];
      if (!form) return run(named);
      return run(named).flatMap((t) =>
        FORMS[form]!(t.n, wording.telling.person)
          .split(' ')
          .filter(Boolean)
          .map((w) => ({ ...madeToken(w), isApart: t.isApart })),
      );
    });
    const next = [...all.slice(0, fit.from), ...put, ...all.slice(fit.to)];
    if (next.length === all.length && next.every((t, i) => t.w === all[i]!.w)) continue;
    // Words must be left that can stand as a sentence.
    if (next.filter((t) => t.k !== ',').length < 2) continue;
    wording.become(next);
    return true;
  }
  return false;
}
