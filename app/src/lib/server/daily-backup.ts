import { join } from 'node:path';
import { isBackedUp } from './backups.ts';
import { environment } from './environment.ts';
import { logTrouble } from './log.ts';

const LOOK_MS = 3_600_000;
// The first look comes when the first readers have been served.
const FIRST_LOOK_MS = 60_000;

/** Makes a backup whenever the newest is older than a day. Returns what ends it. */
export function backUpDaily(backUp: () => Promise<void>): () => void {
  const look = async () => {
    if (isBackedUp(join(environment.EVEN_PAGE_DATA, 'backups'))) return;
    await backUp().catch((cause: unknown) => logTrouble(cause, 'The daily backup was not made:'));
  };
  const first = setTimeout(() => void look(), FIRST_LOOK_MS);
  const hourly = setInterval(() => void look(), LOOK_MS);
  for (const timer of [first, hourly]) timer.unref();
  return () => {
    clearTimeout(first);
    clearInterval(hourly);
  };
}
