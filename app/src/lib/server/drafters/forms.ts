import { chatForm } from './chat-form.ts';
import type { DrafterForm } from './form.ts';
import { ownForm } from './own-form.ts';

/** Every way a drafter can be spoken to. */
export const FORMS = { own: ownForm, chat: chatForm } as const satisfies Record<string, DrafterForm>;
export type FormName = keyof typeof FORMS;
export const FORM_NAMES = Object.keys(FORMS) as FormName[];
