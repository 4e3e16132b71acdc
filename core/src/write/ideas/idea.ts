import { array, object, string, type InferType } from 'yup';
import { isSafeAddress } from '../../post/address.ts';

const MOST_LINE = 300;

/** What may become a piece some day, as it is typed: the one description of it for browser, server and tables. */
export const ideaSchema = object({
  line: string()
    .trim()
    .required('Type a few words first.')
    .max(MOST_LINE, 'An idea has at most 300 characters; the rest goes into its notes.'),
  notes: string().default('').max(20_000, 'Notes have at most 20,000 characters.'),
  subject: string().trim().default('').max(120, 'A subject has at most 120 characters.'),
  links: array(
    string()
      .trim()
      .required()
      .max(2000)
      .test('address', 'A link is a whole web address.', (link) => isSafeAddress(link)),
  )
    .default([])
    .max(50, 'An idea has at most 50 links.'),
  pictures: array(string().required().max(200)).default([]).max(20, 'An idea has at most 20 pictures.'),
  /** The day it is wished for; null when none is. */
  wishedFor: string()
    .nullable()
    .default(null)
    .matches(/^\d{4}-\d\d-\d\d$/, 'A date is a year, a month and a day.'),
}).noUnknown();

export type Idea = InferType<typeof ideaSchema>;
