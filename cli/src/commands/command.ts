import type { Gathered, Source } from '@even-page/core/gather';
import type { PageTools, PageWishes } from '@even-page/core/page';
import type { ToldBy, Tools } from '@even-page/core/tidy';

/** What a command is given: the material, and the options that were named. */
export type Request = Gathered & {
  /** Empty when the material came from standard input. */
  fileName: string;
  tools: Tools & PageTools;
  wishes: PageWishes & { person?: ToldBy };
  /** What a post is held against. */
  material: readonly Source[];
  to: 'md' | 'html';
};

/** A command: the same result as data (for --json) and as text, and whether something in it must be fixed. */
export type Command = (request: Request) => Answer | Promise<Answer>;
type Answer = { data: unknown; text: string; mustBeFixed?: boolean };
