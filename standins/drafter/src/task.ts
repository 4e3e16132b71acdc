import type { PostNode } from '@even-page/core/post/schema';
import type { Subjects } from '@even-page/core/shape';
import type { DraftRequest } from '@even-page/core/write';

/** One task. Blocks are handed over one by one, so that the first is there before the last is made. */
export type Task = (request: DraftRequest, known: Subjects) => Iterable<PostNode | { note: string }>;
