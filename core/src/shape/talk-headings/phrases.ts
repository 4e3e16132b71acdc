import { isContentWord } from '../../language/terms.ts';
import { DEEDS, isVerb, type Token } from '../../tidy/index.ts';

/** A thing named: its words as a heading shows them, its head, and where it ends. */
export type NounPhrase = { words: string[]; determiner: string; head: string; isPlural: boolean; isName: boolean; to: number };

const set = (list: string): ReadonlySet<string> => new Set(list.split(' '));

/** Nouns that name nothing by themselves. */
export const LIGHT_NOUNS = set(
  'thing things stuff lot lots way ways bit bits one ones time times place side part parts kind kinds sort sorts end top bottom front back left right something anything everything nothing somebody anybody everybody person people guy guys fella fellas chap bloke lad lady man men woman women kid kids monday tuesday wednesday thursday friday saturday sunday day days case point sake moment minute minutes second seconds look idea reason reasons mind fact middle course cause rest couple bunch number type types step steps problem question questions job hand example word words life world chance business matter go week weeks year years morning night today tonight tomorrow yesterday',
);
const PARTICLES = set('up down out off on in back over away together apart after');
const PREPOSITIONS = set(
  'of for in into to from with on about at by without through onto under over inside behind against before after across along around round towards near like below above',
);
// What a heading says instead of a word that points.
const SHOWN: Readonly<Record<string, string>> = {
  this: 'the',
  that: 'the',
  these: 'the',
  those: 'the',
  our: 'the',
  my: 'your',
  his: 'the',
  her: 'the',
  their: 'their',
  its: 'its',
  some: '',
  any: '',
  another: 'another',
  all: 'all',
  both: 'both',
  each: 'each',
  every: 'every',
  no: 'no',
  such: '',
  half: 'half',
  either: '',
  a: 'a',
  an: 'an',
  the: 'the',
  your: 'your',
};
// Words that look like things and are none: how things are, whose, and where to.
const NO_THINGS = set(
  'enough perfect fair bare round honest proper decent brilliant fantastic awkward brittle steep tender sticky stiff rigid shallow ours yours mine theirs hers bigger smaller longer shorter wider higher lower thicker thinner hotter colder tighter looser deeper better worse best worst come comes goes happens whatever whichever further farther alone alive awake apart sideways upright downwards upwards backwards forwards inwards outwards outdoors indoors upstairs downstairs overnight anywhere everywhere somewhere nowhere elsewhere',
);
// "The sleeping bag thing" is a sleeping bag.
const TRAILING = /^(?:thing|things|stuff|bit|bits|one|ones)$/;
const isThing = ({ k }: Token) => k === 'n' || k === 'e';
const isVerbLike = (n: string): boolean => /s$/.test(n) && (isVerb(n.slice(0, -1)) || isVerb(n.replace(/es$/, ''))) && !NOUNS_IN_S.has(n);
const NOUNS_IN_S = set(
  'tests marks notes books lines pins nails screws stitches threads seeds plants leaves pages names labels lists prints files points holes edges planks boxes bolts clips pegs bags jars cards forms colours stamps tiles tools knots strings',
);

// "The arrows going up" are arrows; "the paper lining" is a lining.
const isDoing = (n: string): boolean => /ing$/.test(n) && !NAMES_IN_ING.test(n);
const NAMES_IN_ING =
  /^(?:(?:any|every|no|some)?thing|ring|string|spring|king|wing|swing|sling|ceiling|evening|morning|building|opening|filling|lining|coating|tubing|bedding|clothing|housing|piping|flooring|stitching|wiring|fitting|plumbing|setting|meeting|training|painting|recording|heading|drawing|roofing|writing|covering|casing|railing|padding|icing|stuffing|dressing|seedling|timing|reading|booking|listing|spelling|pricing|lighting|heating)$/;

/** The thing named at a place; null when none is. A pronoun is none. */
export function nounPhrase(all: readonly Token[], at: number): NounPhrase | null {
  let i = at;
  const n = (k: number) => all[k]?.n ?? '';
  if (/^(?:a|an|the)$/.test(n(i)) && /^(?:couple|bunch|lot|bit|pair|number|load|handful|piece|few)$/.test(n(i + 1)) && n(i + 2) === 'of')
    i += 3;
  else if (/^(?:one|some|all|any|most|many|each|both|lots|plenty|two|three)$/.test(n(i)) && n(i + 1) === 'of') i += 2;
  let determiner = '';
  if (all[i]?.k === 't') {
    if (!(n(i) in SHOWN)) return null;
    determiner = SHOWN[n(i)]!;
    i++;
    if (
      /^(?:little|same|other|whole|actual|very|own|big|nice|lovely|good|only|one)$/.test(n(i)) &&
      all[i + 1] &&
      /[njemdg]/.test(all[i + 1]!.k)
    )
      i++;
  }
  const from = i;
  while (i < all.length) {
    const { k } = all[i]!;
    const next = all[i + 1];
    const isInside = next !== undefined && /[njegdm]/.test(next.k) && i + 1 < all.length;
    // "The truck's going" says what the truck does; "the truck's tyres" names a thing.
    if (i > from && /'s$/.test(n(i - 1)) && (!isThing(all[i]!) || /^(?:a|an|the|going|got|been)$/.test(n(i)))) return null;
    if (NO_THINGS.has(n(i)) && !(i === from && isInside)) break;
    // "The Corrigal 3": a number behind a name is part of it.
    if (k === 'm' && all[i - 1]?.k === 'e' && /^\d/.test(n(i))) {
      i++;
      break;
    }
    if (i > from && isThing(all[i - 1]!) && (isVerbLike(n(i)) || /[dm]/.test(k) || (k === 'g' && !isInside) || isDoing(n(i)))) break;
    if (isThing(all[i]!) || k === 'm' || k === 'j') i++;
    else if ((k === 'g' || k === 'd') && isInside && i - from < 3) i++;
    else if (k === 'r' && next?.k === 'j' && i === from) i++;
    else break;
  }
  const to = i;
  const isNamed = (k: number) => isThing(all[k]!) || (k > from && all[k]!.k === 'm' && all[k - 1]!.k === 'e');
  while (i > from && (!isNamed(i - 1) || (TRAILING.test(n(i - 1)) && i - from > 1))) i--;
  if (i === from || i - from > 5) return null;
  const found = all.slice(from, i);
  const head = found.findLast(isThing)!.n;
  if (
    /'s$/.test(head) ||
    /^(?:today|tonight|tomorrow|yesterday)'s$/.test(found[0]!.n) ||
    found.some((t) => t.w.includes('.') || /^(?:okay|yeah|right|like)$/.test(t.n))
  )
    return null;
  const words = found.map((t) => (t.k === 'e' ? t.w : /^[A-Z]{2,}/.test(t.w) ? t.w : t.n));
  if (/^an?$/.test(determiner)) determiner = /^(?:[aeiou](?!ni|se|uro|ne\b)|hour|honest|heir)/.test(words[0]!.toLowerCase()) ? 'an' : 'a';
  return {
    words,
    determiner,
    head,
    isPlural: /[^s]s$/.test(head),
    isName: found.every((t) => t.k === 'e' || (t.k === 'm' && found.length > 1)),
    to,
  };
}

export const shown = ({ determiner, words }: NounPhrase): string => [determiner, ...words].filter(Boolean).join(' ');
const PRAISES = /^(?:fun|good|hard|easy|important|big|main|difficult|tricky|best|worst|nice|interesting)$/;
// "The fun part" names nothing.
const isLight = ({ head, words }: NounPhrase) =>
  LIGHT_NOUNS.has(head) && !words.slice(0, -1).some((w) => isContentWord(w) && !PRAISES.test(w));

/** A run of words that could head a section, and where it comes from. */
export type Phrase = {
  kind: 'deed' | 'thing' | 'claim' | 'question' | 'pair';
  text: string;
  verb: string;
  things: number;
  at: number;
  isResolved: boolean;
};

const MOST_WORDS = 8;
const sizeOf = (text: string) => text.split(' ').length;

// How long something takes is no part of what it is.
const LASTS = /^(?:seconds?|minutes?|hours?|days?|weeks?|months?|years?|seasons?|times?)$/;

/** Phrases behind a thing: "of the box", "with a damp cloth". Returns the text and where they end. */
export function tail(all: readonly Token[], at: number, text: string): { text: string; to: number; things: number } {
  let to = at;
  let things = 0;
  for (let n = 0; n < 2; n++) {
    const preposition = all[to];
    if (!preposition || preposition.k === ',' || !PREPOSITIONS.has(preposition.n)) break;
    const gerund = all[to + 1];
    let from = to + 1;
    let lead = preposition.n;
    if (gerund?.k === 'g' && /^(?:for|by|without|of|before|after)$/.test(preposition.n)) {
      lead += ` ${gerund.n}`;
      from++;
    }
    const thing = nounPhrase(all, from);
    if (!thing || isLight(thing) || LASTS.test(thing.head)) break;
    const next = `${text} ${lead} ${shown(thing)}`;
    if (sizeOf(next) > MOST_WORDS) break;
    text = next;
    to = thing.to;
    things++;
  }
  return { text, to, things };
}

// Deeds that end somewhere: "put the knife" is half of one.
const ENDS_SOMEWHERE = set('put stick pop chuck lay place set lean slip shove');
const UNITS =
  /^(?:grams?|kilos?|litres?|liters?|millilitres?|metres?|meters?|centimetres?|millimetres?|inch|inches|foot|feet|miles?|pounds?|pence|euros?|rupees?|dollars?|percent|degrees?)$/;

/** A clause that says when or unless: " before you start"; nothing when it is long, or points at something. */
function hanging(all: readonly Token[], at: number, size: number): string {
  if (!/^(?:before|until|when|if|after|while|so)$/.test(all[at]?.n ?? '')) return '';
  let to = at;
  while (to < all.length && all[to]!.k !== ',' && !/^(?:and|but|because)$/.test(all[to]!.n)) to++;
  const run = all.slice(at, to);
  const text = run.map((t) => t.n).join(' ');
  return run.length >= 3 && size + run.length <= MOST_WORDS && !POINTS.test(text) && !/[txic]/.test(run.at(-1)!.k) ? ` ${text}` : '';
}

// Verbs that want more than a thing, or tell no deed.
const NO_OBJECT = set(
  'ask tell let help give show point listen go come know see think want need have be say look like mean feel hear believe love hate happen seem become live die repeat explain mention discuss demonstrate describe',
);

/**
 * A deed told at a place: the verb in its plain form, what it is done to, and at most two phrases more.
 * @param meant what a pronoun stands for, said before a place
 * @param fewestWords of how many words it is at least
 */
export function deedAt(
  all: readonly Token[],
  at: number,
  meant: (pronoun: string, before: number) => NounPhrase | null,
  fewestWords = 3,
): Phrase | null {
  const verb = all[at]!;
  if (!/^[a-z-]{2,}$/.test(verb.n)) return null;
  let i = at + 1;
  let particle = '';
  if (all[i] && PARTICLES.has(all[i]!.n) && (all[i + 1]?.k === 't' || all[i + 1]?.k === 'n' || all[i + 1]?.n === 'it'))
    particle = all[i++]!.n;
  let thing = nounPhrase(all, i);
  let isResolved = false;
  const pronoun = all[i]?.n ?? '';
  if (!thing && /^(?:it|them)$/.test(pronoun)) {
    const own = meant(pronoun, at);
    if (own) thing = { ...own, determiner: own.isName ? '' : 'the', to: i + 1 };
    isResolved = true;
  }
  // "Look after the chain": that is a deed.
  if (NO_OBJECT.has(verb.n) && particle !== 'after') return null;
  if (!thing) {
    // "Stand at your own door": a deed that is done to nothing.
    const place = DEEDS.has(verb.n) && !particle ? tail(all, i, verb.n) : null;
    return place?.things && sizeOf(place.text) >= 3
      ? { kind: 'deed', text: place.text, verb: verb.n, things: place.things, at, isResolved: false }
      : null;
  }
  if (
    isLight(thing) ||
    thing.determiner === 'no' ||
    (UNITS.test(thing.head) && /^\d/.test(thing.words[0]!)) ||
    (LASTS.test(thing.head) && verb.n !== 'wait')
  )
    return null;
  i = thing.to;
  if (!particle && all[i] && PARTICLES.has(all[i]!.n) && !nounPhrase(all, i + 1)) particle = ` ${all[i++]!.n}`;
  let text = particle.startsWith(' ') ? `${verb.n} ${shown(thing)}${particle}` : [verb.n, particle, shown(thing)].filter(Boolean).join(' ');
  let things = 1;
  if (all[i]?.n === 'and') {
    const other = nounPhrase(all, i + 1);
    if (other && !isLight(other) && !DEEDS.has(other.words[0]!)) {
      text += ` and ${shown(other)}`;
      i = other.to;
      things++;
    }
  }
  const more = tail(all, i, text);
  // A thing is left hanging: "give the post" without what.
  const next = all[more.to];
  if (next && /[tm]/.test(next.k)) return null;
  if (ENDS_SOMEWHERE.has(verb.n) && !particle && !more.things) return null;
  const text2 = more.text + hanging(all, more.to, sizeOf(more.text));
  if (sizeOf(text2) > MOST_WORDS || sizeOf(text2) < fewestWords) return null;
  return { kind: 'deed', text: text2, verb: verb.n, things: things + more.things, at, isResolved };
}

/** A thing named at a place, of several words, with what hangs on it. */
export function thingAt(all: readonly Token[], at: number): Phrase | null {
  const thing = nounPhrase(all, at);
  if (!thing || isLight(thing) || thing.determiner === 'no' || /^\d/.test(thing.words[0]!)) return null;
  const base = shown({ ...thing, determiner: /^(?:a|an|your|their|its|another)$/.test(thing.determiner) ? 'the' : thing.determiner });
  const more = tail(all, thing.to, base);
  if (all[more.to]?.n === 'of') return null;
  if (sizeOf(more.text) > MOST_WORDS || more.text.split(' ').filter(isContentWord).length < 2) return null;
  return { kind: 'thing', text: more.text, verb: '', things: 1 + more.things, at, isResolved: false };
}

/** A thing that is all a sentence says: "The offer." */
export function named(all: readonly Token[]): Phrase | null {
  const from = all.findIndex(
    (t) =>
      t.k !== ',' &&
      !/^(?:so|now|and|but|okay|ok|right|righto|alright|all|then|next|well|on|to|also|again|lastly|finally|first|oh|yeah|um|uh)$/.test(t.n),
  );
  const thing = from < 0 ? null : nounPhrase(all, from);
  if (!thing || thing.to !== all.length || isLight(thing) || thing.isName || /^\d/.test(thing.words[0]!)) return null;
  const text = shown({ ...thing, determiner: thing.isPlural && !thing.determiner && thing.words.length > 1 ? '' : 'the' });
  return { kind: 'thing', text, verb: '', things: 1, at: from, isResolved: false };
}

const POINTS =
  /\b(?:it|this|that|these|those|they|them|he|she|him|her|his|here|i|me|my|we|us|our|i'm|i've|i'll|we're|we'll|it's|that's|he's|she's|they're|there's|one|ones|then)\b/;

/** A short clause that says something by itself: the words between two marks. */
export function claim(all: readonly Token[], from: number, to: number): Phrase | null {
  const run = all.slice(from, to);
  if (run.length < 3 || run.length > MOST_WORDS || run.some((t) => t.k === ',')) return null;
  const first = run[0]!;
  const text = run.map((t) => (t.k === 'e' || /^[A-Z]{2,}/.test(t.w) ? t.w : t.n)).join(' ');
  if (POINTS.test(text.toLowerCase()) || /'s$/.test(first.n) || /n't\b|\bnot\b|\bnever\b|\b(?:going to|gonna|gotta|wanna)\b/.test(text))
    return null;
  if (!/[tnejmg]/.test(first.k) && !/^(?:you|nobody|everything|what|how|why|when|where)$/.test(first.n)) return null;
  // "The flowers come in June": behind a plural, what looks like a thing can be what it does.
  const verb = run.findIndex((t, i) => i > 0 && (/[xzdv]/.test(t.k) || (isVerb(t.n) && /[^s]s$/.test(run[i - 1]!.n))));
  if (verb < 1 || verb === run.length - 1) return null;
  const end = run.at(-1)!;
  if (/[txic]/.test(end.k) || (end.k === 'p' && end.n !== 'you')) return null;
  if (run.filter((t) => isContentWord(t.n)).length < 2) return null;
  return { kind: 'claim', text, verb: run[verb]!.n, things: 1, at: from, isResolved: false };
}

const ASKS = /^(?:how|what|why|which|where|when|who|do|does|is|are|can|should|will|did|was)$/;

/** A question that can be read alone. */
export function question(all: readonly Token[], end: string): Phrase | null {
  if (!end.startsWith('?') || all.length < 3 || all.length > MOST_WORDS || all.some((t) => t.k === ',')) return null;
  const text = all.map((t, i) => (t.k === 'e' || (i && /^I$/.test(t.w)) ? t.w : t.n)).join(' ');
  if (
    !ASKS.test(all[0]!.n) ||
    POINTS.test(text.toLowerCase()) ||
    /^(?:what|how|who) (?:about|if|else|happened|do you|are you|is your|was)\b|^(?:can|did|do|are|have) you\b/.test(text)
  )
    return null;
  if (all.filter((t) => isContentWord(t.n)).length < 1) return null;
  return { kind: 'question', text: `${text}?`, verb: '', things: 1, at: 0, isResolved: false };
}
