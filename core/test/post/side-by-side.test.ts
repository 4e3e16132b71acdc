import { expect } from 'chai';
import { sideBySide } from '@even-page/core/post/side-by-side';

const shown = (stretches: { text: string; own: boolean }[]) => stretches.map((s) => (s.own ? `[${s.text}]` : s.text)).join('');

describe('two texts side by side', () => {
  it('have what differs marked on each side', () => {
    const { mine, theirs } = sideBySide('Keep the stone wet.', 'Keep the stone flat.');
    expect(shown(mine)).to.equal('Keep the stone [wet].');
    expect(shown(theirs)).to.equal('Keep the stone [flat].');
  });

  it('show a few words around a difference, not all that is alike', () => {
    const long = Array.from({ length: 60 }, (_, i) => `w${i}`).join(' ');
    const { mine } = sideBySide(`${long} here ${long}`, `${long} there ${long}`);
    expect(shown(mine)).to.equal('… w54 w55 w56 w57 w58 w59 [here] w0 w1 w2 w3 w4 w5 …');
  });

  it('are whole where they are short or have nothing alike', () => {
    expect(shown(sideBySide('One.', 'Two words.').mine)).to.equal('[One].');
    expect(shown(sideBySide('', 'New.').theirs)).to.equal('[New.]');
  });
});
