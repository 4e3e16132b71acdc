import { array, number, object, string, type InferType } from 'yup';

/** What a post says about itself, besides its page. The one description of it for forms, routes and files. */
export const detailsSchema = object({
  title: string().defined().default('').max(300, 'A title has at most 300 characters.'),
  standfirst: string().defined().default('').max(1000, 'A standfirst has at most 1,000 characters.'),
  slug: string()
    .defined()
    .default('')
    .max(120, 'A slug has at most 120 characters.')
    .matches(/^(?:[\p{Ll}\p{N}]+(?:-[\p{Ll}\p{N}]+)*)?$/u, 'A slug is lower-case words with a dash between each.'),
  description: string().defined().default('').max(1000, 'A description has at most 1,000 characters.'),
  category: string().defined().default('').max(80, 'A category has at most 80 characters.'),
  tags: array(string().defined().min(1).max(60, 'A tag has at most 60 characters.'))
    .defined()
    .default([])
    .max(40, 'A post has at most 40 tags.'),
  /** How many words the post is to have; none when nobody said. */
  words: number().integer().min(1, 'A length is at least one word.').max(200_000, 'A length is at most 200,000 words.'),
}).noUnknown();

export type Details = InferType<typeof detailsSchema>;

/** Details with nothing filled in. */
export function emptyDetails(): Details {
  const { words: _, ...said } = detailsSchema.getDefault();
  return said;
}

/** The length in characters at which a description is shown whole and used well (common practice, no source). */
export const DESCRIPTION_LENGTH = { least: 150, most: 160 } as const;
