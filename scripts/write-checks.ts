// Writes docs/checks.md from the checks there are. Run: npx tsx scripts/write-checks.ts
import { writeFileSync } from 'node:fs';
import { checksTable } from './checks-table.ts';

writeFileSync(new URL('../docs/checks.md', import.meta.url), checksTable());
