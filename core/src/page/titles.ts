import { wordCount } from '../language/words.ts';
import {
  type Announced,
  announcedSubjects,
  type HeadedSentence,
  type HeadingCandidate,
  headingCandidates,
  type Subjects,
  talkTerms,
} from '../shape/index.ts';

const CHOICES = 3;
// What a talk is about is said in its opening, so many sentences of it.
const OPENING = 10;
// What is announced so plainly is its title, however often other things are named.
const PLAIN = 0.7;
// What is announced and never named again counts for so much of what is named most.
const HEARD_ONCE = 0.35;
// Of a long talk so many sentences are looked at, evenly.
const LOOKED_AT = 600;
// A page is named after what is said again and again.
const FEWEST_SAID = 3;
// A title that names what is said most is worth more.
const ABOUT_IT = 1.3;
// What is done with anything names nothing.
const ANY_DEED =
  /^(?:put|take|get|press|click|hold|start|find|make|turn|bring|keep|go|pull|push|use|give|have|leave|move|set|open|close|shut|check|look)\b/;
const HANGS = / (?:with|in|on|over|under|at|to|from|round|around|for) | guys$/;

// What machines call a file, and what says only that it is one.
const NO_TITLE =
  /^(?:untitled|recording|rec|audio|video|movie|clip|voice|memo|transcript|transcription|captions?|subtitles?|auto|meeting|zoom|new|copy|final|draft|document|doc|file|export|download|img|dsc|mov|track|talk|session|part|english|en|gmt)$/;
const LEAST_OF_A_NAME = 2;

/** The title a file's name gives a page: its words, in sentence case; null when the name says nothing. */
export function titleOfName(name: string): string | null {
  const plain = name
    .replace(/\.[a-z0-9]{2,4}(?:\.[a-z0-9]{2,4})?$/i, '')
    .replace(/[_+-]+|%20/g, ' ')
    .replace(/^\s*\d{1,8}\b/, '')
    .trim();
  const said = plain.split(/\s+/).filter((w) => /^\p{L}[\p{L}'’]*$/u.test(w));
  if (said.filter((w) => w.length > 2 && !NO_TITLE.test(w.toLowerCase())).length < LEAST_OF_A_NAME) return null;
  return plain.charAt(0).toUpperCase() + plain.slice(1);
}

/** The shortest sentence of an opening, without its mark: it names the talk as well as any. */
const firstOf = (all: readonly HeadedSentence[]): string =>
  all
    .slice(0, OPENING)
    .reduce((shortest, s) => (wordCount(s.text) > 2 && wordCount(s.text) < wordCount(shortest.text) ? s : shortest))
    .text.replace(/[.!?]+$/, '');

const titled = ({ kind, text, stems }: Announced) => ({ text: kind === 'deed' ? `How to ${text}` : text, stems });

/**
 * Three titles a page could have, the best first: what its opening says it will show ("How to lay a hedge"), or what is named
 * again and again; made of words that were said.
 */
export function proposeTitles(all: readonly HeadedSentence[], subjects: Subjects | null): string[] {
  if (!all.length) return [];
  const talk = talkTerms([all]);
  const often = (c: HeadingCandidate) => c.stems.reduce((sum, s) => sum + Math.log(1 + (talk.counts.get(s) ?? 0)), 0) / c.stems.length;
  const said = (c: HeadingCandidate) => c.stems.every((s) => (talk.counts.get(s) ?? 0) >= FEWEST_SAID);
  const most = Math.log(Math.max(2, ...talk.counts.values()));
  const meant = ({ stems }: Announced) => stems.reduce((sum, s) => sum + Math.log(talk.counts.get(s) ?? 1), 0) / stems.length / most;
  const announced = announcedSubjects(all.slice(0, OPENING).map(({ said }) => said))
    .map((a) => ({ ...a, score: a.force * (HEARD_ONCE + (1 - HEARD_ONCE) * meant(a)) * (1 - a.sentence / (2 * OPENING)) }))
    .filter(({ score }) => score >= PLAIN)
    .sort((a, b) => b.score - a.score);
  // What a pronoun stands for is a guess, and no title.
  const step = Math.ceil(all.length / LOOKED_AT);
  const whole = headingCandidates(
    all.filter((_, i) => i % step === 0),
    talk,
    subjects,
  ).filter((c) => !c.features.resolved);
  // One word alone is no title.
  const things = whole.filter((c) => c.kind === 'thing' && c.stems.length > 1 && /^the /.test(c.text) && said(c) && !/\d/.test(c.text));
  const deeds = whole.filter((c) => c.kind === 'deed' && said(c) && wordCount(c.text) >= 3 && !ANY_DEED.test(c.text));
  const size = (c: HeadingCandidate) => Math.min(1, wordCount(c.text) / 4);
  const ranked = [
    ...things.map((c) => ({
      text: c.text,
      stems: c.stems,
      score: often(c) * (HANGS.test(c.text) ? 0.8 : 1),
    })),
    ...deeds.map((c) => ({ text: `How to ${c.text}`, stems: c.stems, score: often(c) * 0.7 * size(c) })),
  ]
    .map((c) => ({ ...c, score: c.score * (c.stems.some((s) => talk.top.has(s)) ? ABOUT_IT : 1) }))
    .sort((a, b) => b.score - a.score);
  const chosen: { text: string; stems: string[] }[] = [];
  for (const c of [...announced.map(titled), ...ranked]) {
    if (chosen.length === CHOICES) break;
    if (!chosen.some((other) => c.stems.every((s) => other.stems.includes(s)))) chosen.push(c);
  }
  // Better one word that is said again and again than any sentence.
  if (!chosen.length) {
    const [again] = whole
      .filter((c) => c.kind === 'thing' && /^the \S+$/.test(c.text))
      .map((c) => ({ text: c.text, stems: c.stems, score: often(c) }))
      .sort((a, b) => b.score - a.score);
    chosen.push(again ?? { text: firstOf(all), stems: [], score: 0 });
  }
  return chosen.map(({ text }) => text.charAt(0).toUpperCase() + text.slice(1));
}
