import { eq } from 'drizzle-orm';
import { type House, houseSchema, usualHouse } from '@even-page/core/tidy';
import { database, write } from './database.ts';
import type { Person } from './person.ts';
import { houseStyle } from './schema.ts';

const ONLY = 1;

/** House style as it stands; the usual one until somebody changes it. */
export async function readHouse(): Promise<House> {
  const db = await database();
  const [row] = await db.select().from(houseStyle).where(eq(houseStyle.id, ONLY));
  return row ? houseSchema.cast(row.style) : usualHouse();
}

/** Keeps House style. */
export async function saveHouse(person: Person, style: House): Promise<void> {
  await write(person, async (writing) => {
    await writing.insertOnce(houseStyle, { id: ONLY, style });
    await writing.update(houseStyle, { style }, eq(houseStyle.id, ONLY));
  });
}
