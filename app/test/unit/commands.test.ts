import { expect } from 'chai';
import { EditorState, TextSelection, type Command } from 'prosemirror-state';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { schema } from '@even-page/core/post/schema';
import { sectionsOf } from '@even-page/core/post/sections';
import {
  dropEmptyAuthor,
  insertRule,
  insertTable,
  isInside,
  leaveAuthor,
  moveBlock,
  moveSection,
  moveSectionAt,
  pullQuote,
  removeLink,
  sectionAt,
  splitInQuotation,
  toAuthor,
  toggleBox,
  toggleHeading,
  toggleList,
} from '../../src/lib/spread/page/commands.ts';

/** A page with the caret where `|` stands, or a selection between two of them. */
function page(markdown: string): EditorState {
  let n = 0;
  const doc = withIds(postFromMarkdown(markdown), () => `b${++n}`);
  const at: number[] = [];
  doc.descendants((node, pos) => {
    if (node.isText) for (const m of node.text!.matchAll(/\|/g)) at.push(pos + m.index - at.length);
  });
  let state = EditorState.create({ doc });
  for (const pos of at) state = state.apply(state.tr.delete(pos, pos + 1));
  const [from, to = from] = at;
  return state.apply(state.tr.setSelection(TextSelection.create(state.doc, from!, to)));
}

function after(state: EditorState, command: Command): EditorState {
  let next = state;
  expect(
    command(state, (tr) => (next = state.apply(tr))),
    'the command applies',
  ).to.equal(true);
  next.doc.check();
  return next;
}

const text = (state: EditorState) => postToMarkdown(state.doc).trim();

describe('commands of the page', () => {
  const THREE = 'Lead.\n\n## One\n\na|a\n\n## Two\n\nbb\n\n## Three\n\ncc';

  it('move a section down and up, with the caret in it', () => {
    const down = after(page(THREE), moveSection(1));
    expect(text(down)).to.equal('Lead.\n\n## Two\n\nbb\n\n## One\n\naa\n\n## Three\n\ncc');
    expect(down.selection.$from.parent.textContent).to.equal('aa');
    const back = after(down, moveSection(-1));
    expect(text(back)).to.equal(THREE.replace('|', ''));
    expect(back.selection.$from.parent.textContent).to.equal('aa');
  });

  it('leave the lead where it is, and stop at the ends', () => {
    const state = page(THREE);
    expect(moveSection(-1)(state)).to.equal(false);
    expect(moveSectionAt(0, 1)(state)).to.equal(false);
    expect(moveSectionAt(3, 1)(state)).to.equal(false);
    expect(moveSectionAt(9, 1)(state)).to.equal(false);
    expect(moveSectionAt(3, -1)(state)).to.equal(true);
  });

  it('keep ids and origins of what is moved', () => {
    const state = page(THREE);
    const ids = (s: EditorState) => s.doc.content.content.map((b) => b.attrs.id as string);
    expect([...ids(after(state, moveSection(1)))].sort()).to.deep.equal([...ids(state)].sort());
  });

  it('find the section that holds a position', () => {
    const sections = sectionsOf(page(THREE).doc);
    expect(sectionAt(sections, 1)).to.equal(0);
    expect(sectionAt(sections, sections[2]!.from)).to.equal(2);
    expect(sectionAt(sections, 9999)).to.equal(-1);
  });

  it('make a heading of a paragraph, and a paragraph of it again, under the same id', () => {
    const state = page('Wo|rds');
    const heading = after(state, toggleHeading(3));
    expect(text(heading)).to.equal('### Words');
    expect(heading.doc.firstChild!.attrs.id).to.equal(state.doc.firstChild!.attrs.id);
    expect(text(after(heading, toggleHeading(2)))).to.equal('## Words');
    expect(text(after(heading, toggleHeading(3)))).to.equal('Words');
  });

  it('make a list, change its kind, and take it away', () => {
    const bullets = after(page('Wo|rds'), toggleList(schema.nodes.bulletList));
    expect(text(bullets)).to.equal('- Words');
    expect(isInside(bullets, schema.nodes.bulletList)).to.equal(true);
    const numbers = after(bullets, toggleList(schema.nodes.orderedList));
    expect(text(numbers)).to.equal('1. Words');
    expect(text(after(numbers, toggleList(schema.nodes.orderedList)))).to.equal('Words');
  });

  it('make a quotation and take it away', () => {
    const quoted = after(page('Wo|rds'), toggleBox(schema.nodes.blockquote));
    expect(text(quoted)).to.equal('> Words');
    expect(text(after(quoted, toggleBox(schema.nodes.blockquote)))).to.equal('Words');
  });

  it('put a rule in', () => {
    expect(text(after(page('Words|'), insertRule))).to.match(/^Words\n\n---/);
  });

  it('take a link off the words selected, or off all of it around the caret', () => {
    expect(text(after(page('See [the sto|nes](https://larkfield.example) now'), removeLink))).to.equal('See the stones now');
    expect(text(after(page('[one](https://a.example) and [tw|o](https://b.example)'), removeLink))).to.equal(
      '[one](https://a.example) and two',
    );
  });
});

describe('commands for what stands beside the text', () => {
  it('move a block, or an item within its list, with the caret in it', () => {
    const down = after(page('One\n\nT|wo\n\nThree'), moveBlock(1));
    expect(text(down)).to.equal('One\n\nThree\n\nTwo');
    expect(down.selection.$from.parent.textContent).to.equal('Two');
    expect(moveBlock(1)(down)).to.equal(false);
    const item = after(page('- a\n- b\n- c|'), moveBlock(-1));
    expect(text(item)).to.equal('- a\n- c\n- b');
    expect(item.selection.$from.parent.textContent).to.equal('c');
    // At the edge of its list the whole list moves.
    expect(text(after(page('One\n\n- a|\n- b'), moveBlock(-1)))).to.equal('- a\n- b\n\nOne');
    expect(text(after(page('|One\n\nTwo|\n\nThree'), moveBlock(1)))).to.equal('Three\n\nOne\n\nTwo');
  });

  it('put blocks into a note box, and take them out', () => {
    const boxed = after(page('Mind the |edge.'), toggleBox(schema.nodes.note));
    expect(text(boxed)).to.equal('<aside>\n\nMind the edge.\n\n</aside>');
    expect(text(after(boxed, toggleBox(schema.nodes.note)))).to.equal('Mind the edge.');
  });

  it('set words large as a pull quote, with the marks of origin of their block', () => {
    const quoted = after(page('So |the **angle** is all|, he said.'), pullQuote);
    expect(text(quoted)).to.equal('So the **angle** is all, he said.\n\n<aside>\n\n<q>the **angle** is all</q>\n\n</aside>');
    const whole = after(page('It has |to be the same.'), pullQuote);
    expect(whole.doc.firstChild!.type.name).to.equal('pullQuote');
    expect(text(after(whole, pullQuote))).to.equal('It has to be the same.');
  });

  it('give a quotation its author, go to it, leave it, and drop it when it is empty', () => {
    const asked = after(page('> The angle |is the thing.\n\nEnd'), toAuthor);
    expect(asked.selection.$from.parent.type.name).to.equal('author');
    const named = asked.apply(asked.tr.insertText('Mira'));
    expect(text(named)).to.equal('> The angle is the thing.\n>\n> — Mira\n\nEnd');
    expect(after(named, toAuthor).doc.eq(named.doc)).to.equal(true);
    const left = after(named, leaveAuthor);
    expect(left.selection.$from.depth).to.equal(1);
    expect(left.doc.childCount).to.equal(3);
    expect(text(after(asked, dropEmptyAuthor))).to.equal('> The angle is the thing.\n\nEnd');
    expect(dropEmptyAuthor(named)).to.equal(false);
    expect(toAuthor(page('No quo|tation'))).to.equal(false);
  });

  it('go on in a quotation with another paragraph', () => {
    const split = after(page('> quoted|'), splitInQuotation);
    expect(split.doc.firstChild!.children.map((b) => b.type.name)).to.deep.equal(['paragraph', 'paragraph']);
    expect(splitInQuotation(page('plain|'))).to.equal(false);
  });

  it('put a table with a head after the block, the caret in its first cell', () => {
    const state = after(page('On|e'), insertTable);
    expect(state.doc.lastChild!.type.name).to.equal('table');
    expect(state.selection.$from.parent.type.name).to.equal('tableHeader');
  });
});
