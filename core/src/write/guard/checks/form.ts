import type { GuardCheck } from '../finding.ts';

const NODES = { list: 'bulletList', steps: 'orderedList', table: 'table', quotation: 'blockquote' } as const;
const CALLED = { list: 'a list', steps: 'numbered steps', table: 'a table', quotation: 'a quotation' } as const;

/** Whether the form asked for is there. */
export const form: GuardCheck = ({ doc, asked }) => {
  if (asked.form === 'paragraphs') return [];
  const wanted = asked.form;
  const isThere = doc.children.some(
    ({ type: { name } }) =>
      name === NODES[wanted] || (wanted === 'list' && name === 'orderedList') || (wanted === 'quotation' && name === 'pullQuote'),
  );
  if (isThere) return [];
  return [
    {
      check: 'form',
      gravity: 'look',
      block: null,
      from: 0,
      to: 0,
      says: `Asked for was ${CALLED[wanted]}`,
      hint: 'It came in another form.',
    },
  ];
};
