// What kind of word a word is, from closed lists, a list of deeds and the endings of words. A tagger taught on a corpus
// was right a little oftener and weighed a megabyte; rules look at the words beside a word anyway.

/**
 * Kinds of words, a letter each: p pronoun (with its verb: "it's"), t determiner, i preposition, c conjunction, x auxiliary,
 * r adverb, j adjective, m number, u exclamation, v verb as in "to cut", z "cuts", d "cut" or "carved", g "cutting",
 * e name, n noun and all else.
 */
export type Kind = 'p' | 't' | 'i' | 'c' | 'x' | 'r' | 'j' | 'm' | 'u' | 'v' | 'z' | 'd' | 'g' | 'e' | 'n' | ',';

const set = (list: string): ReadonlySet<string> => new Set(list.trim().split(/\s+/));

const PRONOUNS = set(
  'i you he she it we they me him her us them who what which something nothing anything everything everyone everybody someone somebody nobody anyone anybody myself yourself itself himself herself ourselves themselves there',
);
const DETERMINERS = set(
  'a an the my your our his its their this that these those some any no every each another all both either half such',
);
const PREPOSITIONS = set(
  'of in on at by for from with into onto over under about after before between through during without within up down out off to near below above as than like around across along behind beside beyond against inside outside towards toward until till past',
);
const CONJUNCTIONS = set('and or but so if when while because then unless although though whereas once since where why how whether nor');
const AUXILIARIES = set(
  "is are was were be been being am do does did have has had will would can could should may might must shall ought isn't aren't wasn't weren't don't doesn't didn't haven't hasn't hadn't wanna gonna gotta kinda sorta won't wouldn't can't couldn't shouldn't mightn't mustn't needn't cannot",
);
const ADVERBS = set(
  'very really just also too now again here there never always often still already even only quite pretty actually basically maybe perhaps probably not well much more most later soon today tonight tomorrow yesterday away back together almost nearly rather sometimes usually first next last finally instead anyway ever once twice straight right ahead aside',
);
const ADJECTIVES = set(
  'good great nice new old big small little long short high low different same easy important useful best better many few other last full clear simple real wrong free ready sure able possible specific whole own blank cool hard soft hot cold warm dry wet clean dirty sharp blunt flat thin thick wide narrow heavy light dark bright loose tight fine bad worse worst main next early late cheap dear safe true false red blue green black white brown grey yellow happy sorry lovely tiny huge strong weak deep fresh empty open quick slow several certain rough smooth',
);
const NUMBERS = set(
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen eighteen twenty thirty forty fifty sixty seventy eighty ninety hundred thousand million dozen',
);
const EXCLAMATIONS = set(
  'oh ah um uh er gosh god yes yeah yep no nope okay ok hey hello hi hiya wow oops whoops cheers hm huh please thanks ta',
);

/** Deeds that can be told to be done, at a bench or a screen (own list; common practice, no source). */
export const DEEDS = set(`
add adjust aim align apply arrange ask attach bake bang bend bind blend blow boil bolt borrow brace bring browse brush build
bundle burn bury buy call carry carve catch centre check chisel chop choose chuck circle clamp clean clear click clip coat coil
collect combine compare connect cook cool copy count cover crank crease crop cross crush cut dab damp decide delete dig dilute
dip divide double drag drain draw dress drill drive drop dry dump dust ease edit empty enter erase export fasten feed feel file
fill filter find finish fit fix flatten flick flip float fold follow fry gather glue grab grease grind grip group guide hammer hang
heat highlight hold hook import insert iron join jot keep knead knock knot label lay leave level lift light line link list load
lock log look loop lean nip hop poke dunk wiggle rotate squirt pinch loosen lower make mark mask match measure melt mend mind mix moisten mount move nail name note nudge offset oil
open order overlap pack paint park paste pay peel peg phone pick pin pinch place plan plane plant plug point polish pop post pour
press prick print prop prune publish pull pump punch push put rake raise read record reduce refit refresh remember remove rename
repeat replace rest return reverse ring rinse rip roll rotate rub rule run sand save saw scan scoop score scrape screw scribe scroll
scrub seal search season secure select sell send separate serve set settle sew shake shape share sharpen shave shift shorten shove
shut sieve sift sit skim skip slacken slice slide slip slit smear smooth snap soak sort sow space spin splice split sponge spray
spread sprinkle square squeeze stack stamp stand start steam steer step stick stir stitch stop store stow straighten strain strap
stretch strike strip stroke stuff sweep swing switch tack take tamp tap tape taste tear tease tell test thread throw thumb tick
tidy tie tighten tilt tip title top touch trace trail transfer trim try tuck tug turn twist type unclip uncover undo unfold unplug
unroll unscrew untie update upload use wait warm wash watch water wave wax wedge weigh wet whisk widen wind wipe work wrap wring write
zoom double-check double-click right-click
`);

// Verbs that tell no deed a reader could do.
const STATES = set(
  'want need like know think see get go come say mean let help show love hope happen become seem begin end lose win believe feel hear learn live stay understand wonder worry wish guess suppose matter depend belong grow fall give meet talk speak explain teach sleep eat drink die bear hate enjoy prefer expect allow require include contain cost last sound smell',
);

// Past forms and participles that end otherwise than in -ed.
const PAST = set(
  'went got made took gave came saw thought said told found left kept began ran wrote built bought brought caught chose drew drove ate fell felt held heard hid laid led lost met paid rode rose sang sat sent shot slept spoke spent stood stole swam taught threw understood woke wore won done gone seen taken given written chosen drawn driven eaten fallen known shown thrown spoken become begun broken broke froze frozen grew grown knew hung stuck struck swung tore torn wound wove woven bent bound burnt dug fed ground meant bled bred sold',
);
// They end like participles, and are none.
const NO_PAST = /^(?:need|feed|speed|bed|seed|weed|bleed|heed|red|hundred|shed|sled|indeed|exceed|breed|bed|reed|thread|bread|head)$/;
const NO_ING =
  /^(?:bring|string|ring|sing|thing|spring|cling|swing|king|sling|wing|sting|fling|wring|ceiling|morning|evening|anything|nothing|something|everything)$/;
const TAKES_NOUN = /^[tjmn]$/;

// What a word of the closed class is does not depend on the words beside it.
const CLOSED: ReadonlyMap<string, Kind> = new Map(
  (
    [
      [EXCLAMATIONS, 'u'],
      [AUXILIARIES, 'x'],
      [CONJUNCTIONS, 'c'],
      [PREPOSITIONS, 'i'],
      [DETERMINERS, 't'],
      [PRONOUNS, 'p'],
      [NUMBERS, 'm'],
    ] as const
  ).flatMap(([words, kind]) => [...words].map((word): [string, Kind] => [word, kind])),
);

/** The kind of a word, given the word before it and its kind. `isFirst`: whether it opens the sentence. */
export function kindOf(word: string, n: string, before: { n: string; k: Kind } | undefined, isFirst: boolean): Kind {
  const closed = CLOSED.get(n);
  if (closed) return closed;
  if (!/[\p{L}\p{N}]/u.test(n)) return ',';
  if (/n't$/.test(n)) return 'x';
  if (/'(?:m|re|ll|ve|d)$/.test(n)) return 'p';
  if (/'s$/.test(n))
    return n === "let's"
      ? 'x'
      : /^(?:it|that|this|there|what|he|she|who|here|where|how|everything|nobody|somebody|everybody|one|else|thing)'s$/.test(n)
        ? 'p'
        : 'n';
  if (/^[$£€]?\d/.test(n)) return 'm';
  if (!isFirst && /^\p{Lu}/u.test(word)) return 'e';
  if (ADVERBS.has(n)) return 'r';
  if (ADJECTIVES.has(n)) return before?.k === 't' || !DEEDS.has(n) ? 'j' : 'v';
  if (/ly$/.test(n) && n.length > 4) return 'r';
  const afterNoun = before !== undefined && TAKES_NOUN.test(before.k) && !/^(?:this|that|all|these|those)$/.test(before.n);
  if (PAST.has(n) || (/ed$/.test(n) && n.length > 3 && !NO_PAST.test(n))) return before?.k === 't' ? 'j' : 'd';
  if (/ing$/.test(n) && n.length > 4 && !NO_ING.test(n)) return afterNoun ? 'n' : 'g';
  if (DEEDS.has(n) || STATES.has(n)) return afterNoun ? 'n' : 'v';
  if (
    /[^s]s$/.test(n) &&
    isVerb(n.slice(0, -1).replace(/(?<=[sxzh])e$/, '')) &&
    /^(?:he|she|it|that|this|which|who|and|everything)$/.test(before?.n ?? '')
  )
    return 'z';
  if (/(?:ful|ous|able|ible|ive|ish)$/.test(n)) return 'j';
  return 'n';
}

/** Whether a word is a verb in its plain form, as far as is known. */
export const isVerb = (n: string) => DEEDS.has(n) || STATES.has(n);

/** Whether a word after "to" tells a deed, and nothing that goes on in a mind or by itself. */
export const isDeedAfterTo = (n: string): boolean => /^[a-z-]+$/.test(n) && !AUXILIARIES.has(n) && !STATES.has(n) && !NEVER_DEEDS.has(n);
const NEVER_DEEDS = set(
  'be have do the a an this that it you me my your our not never start begin stop cover discuss introduce cry laugh pretend admit agree argue miss forget fail regret risk a-and all be able about do',
);

/** Words of the closed class: what a rule may put in. */
export const isClosed = (n: string): boolean =>
  [PRONOUNS, DETERMINERS, PREPOSITIONS, CONJUNCTIONS, AUXILIARIES].some((s) => s.has(n)) ||
  /^(?:i|it|that|there|they|he|she|you|we)'(?:m|s|re|ll|ve|d)$/.test(n) ||
  // "Going" and "want" are put in for "gonna" and "wanna".
  /^(?:not|also|first|next|last|just|then|only|now|yourself|yours|mine|let's|once|too|going|want)$/.test(n);
