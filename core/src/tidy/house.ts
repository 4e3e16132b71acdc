import { array, boolean, object, string, type InferType } from 'yup';

/** Padding that goes only where it carries nothing; the sounds (um, uh, ah, er) always go. */
export const PADDING = ['you know', 'I mean', 'like', 'sort of', 'kind of', 'right', 'okay so', 'basically', 'actually'] as const;

/** How headings are written: with one capital at the start, or with one on every main word. */
export const HEADING_CASES = ['sentence', 'title'] as const;

/** House style: names and terms as they are spelt here, which padding goes, the quotes, and how headings are written. */
export const houseSchema = object({
  names: array(string().trim().min(2).max(80).required()).max(2000).default([]),
  padding: array(string().oneOf(PADDING).required()).default([...PADDING]),
  curlyQuotes: boolean().default(true),
  headingCase: string().oneOf(HEADING_CASES).default('sentence'),
});
export type House = InferType<typeof houseSchema>;

/** House style before anybody has changed it. */
export const usualHouse = (): House => houseSchema.getDefault();
