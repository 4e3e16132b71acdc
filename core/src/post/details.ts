import { shortened, storable } from '../language/storable.ts';
import { array, number, object, string, type InferType } from 'yup';
import { briefSchema } from './brief.ts';
import { coverDesignSchema } from './cover-design.ts';

const MOST = {
  title: 300,
  standfirst: 1000,
  slug: 120,
  description: 1000,
  summary: 1000,
  byline: 120,
  category: 80,
  tag: 60,
  tags: 40,
} as const;

/** Who a post is by. */
export const bylineSchema = string().max(MOST.byline, 'A byline has at most 120 characters.');

const SLUG = /^(?:[\p{Ll}\p{N}]+(?:-[\p{Ll}\p{N}]+)*)?$/u;

/** What a post says about itself, besides its page. The one description of it for forms, routes and files. */
export const detailsSchema = object({
  title: string().defined().default('').max(MOST.title, 'A title has at most 300 characters.'),
  standfirst: string().defined().default('').max(MOST.standfirst, 'A standfirst has at most 1,000 characters.'),
  slug: string()
    .defined()
    .default('')
    .max(MOST.slug, 'A slug has at most 120 characters.')
    .matches(SLUG, 'A slug is lower-case words with a dash between each.'),
  description: string().defined().default('').max(MOST.description, 'A description has at most 1,000 characters.'),
  /** A short text for lists and feeds, and who wrote the post; none when nobody said. */
  summary: string().max(MOST.summary, 'A summary has at most 1,000 characters.'),
  byline: bylineSchema,
  category: string().defined().default('').max(MOST.category, 'A category has at most 80 characters.'),
  tags: array(string().defined().min(1).max(MOST.tag, 'A tag has at most 60 characters.'))
    .defined()
    .default([])
    .max(MOST.tags, 'A post has at most 40 tags.'),
  /** The picture that stands for the post, and what it was made of where it was made here; none when nobody chose one. */
  cover: string()
    .matches(/^\/pictures\/[0-9a-f-]{36}$/, 'A cover is one of the pictures.')
    .optional(),
  design: coverDesignSchema.optional().default(undefined),
  /** How many words the post is to have; none when nobody said. */
  words: number().integer().min(1, 'A length is at least one word.').max(200_000, 'A length is at most 200,000 words.'),
  /** What a draft should be, as far as the writer said; none when nobody did. */
  brief: briefSchema.optional().default(undefined),
  /** Findings the writer looked at and left as they are, by their keys, and why. */
  left: array(object({ key: string().required().max(400), why: string().defined().default('').max(300) }).noUnknown())
    .max(1000)
    .optional()
    .default(undefined),
  /** The sources the page is held against, by their ids; none when the writer left it to the rule. */
  witnesses: array(string().defined().max(40)).max(500).optional().default(undefined),
}).noUnknown();

export type Details = InferType<typeof detailsSchema>;

/** Details with nothing filled in. */
export function emptyDetails(): Details {
  const { title, standfirst, slug, description, category, tags } = detailsSchema.getDefault();
  return { title, standfirst, slug, description, category, tags };
}

/**
 * Details that came in from outside, as a post can hold them: what is too long is cut at a word, what does not fit is
 * left out.
 * @returns the details, and a sentence for each that was cut
 */
export function fitDetails(stated: Partial<Details>): { details: Partial<Details>; cut: string[] } {
  const details: Partial<Details> = {};
  const cut: string[] = [];
  for (const name of ['title', 'standfirst', 'description', 'summary', 'byline', 'category'] as const) {
    const said = stated[name];
    if (said === undefined) continue;
    const whole = storable(said).trim();
    details[name] = shortened(whole, MOST[name]);
    if (details[name].length < whole.length)
      cut.push(`The ${name} was longer than ${MOST[name].toLocaleString('en')} characters and was cut there.`);
  }
  if (stated.slug !== undefined) {
    const slug = stated.slug.slice(0, MOST.slug).replace(/-$/, '');
    if (SLUG.test(slug)) details.slug = slug;
    if (details.slug !== stated.slug) cut.push('The slug did not fit and was changed or left out.');
  }
  if (stated.tags) {
    const tags = [...new Set(stated.tags.map((tag) => storable(tag).trim()).filter(Boolean))];
    const fit = tags.filter((tag) => tag.length <= MOST.tag).slice(0, MOST.tags);
    details.tags = fit;
    if (fit.length < tags.length)
      cut.push(
        `${tags.length - fit.length} of ${tags.length} tags were left out: a post has at most ${MOST.tags}, of at most ${MOST.tag} characters each.`,
      );
  }
  if (detailsSchema.isValidSync({ words: stated.words }) && stated.words) details.words = stated.words;
  return { details, cut };
}

/** Lengths in characters, for a text of the post that stands somewhere else: `most` is what is shown of it. */
export type ShownLength = { least: number; most: number };

/** The length at which a description is shown whole and used well (common practice, no source). */
export const DESCRIPTION_LENGTH: ShownLength = { least: 150, most: 160 };

/** The length of a summary that says something and leaves something to read (common practice, no source). */
export const SUMMARY_LENGTH: ShownLength = { least: 200, most: 300 };
