// Lists the backups of a data folder, or brings one back. Run: npm run restore [-- NAME|newest [--as-it-was]]
import { join } from 'node:path';
import { Complaint } from '@even-page/core/complaint';
import { listBackups } from '../app/src/lib/server/backups.ts';
import { reachOf, restore } from '../app/src/lib/server/restore.ts';

const data = process.env.EVEN_PAGE_DATA ?? 'app/data';
const [name, ...options] = process.argv.slice(2);
process.umask(0o077);
const backups = listBackups(join(data, 'backups'));

if (!backups.length) {
  console.error(`There is no backup in ${join(data, 'backups')}. Another data folder is named with EVEN_PAGE_DATA.`);
  process.exitCode = 2;
} else if (!name) {
  console.log(`Backups in ${join(data, 'backups')}, newest first (times in UTC):\n`);
  for (const backup of backups) console.log(`  ${backup.padEnd(40)}${reachOf(data, backup)}`);
  console.log(`
npm run restore -- NAME               brings one back, and every save since from the journal where it reaches back so far
npm run restore -- NAME --as-it-was   brings one back and leaves the saves made since aside
npm run restore -- newest             the newest
Stop Even Page first. What stands now is set aside, not removed.`);
} else {
  try {
    const asItWas = options.includes('--as-it-was');
    const chosen = name === 'newest' ? backups[0]! : name;
    const aside = await restore(data, chosen, { asItWas });
    console.log(`${chosen} is back${asItWas ? ' as it was' : '; the saves made since come back from the journal at the next start'}.`);
    for (const folder of aside) console.log(`What stood there before is in ${folder}.`);
  } catch (cause) {
    if (!(cause instanceof Complaint)) throw cause;
    console.error(cause.message);
    process.exitCode = 2;
  }
}
