// How questions and set phrases begin, in words of a closed class (own lists; common practice, no source).
const list = (words: string) => new Set(words.split(' '));
const HELPING = list(
  "do does did is are was were can could would should will have has had may must am shall isn't aren't wasn't weren't don't doesn't didn't won't can't couldn't wouldn't shouldn't haven't hasn't",
);
const WHO = list('you we i they he she it there that this these those anybody anyone somebody someone everybody people');
const WHOSE = list('the a an any my your our his her their its');
// A helping verb goes with some of them only: "is you" and "do it" ask nothing.
const ONE = list('he she it that this there somebody someone anybody anyone');
const MANY = list('you we they these those there people');
const AGREES: Record<string, ReadonlySet<string>> = {
  is: ONE,
  "isn't": ONE,
  does: ONE,
  "doesn't": ONE,
  has: ONE,
  "hasn't": ONE,
  was: new Set([...ONE, 'i']),
  "wasn't": new Set([...ONE, 'i']),
  are: MANY,
  "aren't": MANY,
  were: MANY,
  "weren't": MANY,
  do: list('you we they i people'),
  "don't": list('you we they i people'),
  have: list('you we they i people'),
  "haven't": list('you we they i people'),
  am: list('i'),
};
const ASKING = list('what how why where when which who whose whom');
const ASKING_SHORT = list("what's how's who's where's why's");
const OPENERS = list('and but so or well now then okay oh yes no right');

/** Where the sentence begins to ask: past "and", "so", "well" and the like. */
function start(said: readonly string[], from: number, to: number): number {
  let at = from;
  while (at < to - 2 && OPENERS.has(said[at]!)) at++;
  return at;
}

/** Whether the words from `from` to `to` are a question by the order of their words: "do you", "what is", "how long did". */
export function isAsked(said: readonly string[], from: number, to: number): boolean {
  const at = start(said, from, to);
  const word = (k: number) => (at + k < to ? said[at + k]! : '');
  const first = word(0);
  if (HELPING.has(first))
    return (AGREES[first] ?? WHO).has(word(1)) || (WHOSE.has(word(1)) && !/^(?:ha|do$|don't)/.test(first) && to - at > 3);
  // "What's left is the evening" says something.
  if (ASKING_SHORT.has(first)) return first !== "what's" || !said.slice(at + 2, to).some((w) => /^(?:is|are|was|were)$/.test(w));
  if (!ASKING.has(first)) return false;
  if (to - at <= 2 || /^(?:about|if|else|kind)$/.test(word(1))) return true;
  if (HELPING.has(word(1))) {
    // "What is missing is a screw" says something.
    const isSaying = /^(?:is|was)$/.test(word(1)) && first === 'what' && said.slice(at + 3, to).some((w) => w === 'is' || w === 'was');
    return (first !== 'when' || (/^(?:do|does|did|can|could|would|should|will)$/.test(word(1)) && WHO.has(word(2)))) && !isSaying;
  }
  return /^(?:how|what|which|whose)$/.test(first) && HELPING.has(word(2)) && (WHO.has(word(3)) || WHOSE.has(word(3)));
}

const TAG = /^(?:is|are|do|does|did|was|were|ca|could|wo|would|should|has|have|had)n't (?:it|they|you|we|he|she|i|there|that)$/;

/** Whether the words up to `to` end in a tag that asks: "isn't it", "don't they". */
export const endsInTag = (said: readonly string[], from: number, to: number): boolean =>
  to - from > 3 && TAG.test(`${said[to - 2]} ${said[to - 1]}`);

// What people say to one another whole: it begins where it stands.
const SAID_WHOLE =
  /^(?:thank you (?:for|so|very|all)|thanks (?:for|everybody|everyone)|good (?:evening|morning|afternoon) |see you (?:next|in|all|soon))/;

const OPENS_WHOLE = list('thank thanks good see');

/** Whether a sentence plainly begins at a word: a question, or a greeting, a thank you, a goodbye. */
export const opensPlainly = (said: readonly string[], i: number): boolean =>
  opensQuestion(said, i) || (OPENS_WHOLE.has(said[i] ?? '') && SAID_WHOLE.test(`${said[i]} ${said[i + 1]} ${said[i + 2]}`));

const GREETED = list('everybody everyone all folks friends');

/** Whether a greeting is over with a word: "good evening everybody" and something else than "and". */
export const closesGreeting = (said: readonly string[], i: number): boolean =>
  GREETED.has(said[i]!) &&
  said[i - 2] === 'good' &&
  /^(?:evening|morning|afternoon)$/.test(said[i - 1] ?? '') &&
  !/^(?:and|to|in|from|here|who|at)$/.test(said[i + 1] ?? 'and');

/** Whether a question plainly begins at a word: a helping verb and who it is about, with or without a question word. */
function opensQuestion(said: readonly string[], i: number): boolean {
  const first = said[i] ?? '';
  if (!ASKING.has(first) && !HELPING.has(first)) return false;
  const word = (k: number) => said[i + k] ?? '';
  if (ASKING.has(word(0)) && word(0) !== 'when' && word(0) !== 'who' && word(0) !== 'which')
    return (HELPING.has(word(1)) && WHO.has(word(2))) || (word(0) === 'how' && HELPING.has(word(2)) && WHO.has(word(3)));
  return (
    /^(?:do|does|did|can|could|would|is|are|don't|doesn't|isn't)$/.test(word(0)) && /^(?:you|we|they|he|she|it|i|there)$/.test(word(1))
  );
}

const HANGING = list('if when whenever once unless while although though');
// A clause that is longer has mostly come to its point.
const LONGEST_HANGING = 14;

/**
 * Whether the words from `from` to `to` are only the first half of a sentence: "if the lamp doesn't work", "so that when
 * somebody pulls". What comes after them goes on.
 * @param isParted whether there is a comma inside
 */
export function hangsOn(said: readonly string[], from: number, to: number, isParted: boolean): boolean {
  if (isParted || to - from > LONGEST_HANGING || to >= said.length || isAsked(said, from, to)) return false;
  const at = start(said, from, to);
  return to - at > 2 && (HANGING.has(said[at]!) || (said[at] === 'that' && said[at - 1] === 'so' && HANGING.has(said[at + 1]!)));
}

/** Whether the words at i go with what stands before them: "because", "so that", "which" that does not ask. */
export const leansBack = (said: readonly string[], i: number): boolean =>
  /^(?:because|until|unless)$/.test(said[i] ?? '') ||
  (said[i] === 'so' && said[i + 1] === 'that' && !HELPING.has(said[i + 2] ?? '')) ||
  (said[i] === 'which' && HELPING.has(said[i + 1] ?? '') && !WHO.has(said[i + 2] ?? ''));
