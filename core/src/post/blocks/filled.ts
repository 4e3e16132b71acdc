import type { Node as PostNode } from 'prosemirror-model';
import type { In } from './kind.ts';

/** Blocks for a place that needs one: an empty paragraph when there is none. */
export const filled = (found: PostNode[], { nodes }: Pick<In, 'nodes'>): PostNode[] => (found.length ? found : [nodes.paragraph!.create()]);
