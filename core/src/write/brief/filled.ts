import { GRADE_AIM } from '../../language/grade.ts';
import { type Brief, LANGUAGES, type OwnBrief, PERSONS } from '../../post/brief.ts';
import type { Details } from '../../post/details.ts';
import type { PostNode } from '../../post/schema.ts';
import { STANDING_PARTS } from '../../shape/index.ts';
import type { House } from '../../tidy/index.ts';
import { ownWriting } from './own-writing.ts';

/** What a brief can be filled in from. `person`: how the material as written is told; `titles`: what its sources are called. */
export type FillFrom = { details: Details; doc: PostNode; titles: readonly string[]; person?: string; house: House };

/** A brief with nothing left open, and for each part of it that was filled in, from where. */
export type FilledBrief = { brief: Brief; from: Partial<Record<keyof Brief, string>> };

// Spellings that only one of the two has (from memory).
const BRITISH = /\b\w+(?:our|ours|oured|ise|ised|ising|isation|yse|ysed)\b|\b(?:metre|litre|centre|grey|whilst|towards)s?\b/gi;
const AMERICAN = /\b\w+(?:ize|ized|izing|ization|yze|yzed)\b|\b(?:meter|liter|center|gray|color|favor|gotten|toward)s?\b/gi;
const NO_SPELLING =
  /\b(?:our|your|hour|four|pour|tour|sour|flour|rise|wise|exercise|otherwise|promise|noise|raise|size|prize|seize)\w*\b/gi;

/** Fills a brief in as far as the piece, its sources and House style can tell. What the writer said stands. */
export function filledBrief(own: OwnBrief, { details, doc, titles, person, house }: FillFrom): FilledBrief {
  const from: FilledBrief['from'] = {};
  const fill = <K extends keyof Brief>(name: K, ...found: [value: Brief[K] | '' | null | undefined | false, from: string][]): Brief[K] => {
    const said = own[name] as Brief[K] | undefined;
    if (said !== undefined) return said;
    const [value, where] = found.find(([v]) => v !== '' && v !== null && v !== undefined && v !== false) ?? found.at(-1)!;
    if (where) from[name] = where;
    return value as Brief[K];
  };
  const text = doc.textContent;
  const sample = ownWriting(own.sample ?? '');
  const parts = new Set<string>();
  doc.forEach((block) => void (block.attrs.part && parts.add(block.attrs.part as string)));
  const { toldBy, none } = { toldBy: PERSONS.find((p) => p === person), none: 'none' as const };
  const count = (pattern: RegExp) => text.replace(NO_SPELLING, ' ').match(pattern)?.length ?? 0;
  const [british, american] = [count(BRITISH), count(AMERICAN)];
  const [first = ''] = titles;
  const brief: Brief = {
    subject: fill('subject', [details.title, 'from title'], [first, 'from material'], ['', '']),
    phrase: fill('phrase', [phraseOf(details.title || first), details.title ? 'from title' : 'from material'], ['', '']),
    purposes: own.purposes ?? ['explain'],
    know: own.know ?? 'anyone',
    ...(own.text ? { text: own.text } : {}),
    readers: own.readers ?? '',
    tones: own.tones ?? ['friendly', 'plain'],
    voice: own.voice ?? '',
    person: fill('person', [sample?.person, 'from your writing'], [toldBy, 'from wording'], [none, '']),
    language: fill(
      'language',
      [american > british && LANGUAGES[1], 'from page'],
      [british > american && LANGUAGES[0], 'from page'],
      [LANGUAGES[0], ''],
    ),
    grade: own.grade ?? GRADE_AIM,
    phrases: own.phrases ?? [],
    inOrder: own.inOrder ?? false,
    unusedToQuestions: own.unusedToQuestions ?? true,
    never: own.never ?? [],
    links: own.links ?? [],
    keepLinks: own.keepLinks ?? true,
    parts: fill('parts', [parts.size > 0 && [...parts].filter((part) => part in STANDING_PARTS), 'from page'], [[], '']),
    sample: own.sample ?? '',
    unsaid: own.unsaid ?? '',
  };
  if (house.never.length) from.never = 'House style';
  return { brief, from };
}

// What a title says about its own form, not its subject.
const AROUND = /^(?:how to|how|why|what|when|the|a|an|your|our|on|about|guide to|a guide to|getting started with)\s+/i;
const MOST_WORDS = 5;

/** The words people would look for, as a title has them: without what it opens with, and up to its first mark. */
export function phraseOf(title: string): string {
  let phrase = title.split(/[:,;–—?!|]| - /)[0]!.trim();
  while (AROUND.test(phrase)) phrase = phrase.replace(AROUND, '');
  // What a phrase goes on with behind these is the title's own.
  phrase = phrase.split(/ (?:with|without|for|from|in|on|at|before|after|and how|that|which|when|by) /i)[0]!;
  return phrase.split(/\s+/).slice(0, MOST_WORDS).join(' ').toLowerCase();
}
