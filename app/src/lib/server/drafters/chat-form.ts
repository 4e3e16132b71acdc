import { array, object, string } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { parseStorable } from '@even-page/core/language/storable';
import { messagesOf } from '@even-page/core/write';
import type { DrafterForm } from './form.ts';

const delta = object({
  choices: array(object({ delta: object({ content: string().nullable() }).default({}), finish_reason: string().nullable() })).default([]),
  error: object({ message: string().default('') }).default(undefined),
});
const whole = object({
  choices: array(object({ message: object({ content: string().required() }).required() }))
    .min(1)
    .required(),
});

/** The plain chat form most language servers speak: messages with roles, answers as streamed deltas. */
export const chatForm: DrafterForm = {
  label: 'Chat completions',
  path: 'chat/completions',
  body: (request, model) => ({ ...(model ? { model } : {}), messages: messagesOf(request), stream: true }),
  read({ data }) {
    if (data.trim() === '[DONE]') return { events: [], over: true };
    const { choices, error } = delta.validateSync(parseStorable(data), { stripUnknown: true });
    if (error) throw new Complaint(`The drafter said: ${error.message || 'something went wrong.'}`);
    const [choice] = choices;
    const text = choice?.delta.content;
    const cut = choice?.finish_reason === 'length' ? [{ note: 'The drafter reached its own limit of length, so this may break off.' }] : [];
    return { events: [...(text ? [{ text }] : []), ...cut] };
  },
  whole: (body) => (whole.isValidSync(body) ? [{ text: whole.cast(body).choices[0]!.message.content }] : null),
};
