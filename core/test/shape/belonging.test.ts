import { expect } from 'chai';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { belonging } from '../../src/shape/belonging.ts';

const found = (markdown: string) => {
  let n = 0;
  return belonging(
    withIds(postFromMarkdown(markdown), () => `b${++n}`),
    null,
  ).map((b) => `${b.section.heading} < ${b.under.heading}`);
};
const SECTIONS = (second: string, deeper = '') => `## Soak the stone

A coarse stone drinks water for ten minutes.

## ${second}

It is dry by the morning when it lies on a rack.
${deeper}
## Sharpen a bread knife

Pull each tooth along the rod, seven strokes.

## Tea at the back

Biscuits stand beside the kettle on Tuesdays.
`;

describe('sections that belong under the one before', () => {
  it('share their object with it', () => {
    expect(found(SECTIONS('Dry the stone on a rack'))).to.deep.equal(['Dry the stone on a rack < Soak the stone']);
  });

  it('do not for a deed they share, nor for a word that many headings have', () => {
    expect(found(SECTIONS('Soak a new handle'))).to.deep.equal([]);
    expect(found(SECTIONS('Dry the stone').replace('Tea at the back', 'Buy another stone'))).to.deep.equal([]);
  });

  it('are much more alike than other neighbours', () => {
    const same = 'The wick of the lamp turns black when the oil is old, and the wick smokes.';
    expect(
      found(
        SECTIONS('Old oil')
          .replace('A coarse stone drinks water for ten minutes.', same)
          .replace(/It is dry.*/, same),
      ),
    ).to.deep.equal(['Old oil < Soak the stone']);
  });

  it('are left where they are when they have parts of their own, or when there are few', () => {
    expect(found(SECTIONS('Dry the stone', '\n### On a rack\n\nAir comes from below.\n'))).to.deep.equal([]);
    expect(found('## Soak the stone\n\nWater.\n\n## Dry the stone\n\nAir.')).to.deep.equal([]);
  });
});
