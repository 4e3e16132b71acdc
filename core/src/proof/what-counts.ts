import type { OwnBrief } from '../post/brief.ts';
import type { UsageRule } from './usage/usage.ts';

/** The four answers of the writer that say what counts: who reads it, how formal it is, what kind of text it is, and what it should do. */
export type Answers = Pick<OwnBrief, 'know' | 'tones' | 'text' | 'purposes'>;

/** What depends on the answers: rules of usage, and contractions. */
export type RuleName = UsageRule | 'contraction';

/** For each rule when it counts: for the machine, and for the writer. */
export const WHAT_COUNTS: Readonly<Record<RuleName, { counts: (answers: Answers) => boolean; says: string }>> = {
  grammar: { counts: () => true, says: 'always' },
  insensitive: { counts: () => true, says: 'always' },
  passive: {
    counts: ({ know, text }) => know !== 'experts' && text !== 'report',
    says: 'unless experts read it, or it is a report: there the deed matters more than who did it',
  },
  hedge: {
    counts: ({ text, purposes }) =>
      text === 'how-to' || text === 'notice' || !!purposes?.includes('persuade') || (text === undefined && !purposes?.length),
    says: 'in a how-to or a notice, where it should persuade, and where nothing is said; opinions, stories and reports may weigh their words',
  },
  contraction: { counts: ({ tones }) => !!tones?.includes('formal'), says: 'where it sounds formal' },
};

/** The most words of a sentence: how-tos and notices are followed while they are read, experts read on (own choice around 40; common practice, no source). */
export const longestSentence = ({ text, know }: Answers): number =>
  text === 'how-to' || text === 'notice' ? 30 : know === 'experts' ? 45 : 40;

/** The grade asked for where the brief names none: 8 for anyone, more for those who know the field (common practice, no source). */
export const gradeFor = ({ know }: Answers): number => (know === 'experts' ? 12 : know === 'people who know the field' ? 10 : 8);
