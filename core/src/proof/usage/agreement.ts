import { tokensOf } from '../../tidy/index.ts';
import type { Usage } from './usage.ts';

// Verbs that go with one, and with several.
const ONE_TO_MANY: Readonly<Record<string, string>> = {
  is: 'are',
  was: 'were',
  has: 'have',
  "isn't": 'aren’t',
  "wasn't": 'weren’t',
  "hasn't": 'haven’t',
  "doesn't": 'don’t',
  goes: 'go',
  comes: 'come',
  gets: 'get',
  needs: 'need',
  wants: 'want',
  likes: 'like',
  knows: 'know',
  thinks: 'think',
  makes: 'make',
  takes: 'take',
};
const MANY_TO_ONE = Object.fromEntries(Object.entries(ONE_TO_MANY).map(([one, many]) => [many.replace('’', "'"), one.replace("'", '’')]));
const DOES = 'goes|comes|gets|needs|wants|likes|knows|thinks|makes|takes';
const WITH_ONE = "is|was|has|isn['’]t|wasn['’]t|hasn['’]t|doesn['’]t";
const WITH_MANY = "are|were|have|aren['’]t|weren['’]t|haven['’]t|don['’]t";

// A subject that opens a sentence is whole; further on it may belong to more before it.
const OPENS = String.raw`(?<=^|[.?!]['"”’)]?\s|\b(?:but|because)\s)`;
const opening = (pattern: string) => new RegExp(`${OPENS}${pattern}`, 'dgiu');

const words = (list: string) => new RegExp(`^(?:${list.replaceAll(' ', '|')})$`);
// Of these, one word means several; a group can be told as its people (common in British English).
const SEVERAL = words(
  'people men women children feet teeth geese mice lice oxen dice sheep fish deer series species aircraft cattle police clergy poultry folk youth bacteria criteria phenomena media data strata fungi headquarters means ' +
    'young old rich poor sick dead elderly blind deaf homeless unemployed disabled needy brave latter former above majority minority rest remainder half number lot few couple pair dozen handful variety range plenty total bulk most other ' +
    'committee team staff crew council government family public audience club choir band group board company firm school office department management union association society party army navy press church parish village town hall guild trust crowd class jury orchestra household neighbourhood community population generation world street lads kids',
);
const PEOPLE_WORDS = 'people|men|women|children';
const PEOPLE = new RegExp(`^(?:${PEOPLE_WORDS})$`);
// These end in s and are one.
const ONE =
  /(?:ss|us|is|os|ics)$|^(?:news|gas|lens|canvas|atlas|bias|alias|chaos|yes|series|species|means|headquarters|works|measles|mumps|shingles|rabies|diabetes|molasses|summons|innings|whereabouts|corps|billiards|darts|draughts|dominoes)$/;
// When it is: "this year are …" goes on with its subject.
const WHEN = words('year night day morning afternoon evening week month time season spring summer autumn winter');
const UNITS = words(
  'miles minutes hours days weeks months years pounds pence euros dollars rupees metres litres grams kilos inches degrees feet percent times',
);

const kindIn = (word: string) => tokensOf(`the ${word}`).all[1]?.k;
const isNoun = (word: string) => kindIn(word) === 'n';
const isAdjective = (word: string | undefined) => !word || kindIn(word) === 'j';
const isPlural = (word: string) => /s$/.test(word) && !ONE.test(word.toLowerCase()) && isNoun(word);
const isSingular = (word: string) => !/s$|ing$/.test(word) && !SEVERAL.test(word.toLowerCase()) && isNoun(word);

const PAST: Readonly<Record<string, string>> = {
  seen: 'saw',
  done: 'did',
  gone: 'went',
  taken: 'took',
  written: 'wrote',
  eaten: 'ate',
  fallen: 'fell',
  begun: 'began',
  given: 'gave',
  driven: 'drove',
  known: 'knew',
};

/** One rule: a pattern whose groups name its parts, whether those are what they look like, which of them is wrong, and what belongs there. */
type Rule = {
  pattern: RegExp;
  holds?: (parts: Record<string, string>) => boolean;
  wrong: string;
  meant: (parts: Record<string, string>) => string;
  says: (parts: Record<string, string>, meant: string) => string;
};

const toOne = ({ verb }: Record<string, string>) => MANY_TO_ONE[verb!.toLowerCase().replace('’', "'")]!;
const toMany = ({ verb }: Record<string, string>) => ONE_TO_MANY[verb!.toLowerCase().replace('’', "'")]!;
const isOne = ({ noun }: Record<string, string>, meant: string) => `“${noun}” is one: “${meant}” goes with it.`;
const areSeveral = ({ noun }: Record<string, string>, meant: string) => `“${noun}” are several: “${meant}” goes with them.`;

const ADJECTIVE = String.raw`(?:(?<adjective>\p{L}+) )?`;
const NOUN = String.raw`(?<noun>\p{Ll}+)`;

const RULES: readonly Rule[] = [
  {
    pattern: opening(`(?<which>the|this|that|my|your|our|his|her|its|their|a|an|each|every) ${ADJECTIVE}${NOUN} (?<verb>${WITH_MANY})\\b`),
    holds: ({ which, adjective, noun }) =>
      isAdjective(adjective) && isSingular(noun!) && !(WHEN.test(noun!) && /^(?:this|that|each|every)$/i.test(which!)),
    wrong: 'verb',
    meant: toOne,
    says: isOne,
  },
  {
    pattern: opening(
      `(?:the|these|those|my|your|our|his|her|its|their|both|many|several) ${ADJECTIVE}${NOUN} (?<verb>${WITH_ONE}|${DOES})\\b`,
    ),
    holds: ({ adjective, noun }) => isAdjective(adjective) && (isPlural(noun!) || PEOPLE.test(noun!)),
    wrong: 'verb',
    meant: toMany,
    says: areSeveral,
  },
  {
    pattern: opening(`(?<noun>${PEOPLE_WORDS}) (?<verb>${WITH_ONE}|${DOES})\\b`),
    wrong: 'verb',
    meant: toMany,
    says: areSeveral,
  },
  {
    pattern: opening(
      `(?<noun>everybody|everyone|everything|nobody|nothing|somebody|someone|something|anybody|anyone) (?<verb>${WITH_MANY})\\b`,
    ),
    wrong: 'verb',
    meant: toOne,
    says: isOne,
  },
  {
    pattern: new RegExp(
      `(?<!\\b(?:but|than|except) )\\b(?<noun>each|one) of (?:them|us|you|(?:the|these|those|our|my|your|his|her|their) \\p{Ll}+s) (?<verb>${WITH_MANY})\\b`,
      'dgiu',
    ),
    wrong: 'verb',
    meant: toOne,
    says: isOne,
  },
  {
    pattern: opening(
      `(?:the|this|that|my|your|our|his|her|its|their|a) (?<noun>list|box|bag|tin|jar|row|pile|book|page|roll|sheet|picture|photograph|price|cost|size|length|quality|copy) of (?:the )?\\p{Ll}+s (?<verb>${WITH_MANY})\\b`,
    ),
    wrong: 'verb',
    meant: toOne,
    says: isOne,
  },
  {
    pattern: opening(`the (?<first>\\p{Ll}+) and (?:the|a|an|my|your|our|his|her|its|their) ${NOUN} (?<verb>${WITH_ONE})\\b`),
    holds: ({ first, noun }) => isNoun(first!) && isNoun(noun!),
    wrong: 'verb',
    meant: toMany,
    says: ({ first, noun }, meant) => `“${first}” and “${noun}” are two: “${meant}” goes with them.`,
  },
  {
    pattern: new RegExp(
      `\\bthere (?<verb>is|was|isn['’]t|wasn['’]t) (?:many|several|two|three|four|five|six|seven|eight|nine|ten) ${ADJECTIVE}${NOUN}`,
      'dgiu',
    ),
    holds: ({ adjective, noun }) => isAdjective(adjective) && !UNITS.test(noun!) && (isPlural(noun!) || PEOPLE.test(noun!)),
    wrong: 'verb',
    meant: toMany,
    says: areSeveral,
  },
  {
    pattern: opening(`(?<which>this|that) ${ADJECTIVE}${NOUN} (?:are|were|have)\\b`),
    holds: ({ adjective, noun }) => isAdjective(adjective) && isPlural(noun!),
    wrong: 'which',
    meant: ({ which }) => (/^this$/i.test(which!) ? 'these' : 'those'),
    says: areSeveral,
  },
  {
    pattern: opening(`(?<which>these|those) ${ADJECTIVE}${NOUN} (?:is|was|has)\\b`),
    holds: ({ adjective, noun }) => isAdjective(adjective) && isSingular(noun!),
    wrong: 'which',
    meant: ({ which }) => (/^these$/i.test(which!) ? 'this' : 'that'),
    says: isOne,
  },
  {
    pattern: opening(`(?<noun>these|those) (?<verb>${WITH_ONE})\\b`),
    wrong: 'verb',
    meant: toMany,
    says: areSeveral,
  },
  {
    pattern: opening(`(?<which>this) (?:are|were|have)\\b`),
    wrong: 'which',
    meant: () => 'these',
    says: (_, meant) => `“${meant}” are several, “this” is one.`,
  },
  {
    pattern: opening(`(?:I|we|they|he|she) (?<done>${Object.keys(PAST).join('|')})\\b`),
    wrong: 'done',
    meant: ({ done }) => PAST[done!.toLowerCase()]!,
    says: ({ done }, meant) => `“${done}” wants “have” before it; else it is “${meant}”.`,
  },
  {
    pattern: opening(`(?<whose>who['’]s|they['’]re|you['’]re) ${NOUN} (?:is|are|was|were|has|have)\\b`),
    holds: ({ noun }) => isNoun(noun!),
    wrong: 'whose',
    meant: ({ whose }) => ({ w: 'whose', t: 'their', y: 'your' })[whose!.charAt(0).toLowerCase()]!,
    says: ({ noun }, meant) => `Whose ${noun} is it? “${meant}” is meant.`,
  },
  {
    pattern:
      /\b(?:is|are|was|were|be|much|far|bit|even|no|any|an?|slightly|looks|feels|weighs) (?:bigger|smaller|larger|longer|shorter|wider|narrower|higher|lower|taller|faster|slower|quicker|better|worse|older|younger|newer|heavier|lighter|darker|brighter|cheaper|dearer|harder|softer|easier|thicker|thinner|stronger|weaker|warmer|colder|hotter|cooler|sharper|nearer|earlier|later|cleaner|drier) (?<then>then)\b/dgiu,
    wrong: 'then',
    meant: () => 'than',
    says: () => 'What is compared is told with “than”.',
  },
];

/** Subjects and verbs that do not agree, and words that do not go together (own rules; the grammar of standard English, common practice, no source). */
export const disagreementsIn = (text: string): Usage[] =>
  RULES.flatMap(({ pattern, holds, wrong, meant, says }) =>
    Array.from(text.matchAll(pattern)).flatMap((m): Usage[] => {
      const parts = m.groups as Record<string, string>;
      if (holds && !holds(parts)) return [];
      const [from, to] = m.indices!.groups![wrong]!;
      const plain = meant(parts);
      const instead = /^\p{Lu}/u.test(parts[wrong]!) ? plain.charAt(0).toUpperCase() + plain.slice(1) : plain;
      return [{ rule: 'grammar', from, to, says: says(parts, instead), instead: [instead] }];
    }),
  );
