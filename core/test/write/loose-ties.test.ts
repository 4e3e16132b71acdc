import { expect } from 'chai';
import { schema } from '@even-page/core/post/schema';
import { looseTies } from '../../src/write/loose-ties.ts';

const SOURCE = {
  id: 's',
  source: { kind: 'text' as const, passages: [{ text: 'So you soak the cane in warm water for about twenty minutes until it bends.' }] },
};
const tied = (text: string, source = 's') =>
  schema.node('doc', null, schema.node('paragraph', { id: 'p', origins: [{ source, first: 0, last: 0 }] }, schema.text(text)));
const loose = (text: string, source?: string) => looseTies(tied(text, source), [SOURCE]);

describe('an origin mark', () => {
  it('holds while the paragraph still says what was said, in fewer or in other words', () => {
    expect(loose('Soak the cane in warm water for twenty minutes.')).to.deep.equal([]);
    expect(loose('Twenty minutes of soaking in a warm bath make any cane soft enough, and it bends.')).to.deep.equal([]);
  });

  it('may no longer hold when the paragraph became another', () => {
    expect(loose('The hall opens on Saturday mornings, and volunteers bring cake for everybody.')).to.deep.equal(['p']);
    expect(loose('Soak the cane in warm water for half a day, then bend it over the frame.', 'gone')).to.deep.equal(['p']);
  });

  it('is not judged by a few words', () => {
    expect(loose('See the picture.')).to.deep.equal([]);
  });
});
