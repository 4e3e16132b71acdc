import { proposeTitles } from '@even-page/core/page';
import type { Task } from '../task.ts';
import { askedAbout, listOf, withoutDoubles } from './asked-about.ts';
import { materialOf } from './outline.ts';

const WANTED = 5;
const MOST_LETTERS = 60;

/** Titles: of what the material names again and again, then of what readers ask about the subject. */
export const titles: Task = function* (request, known) {
  const { text, brief } = request;
  const subject = brief.phrase || text || brief.subject || '';
  const said = materialOf(request).flatMap((m) =>
    m.paragraphs.flatMap((p) => p.sentences.map((s) => ({ said: s.text, text: s.text, worth: 2 }))),
  );
  const found = [...(text ? [] : proposeTitles(said, known)), ...(subject ? askedAbout(subject) : [])];
  const fit = withoutDoubles(
    found.filter((title) => title.length <= MOST_LETTERS),
    request.written,
    subject,
  ).slice(0, WANTED);
  if (fit.length) yield listOf(fit);
  else yield { note: 'There is neither a subject nor material to make titles of.' };
};
