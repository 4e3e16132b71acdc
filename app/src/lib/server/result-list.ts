import { array, object, string } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { boundedJson } from './bounded.ts';
import { environment } from './environment.ts';

const answerSchema = object({
  results: array(
    object({
      address: string().url().required().max(2000),
      title: string().defined().max(500),
      words: string().defined().max(2000),
    }).required(),
  )
    .max(100)
    .required(),
});

const NO_ANSWER = 'The result list does not answer. Try again in a moment, or name the pages yourself.';
const MOST_MS = 15_000;
const MOST_ANSWER = 1024 * 1024;
const MOST = 10;

/** Whether a result list is set up. */
export const hasResultList = (): boolean => !!environment.RESULTS_URL;

/** The addresses of the first ten pages that are found for a phrase. Throws a Complaint when nobody answers, or nothing is found. */
export async function resultsFor(phrase: string): Promise<string[]> {
  const { RESULTS_URL, RESULTS_TOKEN } = environment;
  if (!RESULTS_URL) throw new Complaint('No result list is set up here (RESULTS_URL): name the pages yourself.');
  const address = new URL('results', RESULTS_URL.replace(/\/?$/, '/'));
  address.searchParams.set('q', phrase);
  const response = await fetch(address, {
    signal: AbortSignal.timeout(MOST_MS),
    redirect: 'error',
    headers: { accept: 'application/json', ...(RESULTS_TOKEN ? { authorization: `Bearer ${RESULTS_TOKEN}` } : {}) },
  }).catch((cause: unknown) => {
    throw new Complaint(NO_ANSWER, { cause });
  });
  const body = await boundedJson(response, MOST_ANSWER);
  if (response.status === 401 || response.status === 403)
    throw new Complaint('The result list does not accept the token it is set up with.');
  if (!response.ok || !answerSchema.isValidSync(body)) throw new Complaint(NO_ANSWER);
  const { results } = answerSchema.cast(body);
  if (!results.length) throw new Complaint(`The result list has no page for “${phrase}”. Look whether it is spelt as people look for it.`);
  return results.slice(0, MOST).map((result) => result.address);
}
