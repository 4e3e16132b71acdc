import type { Task } from '../task.ts';
import { askedAbout, listOf, withoutDoubles } from './asked-about.ts';
import { outlined } from './outline.ts';

const WANTED = 10;
const OF_MATERIAL = 3;

/** Ideas: what readers ask about a subject, and what the material speaks of, without what is written already. */
export const ideas: Task = function* (request, known) {
  const subject = (request.text || request.brief.subject || '').trim();
  const headings = request.passages.length ? outlined(request, known).flatMap((part) => (part.heading ? [part.heading] : [])) : [];
  const found = [...headings.slice(0, OF_MATERIAL), ...(subject ? askedAbout(subject) : [])];
  const fit = withoutDoubles(found, request.written, subject).slice(0, WANTED);
  if (fit.length) yield listOf(fit);
  else yield { note: 'Say a subject, in a word or two.' };
};
