import { isContentWord, normal, stem, terms } from '../language/terms.ts';
import { words } from '../language/words.ts';

/** A run of one to three content words said in a section, and how telling it is for it. */
type Phrase = { stems: string[]; text: string; score: number };

/**
 * A heading for each section, made of its own words: the phrase that is said often there and seldom elsewhere.
 * No heading stands twice, and none repeats words an earlier one is made of unless nothing else is left.
 * @param texts the words of each section
 * @param taken headings that are in use already
 */
export function proposeHeadings(texts: readonly string[], taken: readonly string[] = []): string[] {
  const whole = stemCounts(texts.join('\n'));
  const forms = commonForms(texts.join('\n'));
  const used = new Set(taken.flatMap((h) => words(h).map((w) => stem(w.text))));
  const headings = new Set(taken.map(normal));
  return texts.map((text, n) => {
    const phrases = phrasesOf(text, whole);
    const [first, second] = pick(phrases, used);
    if (!first) return numbered(n, headings);
    const parts = first.stems.length > 1 || !second ? [first] : [first, second];
    const heading = sentenceCase(parts.map((p) => showPhrase(p, forms)).join(' and '));
    if (headings.has(normal(heading))) return numbered(n, headings);
    headings.add(normal(heading));
    for (const p of parts) for (const s of p.stems) used.add(s);
    return heading;
  });
}

function numbered(n: number, headings: Set<string>): string {
  const heading = `Part ${n + 1}`;
  headings.add(normal(heading));
  return heading;
}

/** The best phrase with fresh words, and the best one that shares none of its words. */
function pick(phrases: Phrase[], used: ReadonlySet<string>): Phrase[] {
  const fresh = phrases.filter((p) => p.stems.every((s) => !used.has(s)));
  const from = fresh.length ? fresh : phrases.filter((p) => p.stems.some((s) => !used.has(s)));
  const first = from[0];
  if (!first) return [];
  const second = from.find((p) => p.score > first.score / 3 && p.stems.every((s) => !first.stems.includes(s)));
  return second ? [first, second] : [first];
}

function phrasesOf(text: string, whole: Map<string, number>): Phrase[] {
  const found = new Map<string, { stems: string[]; text: string; count: number }>();
  for (const run of contentRuns(text)) {
    for (let length = 1; length <= 3; length++) {
      for (let i = 0; i + length <= run.length; i++) {
        const part = run.slice(i, i + length);
        const stems = part.map(stem);
        if (new Set(stems).size < length || (length === 1 && isVerbal(part[0]!))) continue;
        if (length > 1 && isVerbal(part.at(-1)!)) continue;
        const key = stems.join(' ');
        const hit = found.get(key);
        if (hit) hit.count++;
        else found.set(key, { stems, text: part.join(' '), count: 1 });
      }
    }
  }
  // How much oftener a word is said here than in the whole: its share of the Kullback-Leibler divergence.
  const here = stemCounts(text);
  const size = total(whole) / total(here);
  const telling = (s: string) => Math.log(((here.get(s) ?? 0) / whole.get(s)!) * size);
  return [...found.values()]
    .filter((p) => p.stems.length === 1 || p.count > 1)
    .map(({ stems, text, count }) => ({
      stems,
      text,
      score: count * (stems.reduce((sum, s) => sum + telling(s), 0) / stems.length) * (stems.length > 1 ? 1.8 : 1),
    }))
    .sort((a, b) => b.score - a.score);
}

/** Runs of content words with nothing but a space between them. */
function contentRuns(text: string): string[][] {
  const runs: string[][] = [];
  let end = -1;
  for (const w of words(text)) {
    const joined = end >= 0 && text.slice(end, w.from) === ' ';
    if (!isContentWord(w.text)) end = -1;
    else {
      if (joined) runs.at(-1)!.push(w.text);
      else runs.push([w.text]);
      end = w.to;
    }
  }
  return runs;
}

// Adverbs and past forms seldom head a phrase.
const isVerbal = (word: string) => /(?:ly|ed)$/i.test(word);

function stemCounts(text: string): Map<string, number> {
  const counts = new Map<string, number>();
  for (const s of terms(text)) counts.set(s, (counts.get(s) ?? 0) + 1);
  return counts;
}

const total = (counts: Map<string, number>) => [...counts.values()].reduce((sum, c) => sum + c, 0);

/** How each word is mostly written where it does not open a sentence: this keeps names in capitals. */
function commonForms(text: string): Map<string, string> {
  const counts = new Map<string, Map<string, number>>();
  for (const w of words(text)) {
    if (/(?:^|[.!?…]["'”’)]*\s+|\n\s*)$/.test(text.slice(Math.max(0, w.from - 4), w.from))) continue;
    const forms = counts.get(normal(w.text)) ?? new Map<string, number>();
    forms.set(w.text, (forms.get(w.text) ?? 0) + 1);
    counts.set(normal(w.text), forms);
  }
  return new Map([...counts].map(([key, forms]) => [key, [...forms].sort((a, b) => b[1] - a[1])[0]![0]]));
}

const showPhrase = (p: Phrase, forms: Map<string, string>) =>
  p.text
    .split(' ')
    .map((w) => forms.get(normal(w)) ?? normal(w))
    .join(' ');

const sentenceCase = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
