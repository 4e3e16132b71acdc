import { terms } from '../../language/terms.ts';
import { wordCount } from '../../language/words.ts';
import { schema, type PostNode } from '../../post/schema.ts';
import type { Subjects } from '../cut/subjects.ts';
import { proposeHeadings } from '../headings.ts';
import { alone, type SaidSection } from './said-on-page.ts';

// Questions to whoever listens or reads.
const TO_YOU = /^(?:have you|has any(?:one|body)|do you have|did you ever|who (?:here )?has|what would you|which .* would you)\b/i;
const HERE_AND_NOW = /\b(?:hear|see (?:this|that|it)|ready|any questions)\b/i;
const POINTS_BACK = /\b(?:it|that|this|these|those|them)\b/i;
const LONGEST = 14;

/** A closing question: the last one on the page that is asked of the reader and stands by itself, else one about its subject. */
export function closingQuestion(sections: readonly SaidSection[], subjects: Subjects | null): PostNode[] {
  const said = sections.flatMap((s) => s.sentences);
  const asked = said.findLast(({ text }) => {
    const question = alone(text);
    return (
      /\?$/.test(question) &&
      TO_YOU.test(question) &&
      !HERE_AND_NOW.test(question) &&
      !POINTS_BACK.test(question) &&
      wordCount(question) <= LONGEST &&
      terms(question).length > 1
    );
  });
  if (asked) return [schema.node('paragraph', { origins: asked.origins }, schema.text(alone(asked.text)))];
  if (!said.length) return [];
  const [headings] = proposeHeadings([said.map((s) => s.text)], subjects);
  const subject = headings!.find((h) => !h.endsWith('?') && !/^(?:how to|part \d)/i.test(h));
  const thing = subject && subject.charAt(0).toLowerCase() + subject.slice(1);
  const about = thing ? ` with ${thing.replace(/^about /, '')}` : '';
  return [schema.node('paragraph', null, schema.text(`What is your own experience${about}?`))];
}

/** A next step: what the reader can do now, as a link. Nothing as long as no safe address is given. */
export function nextStep(words: string, address: string): PostNode[] {
  if (!words.trim() || !address) return [];
  return [schema.node('paragraph', null, schema.text(words.trim(), [schema.marks.link.create({ href: address })]))];
}

/** A sign-off: how the speaker took leave, or a plain one. */
export const signOff = (farewell: string): PostNode[] => [
  schema.node('paragraph', null, schema.text(farewell.trim() || 'Thank you for reading.')),
];
