import type { Element, ElementContent } from 'hast';
import { defaultHandlers } from 'hast-util-to-mdast';
import type { PhrasingContent, Table } from 'mdast';
import type { NodeSpec } from 'prosemirror-model';
import { ID, WORDS, wordsOfDOM, wordsToDOM } from '../attributes.ts';
import type { BlockKind } from './kind.ts';

const cell = (tag: 'th' | 'td', tableRole: string): NodeSpec => ({
  content: 'inline*',
  tableRole,
  isolating: true,
  // A cell of the post never spans another; the table plugin asks for the figures all the same.
  attrs: { ...WORDS, colspan: { default: 1 }, rowspan: { default: 1 }, colwidth: { default: null } },
  parseDOM: [{ tag, getAttrs: wordsOfDOM }],
  toDOM: (node) => [tag, wordsToDOM(node), 0],
});

// A cell of a Markdown table is one line: a line break in it becomes a space.
const inCell = (content: PhrasingContent[]): PhrasingContent[] =>
  content.map((node) => (node.type === 'break' ? { type: 'text', value: ' ' } : node));

/** Rows of cells that hold words; the first row is the head. The roles are those prosemirror-tables reads. */
export const table: BlockKind = {
  spec: {
    group: 'block',
    content: 'tableRow+',
    tableRole: 'table',
    isolating: true,
    attrs: ID,
    parseDOM: [{ tag: 'table' }],
    toDOM: (node) => ['table', { 'data-id': node.attrs.id as string }, ['tbody', 0]],
  },
  parts: {
    tableRow: { content: '(tableHeader | tableCell)+', tableRole: 'row', parseDOM: [{ tag: 'tr' }], toDOM: () => ['tr', 0] },
    tableHeader: cell('th', 'header_cell'),
    tableCell: cell('td', 'cell'),
  },
  toMdast: (node, out) => ({
    type: 'table',
    children: node.children.map((row) => ({
      type: 'tableRow',
      children: row.children.map((cell) => ({ type: 'tableCell', children: inCell(out.words(cell)) })),
    })),
  }),
  fromMdast: {
    table(node: Table, read) {
      const { table, tableRow, tableHeader, tableCell } = read.nodes;
      const width = Math.max(0, ...node.children.map((row) => row.children.length));
      const rows = node.children.map((row, n) =>
        tableRow!.create(
          null,
          Array.from({ length: width }, (_, i) => {
            const cell = row.children[i];
            return (n ? tableCell! : tableHeader!).create(null, cell ? read.words(cell) : null);
          }),
        ),
      );
      // A cell holds words alone: pictures in one stand behind the table.
      return width ? [table!.create(null, rows), ...read.pictures(node)] : [];
    },
  },
  fromHast: {
    /** What a table is called stands before it. */
    table: (state, node) => {
      const isCaption = (child: ElementContent) => child.type === 'element' && child.tagName === 'caption';
      const captions = node.children.filter(isCaption) as Element[];
      const rest = { ...node, children: node.children.filter((child) => !isCaption(child)) };
      return [
        ...captions.map((caption) => ({ type: 'paragraph' as const, children: state.all(caption) as PhrasingContent[] })),
        ...[defaultHandlers.table(state, rest)].flat(),
      ];
    },
    caption: (state, node) => state.all(node),
  },
};
