import { array, number, object, string, type InferType } from 'yup';
import { briefSchema, FORMS } from '../../post/brief.ts';
import { TASK_NAMES } from './tasks/names.ts';

// A page of the largest size, and ten hours of talk.
const MOST_TEXT = 400_000;
const MOST_PASSAGES = 20_000;

/** What is asked of a drafter: the one description of it for the browser, the server and every drafter that speaks our interface. */
export const draftRequestSchema = object({
  task: string().oneOf(TASK_NAMES).required(),
  /** What the writer asks for in words of their own. */
  wish: string().default('').max(4000),
  /** The id of the section it is about; empty when it is about all. */
  section: string().default('').max(60),
  brief: briefSchema.shape({ words: number().integer().min(0).default(0) }).required(),
  outline: array(
    object({
      id: string().required().max(60),
      heading: string().defined().default('').max(1000),
      level: number().integer().min(1).max(6).required(),
      /** What it must say, and its length in words; 0 when none is wanted. */
      says: string().default('').max(10_000),
      words: number().integer().min(0).default(0),
      form: string().oneOf(FORMS).default('paragraphs'),
      of: string().default('').max(200),
      /** The numbers of the passages that feed it. */
      passages: array(string().required().max(20)).default([]),
    }).required(),
  )
    .default([])
    .max(400),
  passages: array(
    object({
      id: string().required().max(20),
      text: string().required().max(20_000),
      /** What it comes from, and where there: a time or a paragraph. */
      from: string().default('').max(300),
      at: string().default('').max(40),
    }).required(),
  )
    .default([])
    .max(MOST_PASSAGES),
  /** What was drafted before it, section by section. */
  before: array(
    object({ heading: string().defined().default('').max(1000), text: string().defined().default('').max(MOST_TEXT) }).required(),
  )
    .default([])
    .max(400),
  /** The words it is about, as Markdown. */
  text: string().default('').max(MOST_TEXT),
  /** What the house has written already: titles, for ideas. */
  written: array(string().defined().max(300)).default([]).max(5000),
});

export type DraftRequest = InferType<typeof draftRequestSchema>;
export type AskedSection = DraftRequest['outline'][number];

/** A section and what lies below it. */
export function partsOf(outline: readonly AskedSection[], id: string): AskedSection[] {
  const at = outline.findIndex((part) => part.id === id);
  if (at < 0) return [];
  const after = outline.findIndex((part, n) => n > at && part.level <= outline[at]!.level);
  return outline.slice(at, after < 0 ? undefined : after);
}
