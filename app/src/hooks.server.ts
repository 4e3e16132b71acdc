import { json, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import { closeDatabase, database } from '$lib/server/database.ts';
import { closeToOthers } from '$lib/server/closed-folder.ts';
import { environment } from '$lib/server/environment.ts';
import { JOB_KINDS } from '$lib/server/jobs/kinds.ts';
import { runJobs } from '$lib/server/jobs/runner.ts';
import { logTrouble } from '$lib/server/log.ts';
import { isFromElsewhere, underOwnName } from '$lib/server/origin.ts';
import { WRITER } from '$lib/server/person.ts';
import { MODE_COOKIE, type Mode } from '$lib/theme/mode.ts';

export const init: ServerInit = async () => {
  closeToOthers(environment.EVEN_PAGE_DATA);
  await database();
  const endJobs = runJobs(JOB_KINDS);
  // Without this the process would wait for the embedded database for ever.
  process.once('sveltekit:shutdown', () => {
    void endJobs().finally(closeDatabase);
  });
};

export const handle: Handle = async ({ event, resolve }) => {
  const better = underOwnName(event.request, event.url);
  if (better) return new Response(null, { status: 307, headers: { location: better } });
  if (isFromElsewhere(event.request, event.url)) {
    return json({ message: 'This request came from another site and was refused. Nothing was changed.' }, { status: 403 });
  }
  // Where nothing is, a program hears it as a program.
  if (event.route.id === null && event.request.headers.get('accept')?.startsWith('application/json'))
    return json({ message: PLAIN[404] }, { status: 404 });
  const mode: Mode = event.cookies.get(MODE_COOKIE) === 'dark' ? 'dark' : 'light';
  event.locals.mode = mode;
  event.locals.person = WRITER;
  const response = await resolve(event, { transformPageChunk: ({ html }) => html.replace('%mode%', mode) });
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  return response;
};

const PLAIN: Record<number, string> = {
  404: 'There is no page at this address.',
  405: 'This address does not take such a request.',
  413: 'This is larger than the server takes at once (32 MB). Nothing was changed; bring in a smaller file.',
  415: 'The request came in a form the server does not read. Nothing was changed.',
};

/** The writer gets a sentence; what went wrong inside goes to the server's own log. */
export const handleError: HandleServerError = ({ error, status }) => {
  const plain = PLAIN[status];
  if (plain) return { message: plain };
  logTrouble(error);
  return { message: 'Something went wrong on our side. What was saved is safe; load the page again.' };
};
