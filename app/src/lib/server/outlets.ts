import { asc } from 'drizzle-orm';
import { object, string } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { isWebAddress } from '@even-page/core/send';
import { database, write } from './database.ts';
import { query } from './micropub-client.ts';
import type { Person } from './person.ts';
import { outlets } from './schema.ts';
import { seal } from './secrets.ts';

/** What it takes to add an outlet that speaks Micropub. */
export const outletSchema = object({
  name: string().trim().required('Give the outlet a name.').max(80, 'A name has at most 80 characters.'),
  endpoint: string()
    .trim()
    .required('Give its Micropub address.')
    .max(2000)
    .test('web', 'The Micropub address must be a whole web address, with https:// in front.', (value) => !!value && isWebAddress(value)),
  token: string()
    .trim()
    .max(4000, 'An access token has at most 4,000 characters.')
    .required('Give the access token the outlet made for you.'),
});

/** The outlets there are, without their tokens. */
export async function listOutlets() {
  const db = await database();
  return db.select({ id: outlets.id, name: outlets.name, endpoint: outlets.endpoint }).from(outlets).orderBy(asc(outlets.createdAt));
}

/** Adds an outlet after asking it what it can do. Throws a Complaint when it does not answer as one. */
export async function addOutlet(person: Person, outlet: { name: string; endpoint: string; token: string }): Promise<string> {
  const { status, body } = await query(outlet, 'config');
  if (status === 401 || status === 403) throw new Complaint(`${outlet.name} does not accept this access token.`);
  if (status !== 200 || !body) throw new Complaint(`No Micropub answers at ${outlet.endpoint} (status ${status}): check the address.`);
  const mediaEndpoint = mediaEndpointOf(body, outlet.endpoint);
  const row = await write(person, (writing) => writing.insert(outlets, { ...outlet, token: seal(outlet.token), mediaEndpoint }));
  return row.id;
}

/** The media endpoint an outlet names, relative to its own address perhaps; null when it names none that is one. */
function mediaEndpointOf(config: unknown, endpoint: string): string | null {
  const media = (config as Record<string, unknown>)['media-endpoint'];
  if (typeof media !== 'string' || !URL.canParse(media, endpoint)) return null;
  const { href } = new URL(media, endpoint);
  return isWebAddress(href) ? href : null;
}
