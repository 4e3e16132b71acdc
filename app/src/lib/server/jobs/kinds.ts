import { dailyBackup } from './daily-backup.ts';
import { forgetEnded } from './forget-ended.ts';
import type { JobKind } from './job.ts';
import { transcribe } from './transcribe.ts';

/** Every kind of job. A new one is a file beside this one and a line here. */
export const JOB_KINDS: readonly JobKind[] = [transcribe, dailyBackup, forgetEnded] as JobKind[];
