import { expect } from 'chai';
import { brush, coverSvg, cutOut, fitted, PALETTES, readable, TEMPLATES } from '../../src/dress/index.ts';
import { colourOf, contrast } from '@even-page/core/theme';
import type { CoverDesign } from '../../src/post/cover-design.ts';

// As wide as the letters of a serif are on the whole.
const measure = (words: string, size: number, weight: number) => words.length * size * (weight > 500 ? 0.54 : 0.5);

const TITLES = [
  'Caning',
  'Sharpening a kitchen knife without fear',
  'Donaudampfschifffahrtsgesellschaftskapitänsmützenabzeichen',
  'x'.repeat(300),
  'word '.repeat(60).trim(),
  '<script>alert(1)</script> & "quotes"',
  '',
];

describe('words set in a place', () => {
  const box = { width: 500, height: 300, weight: 640, leading: 1.12, most: 90 };

  for (const title of TITLES) {
    it(`never stand outside: ${title.slice(0, 24) || 'no words'}`, () => {
      const { size, lines } = fitted(title, box, measure);
      for (const line of lines) expect(measure(line, size, 640), line).to.be.at.most(500);
      expect(lines.length * size * 1.12).to.be.at.most(300);
      expect(size).to.be.at.most(90);
    });
  }

  it('are as large as they can be', () => {
    const { size, lines } = fitted('Caning a chair', box, measure);
    expect(size).to.equal(90);
    const longer = fitted('Sharpening a kitchen knife without any fear of the blade', box, measure);
    expect(longer.size).to.be.lessThan(90);
    expect(lines.join(' ')).to.equal('Caning a chair');
  });
});

describe('a cover', () => {
  const design = (change: Partial<CoverDesign>): CoverDesign => ({
    ...{ template: 'leaf', size: 'cover', title: 'Caning: the first steps', byline: 'The hall', pictures: [], colours: PALETTES.Paper! },
    ...change,
  });
  const picture = { address: 'data:image/png;base64,AAAA', width: 1200, height: 800, focus: { x: 0.2, y: 0.5 }, isCutOut: false };

  it('can be made from eight templates or more', () => {
    expect(Object.keys(TEMPLATES).length).to.be.at.least(8);
  });

  for (const template of Object.keys(TEMPLATES)) {
    it(`from ${template} holds all its words in any shape, with and without pictures`, () => {
      for (const size of ['cover', 'square', 'tall'] as const)
        for (const title of TITLES)
          for (const pictures of [[], [picture], [picture, { ...picture, isCutOut: true }]]) {
            const svg = coverSvg(design({ template, size, title }), pictures, measure);
            const [width, height] = /viewBox="0 0 (\d+) (\d+)"/.exec(svg)!.slice(1).map(Number) as [number, number];
            expect(svg).to.not.contain('<script');
            for (const [, x, y, fontSize, anchor, words] of svg.matchAll(
              /<text x="([\d.]+)" y="([\d.]+)"[^>]*font-weight="640" font-size="(\d+)"[^>]*?( text-anchor="middle")?>([^<]*)</g,
            )) {
              const wide = measure(words!.replace(/&\w+;/g, '&'), Number(fontSize), 640);
              const left = Number(x) - (anchor ? wide / 2 : 0);
              expect(left, words).to.be.at.least(0);
              expect(left + wide, words).to.be.at.most(width);
              expect(Number(y), words).to.be.within(0, height);
            }
          }
    });
  }

  it('can be read: another ink where the contrast is too low', () => {
    const contrastOf = (ink: string, ground: string) => contrast(colourOf(ink)!, colourOf(ground)!);
    for (const colours of Object.values(PALETTES)) expect(readable(colours)).to.deep.equal(colours);
    expect(contrastOf(readable({ ground: '#888888', ink: '#999999', accent: '#000000' }).ink, '#888888')).to.be.at.least(4.5);
  });
});

describe('a cut-out', () => {
  // A dark disc on a light ground that is not quite even.
  const [width, height] = [60, 60];
  const isDisc = (x: number, y: number) => (x - 30) ** 2 + (y - 30) ** 2 < 15 ** 2;
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      data.set(isDisc(x, y) ? [40, 50, 60, 255] : [225 + (x % 5), 225, 220 + (y % 5), 255], (y * width + x) * 4);

  it('takes a plain background away and leaves what stands before it', () => {
    const stays = cutOut({ width, height, data }, 10);
    expect(stays[0]).to.equal(0);
    expect(stays[30 * width + 30]).to.equal(255);
    expect(stays.filter((alpha) => alpha > 127).length / (Math.PI * 15 ** 2)).to.be.closeTo(1, 0.1);
  });

  it('keeps what is of the colour of the ground but is not reached from the edge', () => {
    const own = data.slice();
    own.set([226, 225, 221, 255], (30 * width + 30) * 4);
    expect(cutOut({ width, height, data: own }, 10)[30 * width + 30]).to.equal(255);
  });

  it('leaves a picture that is cut out already as it is', () => {
    const own = data.slice();
    for (let i = 0; i < own.length / 8; i++) own[i * 4 + 3] = 0;
    const stays = cutOut({ width, height, data: own }, 10);
    expect(stays[0]).to.equal(0);
    expect(stays.at(-1)).to.equal(255);
  });

  it('is mended with a brush, both ways', () => {
    const stays = cutOut({ width, height, data }, 10);
    brush(stays, width, height, { x: 30, y: 30, radius: 4, stays: 0 });
    expect(stays[30 * width + 30]).to.equal(0);
    brush(stays, width, height, { x: 30, y: 30, radius: 4, stays: 255 });
    expect(stays[30 * width + 30]).to.equal(255);
    brush(stays, width, height, { x: -5, y: 500, radius: 9, stays: 255 });
  });
});
