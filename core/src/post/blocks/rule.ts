import { ID } from '../attributes.ts';
import type { BlockKind } from './kind.ts';

export const rule: BlockKind = {
  spec: { group: 'block', attrs: ID, parseDOM: [{ tag: 'hr' }], toDOM: () => ['hr'] },
  toMdast: () => ({ type: 'thematicBreak' }),
  fromMdast: { thematicBreak: (_: never, read) => [read.nodes.rule!.create()] },
};
