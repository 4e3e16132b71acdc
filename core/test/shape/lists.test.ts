import { expect } from 'chai';
import { postFromMarkdown, postToMarkdown } from '@even-page/core/post/markdown';
import { schema } from '@even-page/core/post/schema';
import { hiddenLists, withList } from '../../src/shape/lists.ts';

const lists = (markdown: string) => hiddenLists(postFromMarkdown(markdown));

describe('lists hidden in speech', () => {
  it('are things counted off, with the lead-in and what goes with each', () => {
    const page = postFromMarkdown(
      'People get three things wrong. The first thing is the angle. It is always too steep. The second thing is the pressure.\n\nAnd the last one is the stone. It rained.\n\nMore.',
    );
    const [list, ...rest] = hiddenLists(page);
    expect(rest).to.deep.equal([]);
    expect(list).to.deep.include({ kind: 'counted', lead: 'People get three things wrong.', forms: ['numbers', 'bullets'] });
    expect(list!.items).to.deep.equal([
      'The first thing is the angle. It is always too steep.',
      'The second thing is the pressure.',
      'The last one is the stone. It rained.',
    ]);
    expect(postToMarkdown(withList(page, list!, 'numbers'))).to.equal(
      'People get three things wrong.\n\n1. The first thing is the angle. It is always too steep.\n2. The second thing is the pressure.\n3. The last one is the stone. It rained.\n\nMore.\n',
    );
  });

  it('are steps in the imperative', () => {
    const page = postFromMarkdown(
      'It is easy. Take the plug out. Then undo the two screws. And pull the flex through. That is all. Thank you.',
    );
    const [list] = hiddenLists(page);
    expect(list).to.deep.include({
      kind: 'steps',
      lead: 'It is easy.',
      items: ['Take the plug out.', 'Undo the two screws.', 'Pull the flex through.'],
    });
    expect(postToMarkdown(withList(page, list!, 'bullets'))).to.equal(
      'It is easy.\n\n- Take the plug out.\n- Undo the two screws.\n- Pull the flex through.\n\nThat is all. Thank you.\n',
    );
  });

  it('are statements made alike, as bullets or as a table', () => {
    const [same] = lists('Never sharpen glass. Never sharpen a file. Never sharpen what you cannot hold. It hurts.');
    expect(same).to.deep.include({ kind: 'alike', forms: ['bullets', 'numbers'] });
    const page = postFromMarkdown('There are wires. Brown is live. Blue is neutral. Green and yellow is earth. Mind them.');
    const [table] = hiddenLists(page);
    expect(table!.forms[0]).to.equal('table');
    expect(postToMarkdown(withList(page, table!, 'table'))).to.match(
      /\| What +\| Is +\|\n[| -]+\n\| Brown +\| live +\|\n\| Blue +\| neutral +\|\n\| Green and yellow +\| earth +\|\n\nMind them/,
    );
  });

  it('are not two things, not a story, not long sentences', () => {
    expect(lists('First we went home. Second, it rained.')).to.deep.equal([]);
    expect(lists('We took the plug out. We undid the screws. We went home. It was late. I was tired. I was cold.')).to.deep.equal([]);
    expect(lists('- Take it.\n- Turn it.\n- Leave it.')).to.deep.equal([]);
    expect(lists('Is it dry? Is it warm? Is it late?')).to.deep.equal([]);
  });

  it('keep what stands bold or linked in them', () => {
    const page = postFromMarkdown(
      'Mind **this**. Take the **plug** out. Then undo [both screws](https://larkfield.example). And pull it. So *there*.',
    );
    expect(postToMarkdown(withList(page, hiddenLists(page)[0]!, 'numbers'))).to.equal(
      'Mind **this**.\n\n1. Take the **plug** out.\n2. Undo [both screws](https://larkfield.example).\n3. Pull it.\n\nSo *there*.\n',
    );
  });

  it('keep the ties of their paragraph', () => {
    const origins = [{ source: 's', first: 1, last: 2 }];
    const page = schema.node('doc', null, [
      schema.node('paragraph', { origins }, schema.text('Listen. Take it out. Turn it round. Leave it there. Done, I say.')),
    ]);
    const doc = withList(page, hiddenLists(page)[0]!, 'numbers');
    doc.check();
    const found: unknown[] = [];
    doc.descendants((node) => void (node.isTextblock && found.push(node.attrs.origins)));
    expect(found).to.deep.equal([origins, origins, origins, origins, origins]);
  });
});
