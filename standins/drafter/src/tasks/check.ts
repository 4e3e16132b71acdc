import { sentences } from '@even-page/core/language/sentences';
import { schema } from '@even-page/core/post/schema';
import { doubtsOf, knownFacts, readAnswer } from '@even-page/core/write';
import { saidIn } from '../forms.ts';
import { passagesOf } from '../page-of.ts';
import type { Task } from '../task.ts';
import { listOf } from './asked-about.ts';
import { materialOf } from './outline.ts';

/** Holds a text against the passages. */
export const check: Task = function* (request) {
  const known = knownFacts(materialOf(request));
  const said = saidIn(readAnswer(request.text, passagesOf(request)).doc.children).flatMap(({ text }) => sentences(text).map((s) => s.text));
  const found = said.flatMap((text) => {
    const doubts = doubtsOf({ text, rests: [] }, known);
    return doubts.length ? [`${text} Not in the passages: ${doubts.map((d) => `“${d.says}”`).join(', ')}.`] : [];
  });
  yield found.length ? listOf(found) : schema.node('paragraph', null, schema.text('All of it is borne out by the passages.'));
};
