import { outlineOf } from '../../post/sections.ts';
import { type Check, PRACTICE } from '../check.ts';

export const emptySection: Check = {
  name: 'section without text',
  kind: 'whole',
  gravity: 'must',
  why: 'A heading with nothing below it looks forgotten.',
  source: PRACTICE,
  run({ doc }) {
    const parts = outlineOf(doc);
    return parts.flatMap((part, i) => {
      const isHeld = part.id === 'lead' || !part.heading || part.words > 0;
      const hasBlocks = part.to > part.from + (doc.nodeAt(part.from)?.nodeSize ?? 0);
      const leads = (parts[i + 1]?.level ?? 0) > part.level;
      if (isHeld || leads || (hasBlocks && holdsSomething(part.from, part.to))) return [];
      return [
        {
          place: { block: part.id },
          says: `Nothing stands under “${part.heading}”`,
          hint: 'Write what it promises, or take the heading out.',
        },
      ];
    });

    // A picture, a clip or code is something too.
    function holdsSomething(from: number, to: number): boolean {
      let holds = false;
      doc.nodesBetween(from, to, (node) => {
        holds ||=
          node.isBlock && node.type.name !== 'heading' && node.type.name !== 'rule' && (node.isLeaf || node.type.name === 'codeBlock');
        return !holds;
      });
      return holds;
    }
  },
};
