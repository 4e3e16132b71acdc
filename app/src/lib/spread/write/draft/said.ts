import type { TaskName } from '@even-page/core/write';

/** What a task is called on a button and in the list of rounds. */
export const TASK_SAYS: Readonly<Record<TaskName, string>> = {
  ideas: 'Ideas',
  titles: 'Titles',
  outline: 'Outline',
  section: 'Draft',
  whole: 'Whole post',
  check: 'Check',
  shorter: 'Shorter',
  longer: 'Longer',
  simpler: 'Simpler',
  voice: 'Another voice',
  list: 'As a list',
  steps: 'As steps',
  table: 'As a table',
  join: 'Join',
  introduction: 'Introduction',
  conclusion: 'Conclusion',
  questions: 'Questions',
  own: 'As asked',
};
