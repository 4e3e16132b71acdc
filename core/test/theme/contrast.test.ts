import { expect } from 'chai';
import { colourOf, contrast, neededContrast, over } from '@even-page/core/theme';

const WHITE = colourOf('rgb(255, 255, 255)')!;

describe('contrast of colours', () => {
  // Source: W3C, "Understanding WCAG 2.2", success criterion 1.4.3 and technique G18: #777777 on white is 4.48, #767676 is 4.54.
  it('is that of the examples of WCAG', () => {
    expect(contrast(colourOf('rgb(119, 119, 119)')!, WHITE)).to.be.closeTo(4.48, 0.005);
    expect(contrast(colourOf('#777777')!, colourOf('#FFFFFF')!)).to.be.closeTo(4.48, 0.005);
    expect(contrast(colourOf('rgb(118, 118, 118)')!, WHITE)).to.be.closeTo(4.54, 0.005);
    expect(contrast(colourOf('rgb(0, 0, 0)')!, WHITE)).to.equal(21);
    expect(contrast(WHITE, WHITE)).to.equal(1);
  });

  it('is the same whichever of the two is the ground', () => {
    const blue = colourOf('rgb(0, 0, 255)')!;
    expect(contrast(blue, WHITE)).to.equal(contrast(WHITE, blue));
    // Source: relative luminance of pure blue is its weight in WCAG 2.2, 0.0722.
    expect(contrast(blue, WHITE)).to.be.closeTo(1.05 / (0.0722 + 0.05), 1e-9);
  });

  it('counts what shows through a colour that covers only in part', () => {
    const veil = colourOf('rgba(0, 0, 0, 0.5)')!;
    expect(over(veil, WHITE)).to.deep.equal({ red: 127.5, green: 127.5, blue: 127.5, alpha: 1 });
    expect(contrast(veil, WHITE)).to.be.closeTo(3.97, 0.03);
    expect(colourOf('rgb(1 2 3 / 25%)')).to.deep.equal({ red: 1, green: 2, blue: 3, alpha: 0.25 });
    expect(colourOf('color(display-p3 1 0 0)')).to.equal(null);
  });

  it('may be less where letters are large', () => {
    expect(neededContrast(16, 400)).to.equal(4.5);
    expect(neededContrast(24, 400)).to.equal(3);
    expect(neededContrast(19, 700)).to.equal(3);
    expect(neededContrast(19, 400)).to.equal(4.5);
  });
});
