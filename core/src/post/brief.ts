import { array, boolean, number, object, string, type InferType } from 'yup';

/** What a piece is for, how it sounds, who tells it and to whom, and the forms a section can be asked for in. */
export const PURPOSES = ['explain', 'persuade', 'tell', 'invite'] as const;
export const TONES = ['friendly', 'plain', 'formal', 'lively', 'calm'] as const;
export const PERSONS = ['you', 'we', 'I', 'none'] as const;
export const READERS = ['anyone', 'people who know the field', 'experts'] as const;
export const LANGUAGES = ['British English', 'American English'] as const;
export const TEXTS = ['how-to', 'report', 'story', 'opinion', 'notice'] as const;
export const FORMS = ['paragraphs', 'list', 'steps', 'table', 'quotation'] as const;
export type Form = (typeof FORMS)[number];

const line = (most: number) => string().max(most, `This has room for ${most} characters.`);
const lines = (most: number) => array(line(300).defined()).max(most, `At most ${most} of these.`);

const sectionSchema = object({
  /** The id of its heading, or `lead`. */
  id: string().required().max(60),
  form: string().oneOf(FORMS),
  /** Of what by what, for a table. */
  of: line(200),
  /** The passages that feed it, as `SOURCE:FIRST-LAST`, where the writer chose them. */
  passages: array(string().required().max(90)).max(500),
});

/**
 * What the writer said a draft should be. All of it may be left open: then it is as the piece, its sources and House style
 * have it. Headings, what a section must say and its length are the page's own.
 */
export const briefSchema = object({
  subject: line(300),
  /** The words people would look for. */
  phrase: line(120),
  purposes: array(string().oneOf(PURPOSES).defined()),
  know: string().oneOf(READERS),
  /** What kind of text it is. */
  text: string().oneOf(TEXTS),
  readers: line(300),
  tones: array(string().oneOf(TONES).defined()),
  voice: line(300),
  person: string().oneOf(PERSONS),
  language: string().oneOf(LANGUAGES),
  grade: number().integer().min(1).max(18),
  /** Phrases to use, in this order or anywhere; those not used may go into questions and answers. */
  phrases: lines(60),
  inOrder: boolean(),
  unusedToQuestions: boolean(),
  /** Words never to use, besides those of House style. */
  never: lines(200),
  /** Links that must be in: an address, with words before it if any. */
  links: lines(40),
  keepLinks: boolean(),
  /** Standing parts wanted, by their names. */
  parts: array(string().required().max(40)).max(12),
  /** Own writing to sound like. */
  sample: line(20_000),
  unsaid: line(1000),
  sections: array(sectionSchema.required()).max(300),
  /** The pattern it was begun from, and the words of the piece that was made for, by stem. */
  pattern: object({ name: string().required().max(80), words: array(string().required().max(60)).max(400).required() })
    .optional()
    .default(undefined),
}).noUnknown();

export type OwnBrief = InferType<typeof briefSchema>;
export type BriefSection = NonNullable<OwnBrief['sections']>[number];
/** A brief with nothing left open. */
export type Brief = Required<Omit<OwnBrief, 'sections' | 'pattern' | 'text'>> & Pick<OwnBrief, 'text'>;
