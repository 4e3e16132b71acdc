import { terms } from '../language/terms.ts';
import { wordCount } from '../language/words.ts';
import { announcementOf } from '../shape/cut/announcements.ts';
import type { Subjects } from '../shape/cut/subjects.ts';
import { headingCandidates, talkTerms, type HeadedSentence, type HeadingCandidate } from '../shape/talk-headings/candidates.ts';

const CHOICES = 3;
// What a talk is about is said in its opening, so many sentences of it.
const OPENING = 18;
// Of a long talk so many sentences are looked at, evenly.
const LOOKED_AT = 600;
// A page is named after what is said again and again.
const FEWEST_SAID = 3;
// A title that names what is said most is worth more.
const ABOUT_IT = 1.3;
const PROMISES = /^(?:show|look|going|want|lets|ordinal|sequence|purpose|cleft)$/;

/**
 * Three titles a page could have, the best first: what its opening says it will show ("How to lay a hedge"), or what is named
 * again and again; made of words that were said.
 */
export function proposeTitles(all: readonly HeadedSentence[], subjects: Subjects | null): string[] {
  if (!all.length) return [];
  const talk = talkTerms([all]);
  const often = (c: HeadingCandidate) => c.stems.reduce((sum, s) => sum + Math.log(1 + (talk.counts.get(s) ?? 0)), 0) / c.stems.length;
  const said = (c: HeadingCandidate) => c.stems.every((s) => (talk.counts.get(s) ?? 0) >= FEWEST_SAID);
  // What a pronoun stands for is a guess, and no title.
  const opening = headingCandidates(all.slice(0, OPENING), talk, subjects).filter((c) => !c.features.resolved);
  const promised = opening.filter(
    (c) =>
      c.kind === 'deed' &&
      PROMISES.test(announcementOf(all[c.sentence]!.said).frame) &&
      c.stems.some((s) => talk.top.has(s) || (talk.counts.get(s) ?? 0) >= 2 * FEWEST_SAID),
  );
  const step = Math.ceil(all.length / LOOKED_AT);
  const whole = headingCandidates(
    all.filter((_, i) => i % step === 0),
    talk,
    subjects,
  ).filter((c) => !c.features.resolved);
  const announcedThings = opening.filter(
    (c) => c.kind === 'thing' && c.sentence < 10 && PROMISES.test(announcementOf(all[c.sentence]!.said).frame),
  );
  const things = whole.filter((c) => c.kind === 'thing' && /^the /.test(c.text) && said(c) && !/\d/.test(c.text));
  const deeds = whole.filter((c) => c.kind === 'deed' && said(c) && wordCount(c.text) >= 3);
  const size = (c: HeadingCandidate) => Math.min(1, wordCount(c.text) / 4);
  const ranked = [
    ...promised.map((c) => ({
      text: `How to ${c.text}`,
      stems: c.stems,
      score: often(c) * 1.6 * size(c) * (1 - c.sentence / (2 * OPENING)),
    })),
    ...announcedThings.map((c) => ({ text: c.text, stems: c.stems, score: often(c) * 1.15 * (1 - c.sentence / (2 * OPENING)) })),
    ...things.map((c) => ({
      text: c.text,
      stems: c.stems,
      score: often(c) * 0.9 * (c.stems.length > 1 ? 1.15 : 1),
    })),
    ...deeds.map((c) => ({ text: `How to ${c.text}`, stems: c.stems, score: often(c) * 0.95 * size(c) })),
  ]
    .map((c) => ({ ...c, score: c.score * (c.stems.some((s) => talk.top.has(s)) ? ABOUT_IT : 1) }))
    .sort((a, b) => b.score - a.score);
  const chosen: typeof ranked = [];
  for (const c of ranked) {
    if (chosen.length === CHOICES) break;
    if (!chosen.some((other) => c.stems.every((s) => other.stems.includes(s)))) chosen.push(c);
  }
  if (!chosen.length) {
    const [most] = [...talk.counts].sort((a, b) => b[1] - a[1]);
    const sentence = all.find(({ text }) => most && terms(text).includes(most[0]) && wordCount(text) <= 12) ?? all[0]!;
    chosen.push({ text: sentence.text.replace(/[.!?]+$/, ''), stems: [], score: 0 });
  }
  return chosen.map(({ text }) => text.charAt(0).toUpperCase() + text.slice(1));
}
