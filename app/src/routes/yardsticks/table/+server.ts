import { Complaint } from '@even-page/core/complaint';
import { answer } from '$lib/server/answers.ts';
import { NOTHING_CAME } from '$lib/server/bring-in.ts';
import { filesOf } from '$lib/server/uploads.ts';
import { phrasesIn, phrasesOut } from '$lib/server/yardsticks.ts';
import type { RequestHandler } from './$types.ts';

/** All phrases as a table (CSV, RFC 4180). */
export const GET: RequestHandler = () =>
  answer(
    async () =>
      new Response(`\ufeff${await phrasesOut()}`, {
        headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="phrases.csv"' },
      }),
  );

/** Takes the phrases of a table in. */
export const POST: RequestHandler = ({ request, locals }) =>
  answer(async () => {
    const [table] = await filesOf(request, 'table');
    if (!table) throw new Complaint(NOTHING_CAME);
    return phrasesIn(locals.person, new TextDecoder().decode(table.bytes));
  });
