import type { Subjects } from '../cut/subjects.ts';
import { headingCandidates, talkTerms, type HeadedSentence, type HeadingCandidate } from './candidates.ts';
import { HEADING_WEIGHTS } from './weights.ts';

/** The headings proposed for a section, the best first, and whether the first is good enough to stand without a look. */
export type ProposedHeadings = { headings: string[]; isSure: boolean };

const CHOICES = 3;
// Under this a heading wants the writer (chosen on talks with an editor's headings).
const GATE = 0.5;
// Words that head another section already say less.
const USED = 0.75;
// Where half of the headings tell deeds, a deed that is nearly as telling goes first.
const PARALLEL = 0.5;
const NEARLY = 0.75;
// What reads better alone, apart from how well it agrees with what an editor writes (chosen by reading).
const READS: Readonly<Record<HeadingCandidate['kind'], number>> = { deed: 0.1, claim: 0.02, question: 0.04, thing: 0, pair: -0.3 };
// A pronoun may have stood for something else.
const RESOLVED = -0.12;
// "Okay, lanes.": the speaker's own heading.
const ANNOUNCED_ALONE = 0.12;

/** How well a candidate is expected to agree with an editor's heading, and how well it stands as the first choice. */
type Ranked = HeadingCandidate & { agrees: number; score: number };

function ranked(candidate: HeadingCandidate): Ranked {
  const { features, kind } = candidate;
  const agrees = Object.entries(features).reduce((sum, [name, x]) => sum + (HEADING_WEIGHTS[name] ?? 0) * x, HEADING_WEIGHTS.bias!);
  return {
    ...candidate,
    agrees,
    score: agrees + READS[kind] + (features.resolved ? RESOLVED : 0) + (features.alone ? ANNOUNCED_ALONE : 0),
  };
}

/**
 * Headings for the sections of a talk, three for each, made of its own words: a deed it tells, a short claim, a question, or
 * what it names. What speaks for one is learned from sections an editor headed (core/training/headings.ts).
 * @param taken headings in use elsewhere on the page
 */
export function proposeTalkHeadings(
  sections: readonly (readonly HeadedSentence[])[],
  subjects: Subjects | null,
  taken: readonly string[] = [],
): ProposedHeadings[] {
  const talk = talkTerms(sections);
  const all = sections.map((section) =>
    headingCandidates(section, talk, subjects)
      .map(ranked)
      .sort((a, b) => b.score - a.score),
  );
  const bests = all.flatMap(([best]) => best ?? []);
  const tellsDeeds = bests.filter((c) => c.kind === 'deed').length >= PARALLEL * bests.length;
  const used = new Set<string>();
  const texts = new Set(taken.map((t) => t.toLowerCase()));
  return all.map((own, n) => {
    const fresh = own
      .map((c) => ({ ...c, score: c.score * (c.stems.every((s) => used.has(s)) ? USED : 1) }))
      .filter((c) => !texts.has(c.text.toLowerCase()))
      .sort((a, b) => b.score - a.score);
    const deed = tellsDeeds ? fresh.find((c) => c.kind === 'deed' && c.score >= NEARLY * (fresh[0]?.score ?? 0)) : undefined;
    const first = deed ?? fresh[0];
    if (!first) return { headings: [`Part ${n + 1}`], isSure: false };
    const chosen = [first];
    // The other choices need not stand without a look: what is likeliest to say what an editor would.
    for (const c of fresh.toSorted((a, b) => b.agrees - a.agrees)) {
      if (chosen.length === CHOICES) break;
      // Three choices are three different things to say.
      if (!chosen.some((other) => c.stems.every((s) => other.stems.includes(s)) || other.stems.every((s) => c.stems.includes(s))))
        chosen.push(c);
    }
    for (const s of first.stems) used.add(s);
    texts.add(first.text.toLowerCase());
    return { headings: chosen.map((c) => asHeading(c.text)), isSure: first.score >= GATE };
  });
}

const asHeading = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
