/**
 * What went wrong, for the server's log: the kinds of the errors, their codes and where they came from. Never their
 * messages, for those repeat what was in the request: words, titles, tokens.
 */
export function troubleOf(cause: unknown): string {
  if (!(cause instanceof Error)) return `Something was thrown that is no error: ${typeof cause}`;
  const { code, query } = cause as { code?: unknown; query?: unknown };
  const where = (cause.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  return [
    `${cause.name}${typeof code === 'string' ? ` ${code}` : ''}`,
    // A prepared statement has signs where its values go.
    ...(typeof query === 'string' ? [`    in ${query}`] : []),
    ...where,
    ...(cause.cause === undefined ? [] : [`caused by ${troubleOf(cause.cause)}`]),
  ].join('\n');
}

/** Writes what went wrong to the server's log. */
export const logTrouble = (cause: unknown, what?: string): void => console.error(what ? `${what}\n${troubleOf(cause)}` : troubleOf(cause));
