import { wordCount } from '../../language/words.ts';
import { messagesOf, requestTexts } from './messages.ts';
import { draftRequest, type RequestGround, askedOutline } from './request.ts';

/** A part of a brief as text: what it is called, and its words. */
export type BriefPart = { name: string; text: string; words: number };

const part = (name: string, text: string): BriefPart => ({ name, text, words: wordCount(text) });

/** The brief as one text that a person can write by, and a service too. */
export function briefAsOne(ground: RequestGround): BriefPart {
  return part(
    'The whole brief',
    messagesOf(draftRequest({ task: 'whole' }, ground))
      .map((m) => m.content)
      .join('\n\n'),
  );
}

/** The brief in steps: context, outline, then section by section. */
export function briefInSteps(ground: RequestGround): BriefPart[] {
  const outline = askedOutline(ground);
  const first = requestTexts(draftRequest({ task: 'whole' }, ground, outline));
  return [
    part('Context', `${first.rules}\n\n${first.context}`),
    ...(first.outline ? [part('Outline', first.outline)] : []),
    ...outline
      .filter((s) => s.level <= 2)
      .map((s) => {
        const { material, task } = requestTexts(draftRequest({ task: 'section', section: s.id }, ground, outline));
        return part(s.heading || 'Opening', [material, task].filter(Boolean).join('\n\n'));
      }),
  ];
}
