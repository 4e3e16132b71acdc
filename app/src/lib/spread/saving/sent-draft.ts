import type { Details } from '@even-page/core/post/details';
import type { EditChange } from '@even-page/core/tidy';
import type { Step } from '$lib/steps.ts';

/** A draft as it was sent to the server: its key and the version it is based on. */
export type SentDraft = { key: string; base: number; doc: object; details: Details; step: Step; edits: EditChange[] };

/** What is not on the page and changed since the draft. */
export type Rest = Pick<SentDraft, 'details' | 'step' | 'edits'>;
