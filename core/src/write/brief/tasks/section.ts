import { partsOf, type AskedSection } from '../asked.ts';
import { AS_MARKDOWN, ONLY_SAID, RESTS, type Task } from './task.ts';

/** Drafts one section from the passages that feed it. */
export const section: Task = {
  label: 'Draft a section',
  needs: 'section',
  asks: (request) => {
    const [own, ...below] = partsOf(request.outline, request.section);
    const name = own?.heading ? `the section “${own.heading}”` : 'the opening, which has no heading';
    return [
      `Write ${name}, and nothing else of the post. Leave its heading out.`,
      ...(own ? wanted(own) : []),
      ...(below.length ? [`It has these parts, each with its heading: ${below.map((part) => `“${part.heading}”`).join(', ')}.`] : []),
      ...(request.before.length ? ['What was drafted before stands above: go on from it, and say nothing of it again.'] : []),
      ONLY_SAID,
      `${AS_MARKDOWN} ${RESTS}`,
    ];
  },
};

const FORM_SAYS = {
  paragraphs: () => 'paragraphs',
  list: () => 'a list',
  steps: () => 'numbered steps, one thing to do in each',
  table: ({ of }: AskedSection) => `a table${of ? ` of ${of}` : ''}`,
  quotation: () => 'a quotation, word for word, with who said it',
};

/** What is wanted of one section: what it says, its length, its form. */
export function wanted(part: AskedSection): string[] {
  return [
    ...(part.says ? [`It must say: ${part.says}`] : []),
    ...(part.words ? [`Its length is about ${part.words} words.`] : []),
    ...(part.form === 'paragraphs' ? [] : [`Write it as ${FORM_SAYS[part.form](part)}.`]),
  ];
}
