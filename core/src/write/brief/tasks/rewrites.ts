import type { DraftRequest } from '../asked.ts';
import { AS_MARKDOWN, ONLY_SAID, RESTS, type Task } from './task.ts';

const rewrite = (label: string, asks: (request: DraftRequest) => string, needs: Task['needs'] = 'section'): Task => ({
  label,
  needs,
  isRewrite: true,
  asks: (request) => [
    asks(request),
    'Keep every link, with the words it is on. Keep what is said; leave the headings out that are not in the text.',
    ONLY_SAID,
    `${AS_MARKDOWN} ${RESTS}`,
  ],
});

/** Rewrites words of the page. */
export const REWRITES = {
  shorter: rewrite('Shorter', ({ wish }) => `Write this text shorter, ${wish || 'about two thirds of its words'}.`),
  longer: rewrite('Longer', ({ wish }) => `Write this text longer, with more of what the passages say of it${wish ? `: ${wish}` : ''}.`),
  simpler: rewrite(
    'Simpler',
    ({ brief }) => `Write this text in plainer words and shorter sentences, for reading grade ${brief.grade ?? 8}.`,
  ),
  voice: rewrite('Another voice', ({ wish }) => `Write this text in another voice: ${wish || 'as the brief has it'}.`),
  list: rewrite('As a list', () => 'Write this text as a list, with a line that leads in.'),
  steps: rewrite('As steps', () => 'Write this text as numbered steps, one thing to do in each, in the order they are done.'),
  table: rewrite('As a table', ({ wish }) => `Write this text as a table${wish ? ` of ${wish}` : ''}, one thing a row.`),
  join: rewrite('Joined', () => 'Join these paragraphs into one that reads on, and says nothing twice.'),
  introduction: rewrite('Introduction', () => 'Write an introduction for this text: two or three sentences on what it gives whom.'),
  conclusion: rewrite('Conclusion', () => 'Write a conclusion for this text: what matters most in it, in two or three sentences.'),
  questions: rewrite(
    'Questions and answers',
    () => 'Write questions and answers from this text: each question as a third-level heading, its answer below.',
    'all',
  ),
  own: rewrite('As asked', ({ wish }) => wish),
} as const satisfies Record<string, Task>;
