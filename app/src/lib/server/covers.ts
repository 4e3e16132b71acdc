import { asc, eq, sql } from 'drizzle-orm';
import type { CoverDesign } from '@even-page/core/post/cover-design';
import { database, write } from './database.ts';
import type { Person } from './person.ts';
import { coverTemplates } from './schema.ts';

/** The covers that are kept as templates, by name. */
export async function listCovers() {
  const db = await database();
  return db
    .select({ id: coverTemplates.id, name: coverTemplates.name, design: coverTemplates.design })
    .from(coverTemplates)
    .orderBy(asc(sql`lower(${coverTemplates.name})`));
}

/** Keeps a cover under a name, in place of one of that name. */
export async function keepCover(person: Person, { name, design }: { name: string; design: CoverDesign }): Promise<void> {
  await write(person, async (writing) => {
    const own = { design, keptAt: new Date(), keptBy: person.id };
    if (!(await writing.insertOnce(coverTemplates, { name, ...own })))
      await writing.update(coverTemplates, own, eq(coverTemplates.name, name));
  });
}

/** Takes a template out. */
export const removeCover = (person: Person, id: string): Promise<void> =>
  write(person, (writing) => writing.delete(coverTemplates, eq(coverTemplates.id, id)));
