import type { Gathered } from '@even-page/core/gather/formats';
import type { Subjects } from '@even-page/core/shape/cut/subjects';
import type { Tools } from '@even-page/core/tidy/finders';

/** What a command is given: the material, and the options that were named. */
export type Request = Gathered & { tools: Tools & { subjects: Subjects }; sections: number | undefined; to: 'md' | 'html' };

/** A command: the same result as data (for --json) and as text. */
export type Command = (request: Request) => { data: unknown; text: string };
