import { wanted } from './section.ts';
import { AS_MARKDOWN, ONLY_SAID, RESTS, type Task } from './task.ts';

/** Drafts the whole post, section after section. */
export const whole: Task = {
  label: 'Draft the whole post',
  needs: 'all',
  asks: ({ outline, brief: { words } }) => [
    `Write the post${words ? `, about ${words} words` : ''}, with the headings of the outline in its order, as second-level headings and below.`,
    ...outline.flatMap((part) => {
      const asked = wanted(part);
      return asked.length ? [`“${part.heading || 'Opening'}”: ${asked.join(' ')}`] : [];
    }),
    ONLY_SAID,
    `${AS_MARKDOWN} ${RESTS}`,
  ],
};
