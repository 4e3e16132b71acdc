import { asc, eq } from 'drizzle-orm';
import { object, string, type InferType } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { isWebAddress } from '@even-page/core/send';
import { database, write } from '../database.ts';
import { environment } from '../environment.ts';
import type { Person } from '../person.ts';
import { drafters } from '../schema.ts';
import { seal, unseal } from '../secrets.ts';
import type { Reached } from './ask-drafter.ts';
import { FORM_NAMES, type FormName } from './forms.ts';

/** The drafter this server was started with. */
export const STANDARD = 'standard';
const STANDARD_NAME = 'Bench drafter';

/** What it takes to set a drafter. */
export const drafterSchema = object({
  name: string().trim().required('Give the drafter a name.').max(80, 'A name has at most 80 characters.'),
  form: string().oneOf(FORM_NAMES, 'Say how it is spoken to.').required(),
  address: string()
    .trim()
    .required('Give its address.')
    .max(2000)
    .test('web', 'The address must be a whole web address, with https:// or http:// in front.', (value) => !!value && isWebAddress(value)),
  model: string().trim().max(200, 'A model’s name has at most 200 characters.').default(''),
  /** Empty leaves the key that is there. */
  token: string().trim().max(4000, 'A key has at most 4,000 characters.').default(''),
});
type Drafter = InferType<typeof drafterSchema>;

/** The drafters there are, without their keys: the one this server came with first. */
export async function listDrafters() {
  const db = await database();
  const rows = await db.select().from(drafters).orderBy(asc(drafters.createdAt));
  const { DRAFTER_URL: address } = environment;
  const standard = address ? [{ id: STANDARD, name: STANDARD_NAME, form: 'own', address, model: '', hasKey: false, isOurs: true }] : [];
  return [
    ...standard,
    ...rows.map(({ id, name, form, address, model, token }) => ({ id, name, form, address, model, hasKey: token !== '', isOurs: false })),
  ];
}

/** Adds a drafter, or changes one: a key that is not given stays. */
export async function saveDrafter(person: Person, id: string | null, { token, ...drafter }: Drafter): Promise<string> {
  const sealed = token ? { token: seal(token) } : {};
  return write(person, async (writing) => {
    if (id === null) return (await writing.insert(drafters, { ...drafter, ...sealed })).id;
    await writing.update(drafters, { ...drafter, ...sealed }, eq(drafters.id, id));
    return id;
  });
}

/** Takes a drafter out; its rounds stay. */
export const removeDrafter = (person: Person, id: string): Promise<void> =>
  write(person, (writing) => writing.delete(drafters, eq(drafters.id, id)));

/** A drafter as it is spoken to. Throws a Complaint when there is none of that id. */
export async function reach(id: string): Promise<Reached> {
  const { DRAFTER_URL: address, DRAFTER_TOKEN: token = '' } = environment;
  if (id === STANDARD && address) return { name: STANDARD_NAME, form: 'own', address, model: '', token };
  const db = await database();
  const [row] = id === STANDARD ? [] : await db.select().from(drafters).where(eq(drafters.id, id));
  if (!row) throw new Complaint('This drafter is not set up any more: choose another.');
  return { name: row.name, form: row.form as FormName, address: row.address, model: row.model, token: row.token && unseal(row.token) };
}
