import { number, object, string } from 'yup';
import { boundedJson } from '../bounded.ts';
import type { Reached } from './ask-drafter.ts';

const ASK_MS = 4000;
const MOST_ANSWER = 64 * 1024;

const aboutSchema = object({ limit: object({ unit: string().required().max(40), most: number().integer().min(1).required() }).required() });

/** How much a drafter takes at once, in its own unit; null when it does not tell. */
export async function limitOf({ form, address, token }: Reached): Promise<{ unit: string; most: number } | null> {
  if (form !== 'own') return null;
  try {
    const response = await fetch(new URL('about', address.endsWith('/') ? address : `${address}/`), {
      redirect: 'error',
      signal: AbortSignal.timeout(ASK_MS),
      headers: token ? { authorization: `Bearer ${token}` } : {},
    });
    return aboutSchema.validateSync(await boundedJson(response, MOST_ANSWER), { stripUnknown: true }).limit;
  } catch {
    // It may not tell, or not be there: that is said when it is asked for a draft.
    return null;
  }
}
