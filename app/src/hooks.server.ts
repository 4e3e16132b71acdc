import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { closeDatabase, database } from '$lib/server/database.ts';
import { MODE_COOKIE, type Mode } from '$lib/theme/mode.ts';

export const init: ServerInit = async () => {
  await database();
  // Without this the process would wait for the embedded database for ever.
  process.once('sveltekit:shutdown', () => void closeDatabase());
};

export const handle: Handle = ({ event, resolve }) => {
  const mode: Mode = event.cookies.get(MODE_COOKIE) === 'dark' ? 'dark' : 'light';
  event.locals.mode = mode;
  return resolve(event, { transformPageChunk: ({ html }) => html.replace('%mode%', mode) });
};

/** The writer gets a sentence; what went wrong inside goes to the server's own log. */
export const handleError: HandleServerError = ({ error, status }) => {
  if (status === 404) return { message: 'There is no page at this address.' };
  console.error(error);
  return { message: 'Something went wrong on our side. What was saved is safe; load the page again.' };
};
