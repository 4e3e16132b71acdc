/** Everything a drafter can be asked for, by name. */
export const TASK_NAMES = [
  'ideas',
  'titles',
  'outline',
  'section',
  'whole',
  'check',
  'shorter',
  'longer',
  'simpler',
  'voice',
  'list',
  'steps',
  'table',
  'join',
  'introduction',
  'conclusion',
  'questions',
  'own',
] as const;
export type TaskName = (typeof TASK_NAMES)[number];
