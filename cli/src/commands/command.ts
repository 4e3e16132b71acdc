import type { Gathered } from '@even-page/core/gather/formats';

/** What a command is given: the material, and the options that were named. */
export type Request = Gathered & { sections: number | undefined; to: 'md' | 'html' };

/** A command: the same result as data (for --json) and as text. */
export type Command = (request: Request) => { data: unknown; text: string };
