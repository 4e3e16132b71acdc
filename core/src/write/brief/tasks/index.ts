import { check } from './check.ts';
import { ideas } from './ideas.ts';
import type { TaskName } from './names.ts';
import { outline } from './outline.ts';
import { REWRITES } from './rewrites.ts';
import { section } from './section.ts';
import type { Task } from './task.ts';
import { titles } from './titles.ts';
import { whole } from './whole.ts';

/** Everything a drafter can be asked for. */
export const TASKS = { ideas, titles, outline, section, whole, check, ...REWRITES } as const satisfies Record<TaskName, Task>;
