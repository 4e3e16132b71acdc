import { asc, eq } from 'drizzle-orm';
import { object, string, type InferType } from 'yup';
import { briefSchema } from '@even-page/core/post/brief';
import { database, write } from '../database.ts';
import type { Person } from '../person.ts';
import { patterns } from '../schema.ts';

export const patternSchema = object({
  name: string().trim().required('Give the pattern a name.').max(80, 'A name has at most 80 characters.'),
  brief: briefSchema.required(),
});

/** The briefs that are kept under a name. */
export async function listPatterns() {
  const db = await database();
  return db
    .select({ id: patterns.id, name: patterns.name, brief: patterns.brief, keptAt: patterns.keptAt })
    .from(patterns)
    .orderBy(asc(patterns.name));
}

/** Keeps a brief under a name; one that has the name already is replaced. */
export async function keepPattern(person: Person, { name, brief }: InferType<typeof patternSchema>): Promise<void> {
  const row = { name, brief, keptAt: new Date(), keptBy: person.id };
  await write(person, async (writing) => {
    if (!(await writing.insertOnce(patterns, row))) await writing.update(patterns, row, eq(patterns.name, name));
  });
}

/** Takes a pattern out. */
export const removePattern = (person: Person, id: string): Promise<void> =>
  write(person, (writing) => writing.delete(patterns, eq(patterns.id, id)));
