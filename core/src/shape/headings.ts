import { isContentWord, normal, stem, terms } from '../language/terms.ts';
import { words, type Word } from '../language/words.ts';
import { frequencyOf, NAME, type Subjects } from './cut/subjects.ts';

const CANDIDATES = 3;
// What a section opens with is mostly what it is about, the more when it comes again.
const OPENS = 6;
const OPENS_ONCE = 3;
// So many stems say something.
const OPENING_STEMS = 8;
// How much it counts that a stem stands here oftener than elsewhere in the text, and than in English.
const OWN = 0.15;
const RARE = 0.35;
// A thing named again and again is what it is about.
const AGAIN = 1.2;
// A heading has at most nine words.
const MOST_WORDS = 9;

/** Something a section could be headed with, and how telling it is. `key` are its stems. */
type Candidate = { text: string; key: string[]; score: number };

/**
 * Three headings for each section, made of its own words, the most telling first: what it is about, a question, and
 * how to do what it tells to do. No heading stands twice, and no section is headed by words that head another as long
 * as it has words of its own.
 * @param sections the sentences of each section
 * @param subjects what is known of words beforehand
 * @param taken headings that are in use already
 */
export function proposeHeadings(
  sections: readonly (readonly string[])[],
  subjects: Subjects | null = null,
  taken: readonly string[] = [],
): string[][] {
  const whole = stemCounts(sections.flat());
  const total = sum(whole.values());
  const forms = commonForms(sections.flat());
  const used = new Set(taken.flatMap((h) => words(h).map((w) => stem(w.text))));
  const headings = new Set(taken.map(normal));
  const deeds = deedsIn(sections.flat());
  const titled = (text: string): string => {
    const shown = text.replace(WORDS, (word, at: number) => (at ? (forms.get(normal(word)) ?? word) : word));
    return shown.charAt(0).toUpperCase() + shown.slice(1);
  };
  return sections.map((sentences, n) => {
    const here = stemCounts(sentences);
    const size = sum(here.values());
    // How much oftener a stem stands here than elsewhere in the text, and than in English.
    const opening = openingOf(sentences);
    const telling = (s: string): number => {
      const c = here.get(s) ?? 0;
      const rest = (whole.get(s) ?? 0) - c;
      const own = Math.log((c + 0.3) / size / ((rest + 0.3) / Math.max(1, total - size)));
      const rare = subjects ? Math.log(c / size / frequencyOf(subjects, s, NAME)) : 2;
      return Math.max(0, OWN * own + RARE * rare) * (used.has(s) ? 0.2 : 1) * (opening.has(s) ? (c > 1 ? OPENS : OPENS_ONCE) : 1);
    };
    const things = thingsOf(sentences, telling, deeds);
    const about = aboutOf(things);
    const fresh = (all: (Candidate | undefined)[]) => all.filter((c) => c && !headings.has(normal(titled(c.text)))) as Candidate[];
    const found = fresh([
      about,
      questionOf(sentences, (s) => telling(s) * (here.get(s) ?? 0) ** 0.75),
      howToOf(sentences, telling, things, deeds),
    ])
      .sort((a, b) => b.score - a.score)
      .map((c) => ({ ...c, text: titled(c.text) }));
    // Where it asks nothing or tells nothing to do, the other things it is about.
    while (found.length < CANDIDATES) {
      const named = new Set(found.flatMap((c) => c.key));
      const others = othersOf(things.filter((t) => !t.key.some((k) => named.has(k))));
      if (!others) break;
      const text = titled(others.text);
      if (headings.has(normal(text))) break;
      found.push({ ...others, text });
    }
    if (!found.length) found.push({ text: freeNumber(n, headings), key: [], score: 0 });
    for (const s of found[0]!.key) used.add(s);
    headings.add(normal(found[0]!.text));
    return found.map((c) => c.text);
  });
}

function freeNumber(n: number, headings: ReadonlySet<string>): string {
  let number = n + 1;
  while (headings.has(`part ${number}`)) number++;
  return `Part ${number}`;
}

/** The stems a section opens with: those of its first sentences, until there are enough to say something. */
function openingOf(sentences: readonly string[]): Set<string> {
  const found = new Set<string>();
  for (const sentence of sentences) {
    for (const s of terms(sentence)) found.add(s);
    if (found.size >= OPENING_STEMS) break;
  }
  return found;
}

const WORDS = /[\p{L}\p{N}’'-]+/gu;
const DETERMINERS = new Set(
  'the a an your my our their his her its this these those some any no each every one two three another'.split(' '),
);
const BEFORE_THINGS = new Set('of about with on for in from without into between like'.split(' '));
// Words of little weight that stand where a thing or a deed could stand.
const LIGHT = new Set(
  'thing things bit lot way ways kind sort people somebody everybody person time times day days year years one ones something anything everything nothing part parts side end stuff question matter number get gets got go goes going come comes coming want wants need needs know think say says said see look make makes made take takes put puts let give try keep tell call called use used using lets thank happen happens begin begins begun become becomes became seem seems stays lies really much many little good right long whole very first last next second third new old other same different big small able sure okay yeah yes well still just actually basically really quite maybe'.split(
    ' ',
  ),
);

type Thing = Candidate & { words: string[]; withThe: number; count: number };

/** Names of things: runs of content words after a determiner or a preposition, up to where something else begins. */
function thingsOf(sentences: readonly string[], telling: (stem: string) => number, deeds: ReadonlySet<string>): Thing[] {
  const found = new Map<string, { words: string[]; whole: number; withThe: number; count: number }>();
  for (const sentence of sentences) {
    const all = words(sentence);
    for (let i = 0; i < all.length; i++) {
      for (let length = 1; length <= 3 && i + length <= all.length; length++) {
        const run = all.slice(i, i + length);
        if (!isContentWord(run.at(-1)!.text) || !isRun(sentence, run)) break;
        const before = all[i - 1];
        const after = all[i + length];
        const previous = before && sentence.slice(before.to, run[0]!.from) === ' ' ? normal(before.text) : '';
        const isClosed =
          !after ||
          sentence.slice(run.at(-1)!.to, after.from) !== ' ' ||
          (!isContentWord(after.text) && !DETERMINERS.has(normal(after.text)));
        const key = run.map((w) => stem(w.text)).join(' ');
        const thing = found.get(key) ?? { words: run.map((w) => w.text), whole: 0, withThe: 0, count: 0 };
        thing.count++;
        if (isClosed && (DETERMINERS.has(previous) || BEFORE_THINGS.has(previous))) thing.whole++;
        if (previous === 'the') thing.withThe++;
        found.set(key, thing);
      }
    }
  }
  return [...found]
    .filter(([, t]) => t.whole > 0 && !isDeed(t.words.at(-1)!))
    .filter(
      ([key, t]) =>
        new Set(key.split(' ')).size === t.words.length &&
        !LIGHT.has(normal(t.words[0]!)) &&
        !(t.words.length > 1 && deeds.has(normal(t.words.at(-1)!))),
    )
    .map(([key, t]) => {
      const stems = key.split(' ');
      const weight = sum(stems.map(telling)) / stems.length;
      const support = t.whole ** AGAIN * (t.words.length > 1 ? 1.5 : 1);
      return { ...t, key: stems, text: t.words.map(normal).join(' '), score: weight * support };
    })
    .filter((t) => t.score > 0)
    .sort((a, b) => b.score - a.score);
}

const isRun = (sentence: string, run: readonly Word[]): boolean =>
  run.every((w, k) => k === 0 || sentence.slice(run[k - 1]!.to, w.from) === ' ') && isContentWord(run[0]!.text);
// Past forms and adverbs seldom end the name of a thing.
const isDeed = (word: string): boolean => /(?:ly|ed|ing)$/i.test(word);

/** What a section is about, in two words or more: one thing of several words, "the" one thing, or two things. */
function aboutOf(things: readonly Thing[]): Candidate | undefined {
  const [first] = things;
  if (!first) return undefined;
  if (first.words.length > 1) return first;
  // A longer name of the same thing says more, if it is said as a rule.
  const longer = things.find((t) => t.words.length > 1 && t.key.includes(first.key[0]!) && t.count >= Math.max(2, first.count * 0.3));
  if (longer) return { ...longer, score: first.score };
  const second = things.find((t) => t.score > first.score * 0.45 && t.key.every((s) => !first.key.includes(s)));
  // Of two things about as telling, a name of several words says enough by itself.
  if (second && second.words.length > 1 && second.score > first.score * 0.6) return second;
  if (second) return { text: `${first.text} and ${second.text}`, key: [...first.key, ...second.key], score: first.score };
  return { ...first, text: headingOf(first) };
}

const MOST_THINGS = 3;

/** Several things of a section in one heading: the most telling, none the other's part. */
function othersOf(things: readonly Thing[]): Candidate | undefined {
  const chosen: Thing[] = [];
  for (const thing of things) {
    if (chosen.length === MOST_THINGS) break;
    // "And" is one of the words.
    if (sum([...chosen, thing].map((t) => t.words.length)) >= MOST_WORDS) continue;
    if (!chosen.some((c) => c.key.some((k) => thing.key.includes(k)))) chosen.push(thing);
  }
  const [first] = chosen;
  if (!first || chosen.length === 1) return first && { ...first, text: headingOf(first) };
  const names = chosen.map((t) => t.text);
  return { text: `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`, key: chosen.flatMap((t) => t.key), score: first.score };
}

/** A thing as a heading: a bare word needs one before it. */
const headingOf = (thing: Thing): string =>
  thing.words.length > 1 ? thing.text : thing.withThe * 2 >= thing.count ? `the ${thing.text}` : `about ${thing.text}`;

const OPENER = /^(?:(?:so|and|but|now|well|or|okay|right|then),? )+/i;
// A question that points at something said before asks nothing by itself.
const POINTS = /\b(?:it|this|that|these|those|they|them|he|she|him|her|there|here|ones?)\b/i;

/** A question the section asks that can be read alone. */
function questionOf(sentences: readonly string[], heft: (stem: string) => number): Candidate | undefined {
  const asked = sentences
    .filter((s) => /\?["'”’)]*$/.test(s))
    .map((s) => s.replace(OPENER, '').replace(/["“”]/g, '').trim())
    .filter((s) => words(s).length >= 3 && words(s).length <= 9 && !POINTS.test(s) && !/,/.test(s))
    .map((text) => {
      const key = [
        ...new Set(
          words(text)
            .filter((w) => isContentWord(w.text) && !LIGHT.has(normal(w.text)))
            .map((w) => stem(w.text)),
        ),
      ];
      return { text, key, score: key.length ? (1.2 * sum(key.map(heft))) / Math.max(2, key.length) : 0 };
    })
    .sort((a, b) => b.score - a.score)[0];
  return asked && asked.score > 0 ? asked : undefined;
}

const DEED = /(?:^|\b(?:to|you|we|then|and|don't|never|always|can|should|must|you'll|just|now)\s)([a-z]{3,12}) ((?:the|a|an|your|some)) /gi;

/** Words that are deeds somewhere in the text: "to lock", "you draw", "don't rub". */
function deedsIn(sentences: readonly string[]): Set<string> {
  const found = new Set<string>();
  for (const sentence of sentences) {
    for (const [, word] of sentence
      .replaceAll('’', "'")
      .matchAll(/\b(?:to|you|we|they|i|don't|didn't|can|should|must|will|would|you'll|i'll|we'll|never|let's) ([a-z]{3,12})\b/gi)) {
      const deed = word!.toLowerCase();
      if (isContentWord(deed) && !LIGHT.has(deed) && !/(?:ed|ing|[^s]s|ly)$/.test(deed)) found.add(deed);
    }
  }
  return found;
}

/** What the section tells to do: a deed and the thing it is done to. */
function howToOf(
  sentences: readonly string[],
  telling: (stem: string) => number,
  things: readonly Thing[],
  deeds: ReadonlySet<string>,
): Candidate | undefined {
  const best = { text: '', key: [] as string[], score: 0 };
  const names = new Map(things.map((t) => [t.key.join(' '), t]));
  for (const sentence of sentences) {
    for (const match of sentence.replaceAll('’', "'").matchAll(DEED)) {
      const deed = match[1]!.toLowerCase();
      if (!deeds.has(deed)) continue;
      const rest = words(sentence.slice(match.index + match[0].length)).slice(0, 3);
      for (let length = Math.min(3, rest.length); length >= 1; length--) {
        const thing = names.get(
          rest
            .slice(0, length)
            .map((w) => stem(w.text))
            .join(' '),
        );
        if (!thing) continue;
        const score = 0.8 * thing.score + 0.4 * telling(stem(deed));
        if (score > best.score)
          Object.assign(best, {
            text: `how to ${deed} ${match[2]!.toLowerCase()} ${rest
              .slice(0, length)
              .map((w) => normal(w.text))
              .join(' ')}`,
            key: [stem(deed), ...thing.key],
            score,
          });
        break;
      }
    }
  }
  return best.score > 0 ? best : undefined;
}

function stemCounts(sentences: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const sentence of sentences) for (const s of terms(sentence)) counts.set(s, (counts.get(s) ?? 0) + 1);
  return counts;
}

const sum = (values: Iterable<number>): number => {
  let total = 0;
  for (const v of values) total += v;
  return total;
};

/** How each word is mostly written where it does not open a sentence: this keeps names in capitals. */
function commonForms(sentences: readonly string[]): Map<string, string> {
  const counts = new Map<string, Map<string, number>>();
  for (const sentence of sentences) {
    for (const w of words(sentence).slice(1)) {
      const forms = counts.get(normal(w.text)) ?? new Map<string, number>();
      forms.set(w.text, (forms.get(w.text) ?? 0) + 1);
      counts.set(normal(w.text), forms);
    }
  }
  return new Map([...counts].map(([key, forms]) => [key, [...forms].sort((a, b) => b[1] - a[1])[0]![0]]));
}
