import type { Check, Found } from '../check.ts';
import { plainText } from '../../post/sections.ts';

export const tableHead: Check = {
  name: 'table head',
  kind: 'everyone',
  gravity: 'look',
  why: 'The first row names the columns: whoever hears the table is told the name with every cell.',
  source: 'WCAG 2.2, 1.3.1',
  run({ doc }) {
    const found: Found[] = [];
    doc.descendants((node) => {
      if (node.type.name !== 'table') return !node.isTextblock;
      const empty = node.firstChild!.children.filter((cell) => !plainText(cell).trim()).length;
      // The corner of a table with names on both sides stays empty.
      if (empty > (node.firstChild!.firstChild && !plainText(node.firstChild!.firstChild).trim() ? 1 : 0))
        found.push({
          place: { block: node.attrs.id as string },
          says: 'A column of a table has no name',
          hint: 'Name every column in the first row.',
        });
      return false;
    });
    return found;
  },
};
