import { Complaint } from '@even-page/core/complaint';
import { answer } from '$lib/server/answers.ts';
import { NOTHING_CAME } from '$lib/server/bring-in.ts';
import { ideasIn, ideasOut } from '$lib/server/ideas.ts';
import { filesOf } from '$lib/server/uploads.ts';
import type { RequestHandler } from './$types.ts';

/** All ideas as a table (CSV, RFC 4180). */
export const GET: RequestHandler = () =>
  answer(
    async () =>
      new Response(`\ufeff${await ideasOut()}`, {
        headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="ideas.csv"' },
      }),
  );

/** Takes the ideas of a table in. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => {
    const [table] = await filesOf(request, 'table');
    if (!table) throw new Complaint(NOTHING_CAME);
    return ideasIn(locals.person, new TextDecoder().decode(table.bytes));
  });
