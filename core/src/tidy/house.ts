import { bylineSchema } from '../post/details.ts';
import { STOCK_PHRASES } from './stock-phrases.ts';
import { array, boolean, object, string, type InferType } from 'yup';

/** Padding that goes only where it carries nothing; the sounds (um, uh, ah, er) always go. */
export const PADDING = ['you know', 'I mean', 'like', 'sort of', 'kind of', 'right', 'okay so', 'basically', 'actually'] as const;

/** How headings are written: with one capital at the start, or with one on every main word. */
export const HEADING_CASES = ['sentence', 'title'] as const;

/** How a page of several voices says who speaks: a name in bold, the question in bold and its answer plain, or not at all. */
export const VOICES = ['names', 'questions', 'none'] as const;

const colour = string()
  .matches(/^#[0-9a-f]{6}$/i, 'A colour is six hexadecimal digits.')
  .required();

/**
 * House style: names and terms as they are spelt here, which padding goes, the quotes, how headings are written, which words
 * are never used, how it is said who speaks, and who a post is by.
 */
export const houseSchema = object({
  names: array(string().trim().min(2).max(80).required()).max(2000).default([]),
  padding: array(string().oneOf(PADDING).required()).default([...PADDING]),
  curlyQuotes: boolean().default(true),
  headingCase: string().oneOf(HEADING_CASES).default('sentence'),
  /** Words no draft should use. */
  never: array(string().trim().min(2).max(80).required())
    .max(1000)
    .default([...STOCK_PHRASES]),
  /** Checks that are not made here, by their names. */
  unchecked: array(string().trim().required().max(80)).max(200).default([]),
  /** Hosts that pay for being linked to. */
  paid: array(
    string()
      .trim()
      .lowercase()
      .matches(/^[a-z0-9-]+(?:\.[a-z0-9-]+)+$/, 'A paid offer is named by its host, like shop.example.')
      .max(253)
      .required(),
  )
    .max(500)
    .default([]),
  voices: string().oneOf(VOICES).default('names'),
  /** Who a post is by where its material names nobody; empty where that is said anew each time. */
  byline: bylineSchema.trim().default(''),
  /** The colours covers are drawn in: ground, ink and accent; none when nobody chose any. */
  colours: object({ ground: colour, ink: colour, accent: colour }).optional().default(undefined),
});
export type House = InferType<typeof houseSchema>;

/** House style before anybody has changed it. */
export const usualHouse = (): House => houseSchema.getDefault();
