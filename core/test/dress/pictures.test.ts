import { expect } from 'chai';
import {
  altFaults,
  colourName,
  coverWarning,
  creditLine,
  cutTo,
  fileSizes,
  LICENCES,
  licenceNamed,
  lookOf,
  MOST_APART,
  NO_RIGHTS,
  pictureWords,
  proposedFileName,
  ROLES,
  rightsStated,
  rightsWanting,
  sizeAt,
  stretchesWithoutRest,
} from '../../src/dress/index.ts';
import { withIds } from '../../src/post/ids.ts';
import { postFromMarkdown } from '../../src/post/markdown.ts';

describe('the files made of a picture', () => {
  // FACTS.md, pictures and clips: the worked size example (common practice, no source).
  it('keep its shape: 640 x 413 at a width of 375 is 242 high', () => {
    expect(sizeAt({ width: 640, height: 413 }, 375)).to.deep.equal({ width: 375, height: 242 });
  });

  it('are never larger than it is, and no two of a size', () => {
    const widths = (width: number, height: number) => fileSizes({ width, height }).map((f) => f.width);
    expect(widths(4000, 3000)).to.deep.equal([375, 750, 1200, 1600]);
    expect(widths(800, 600)).to.deep.equal([375, 750, 800]);
    expect(widths(200, 100)).to.deep.equal([200]);
    expect(widths(1, 60_000)).to.deep.equal([1]);
  });

  it('are cut to a shape around what must be seen, inside the picture', () => {
    const picture = { width: 1600, height: 900 };
    const square = { width: 100, height: 100 };
    expect(cutTo(picture, square, { x: 0.5, y: 0.5 })).to.deep.equal({ left: 350, top: 0, width: 900, height: 900 });
    expect(cutTo(picture, square, { x: 0, y: 1 })).to.include({ left: 0 });
    expect(cutTo(picture, square, { x: 1, y: 0 })).to.include({ left: 700 });
    expect(cutTo({ width: 1, height: 1 }, { width: 1200, height: 630 }, { x: 1, y: 1 })).to.deep.equal({
      left: 0,
      top: 0,
      width: 1,
      height: 1,
    });
  });

  // FACTS.md: a header picture has at least 960 x 350 pixels (common practice, no source).
  it('make a cover from 960 x 350 on', () => {
    expect(coverWarning({ width: 960, height: 350 })).to.equal('');
    for (const size of [
      { width: 959, height: 350 },
      { width: 960, height: 349 },
    ])
      expect(coverWarning(size)).to.contain('960 × 350');
  });

  it('are named in words, with the main phrase before them where it is not said', () => {
    expect(proposedFileName('A caned seat, seen from above', 'caning a chair')).to.equal('caning-a-chair-a-caned-seat-seen-from-above');
    expect(proposedFileName('Caning a chair by the window', 'caning a chair')).to.equal('caning-a-chair-by-the-window');
    expect(proposedFileName('', '')).to.equal('');
  });
});

describe('the look of a picture', () => {
  const rising = Array.from({ length: 72 }, (_, i) => (i % 9) * 20);
  const falling = rising.toReversed();
  const apart = (a: string, b: string) => (BigInt(`0x${a}`) ^ BigInt(`0x${b}`)).toString(2).replaceAll('0', '').length;

  it('is 64 bits that say where it grows darker', () => {
    expect(lookOf(rising)).to.equal('0000000000000000');
    expect(lookOf(falling)).to.equal('ffffffffffffffff');
    expect(apart(lookOf(rising), lookOf(falling))).to.equal(64);
  });

  it('changes little where the picture does', () => {
    const grainy = rising.map((grey, i) => grey + (i % 2 ? 3 : -3));
    expect(apart(lookOf(rising), lookOf(grainy))).to.be.at.most(MOST_APART);
  });

  it('has a colour by its name', () => {
    const named: [string, [number, number, number]][] = [
      ['red', [200, 30, 30]],
      ['orange', [240, 140, 20]],
      ['yellow', [240, 220, 40]],
      ['green', [40, 140, 60]],
      ['blue', [40, 80, 200]],
      ['violet', [130, 60, 200]],
      ['pink', [230, 80, 170]],
      ['brown', [110, 70, 30]],
      ['white', [250, 250, 250]],
      ['grey', [128, 128, 130]],
      ['black', [8, 8, 8]],
    ];
    for (const [name, [r, g, b]] of named) expect(colourName(r, g, b), name).to.equal(name);
  });
});

describe('an alternative text', () => {
  const described = { alt: 'Two coins under a knife', isDecorative: false, caption: '', href: '' };
  const faults = (change: Partial<typeof described>, others: string[] = []) => altFaults({ ...described, ...change }, others);

  it('that says what is seen is well', () => {
    expect(faults({})).to.deep.equal([]);
  });

  it('is held against the common mistakes', () => {
    expect(faults({ alt: '' })[0]).to.contain('Say what is seen');
    expect(faults({ alt: 'A picture of two coins' })[0]).to.contain('picture of');
    for (const alt of ['IMG_2041.jpg', 'DSC00012', 'two-coins-under-a-knife', 'coins.webp'])
      expect(faults({ alt })[0], alt).to.contain('name of a file');
    expect(faults({ alt: 'x '.repeat(80) })[0]).to.contain('characters');
    expect(faults({}, ['two coins under a knife'])[0]).to.contain('Another picture');
    expect(faults({ caption: 'Two coins under a knife' })[0]).to.contain('heard twice');
  });

  // W3C Web Accessibility Initiative, Images Tutorial, "An alt Decision Tree": where the text stays empty.
  it('is empty in the cases of the decision tree, and in no other', () => {
    const empty = Object.entries(ROLES).filter(([, role]) => role.isEmpty);
    expect(empty.map(([name]) => name)).to.deep.equal(['words-again', 'words-for-show', 'again', 'adorns']);
    expect(faults({ alt: '', isDecorative: true })).to.deep.equal([]);
    // A linked picture always says where it leads (the same tree, second question).
    expect(faults({ alt: '', isDecorative: true, href: 'https://larkfield.example' })[0]).to.contain('leads somewhere');
  });
});

describe('the rights of a picture', () => {
  it('are read from what a licence is called or where it stands', () => {
    const named: [string, keyof typeof LICENCES][] = [
      ['https://creativecommons.org/licenses/by-nc-sa/4.0/', 'cc-by-nc-sa'],
      ['CC BY-SA 3.0', 'cc-by-sa'],
      ['cc by', 'cc-by'],
      ['https://creativecommons.org/publicdomain/zero/1.0/', 'cc0'],
      ['CC0', 'cc0'],
      ['Public domain', 'public-domain'],
      ['All rights reserved', 'unknown'],
      ['', 'unknown'],
    ];
    for (const [words, licence] of named) expect(licenceNamed(words), words).to.equal(licence);
  });

  // Field names of the IPTC Photo Metadata Standard 2023.1, as IPTC-IIM, XMP and EXIF carry them.
  it('are read from IPTC, XMP and EXIF', () => {
    expect(rightsStated({ Byline: 'Ravi Osgood', CopyrightNotice: 'Ravi Osgood, CC BY 4.0', Source: 'Hall stock' })).to.deep.equal({
      licence: 'cc-by',
      credit: 'Ravi Osgood',
      source: 'Hall stock',
      holder: 'Ravi Osgood, CC BY 4.0',
    });
    expect(
      rightsStated({ creator: ['A', 'B'], rights: { lang: 'x-default', value: 'A and B' }, UsageTerms: { value: 'CC0' } }),
    ).to.deep.include({
      licence: 'cc0',
      credit: 'A, B',
      holder: 'A and B',
    });
    expect(rightsStated({ Artist: 7, Copyright: null })).to.deep.equal(NO_RIGHTS);
  });

  it('write the credit that the licence asks for, and say what is missing', () => {
    expect(creditLine({ ...NO_RIGHTS, licence: 'cc-by-sa', credit: 'Anneke Tull' })).to.equal(
      'Picture: Anneke Tull, Creative Commons Attribution-ShareAlike 4.0',
    );
    expect(creditLine({ ...NO_RIGHTS, licence: 'own', credit: 'Me' })).to.equal('');
    expect(creditLine(NO_RIGHTS)).to.equal('');
    expect(rightsWanting(NO_RIGHTS)).to.contain('Nobody knows');
    expect(rightsWanting({ ...NO_RIGHTS, licence: 'cc-by' })).to.contain('nobody is');
    expect(rightsWanting({ ...NO_RIGHTS, licence: 'own' })).to.equal('');
  });
});

describe('a page with little to look at', () => {
  let made = 0;
  const page = (markdown: string) => withIds(postFromMarkdown(markdown), () => `b${made++}`);
  const words = (n: number) => 'word '.repeat(n).trim();

  it('says where more than 350 words have nothing to rest the eye', () => {
    const doc = page(`${words(200)}\n\n## Soaking\n\n${words(160)}\n\n![A bowl](/pictures/1)\n\n${words(300)}`);
    const [only, ...more] = stretchesWithoutRest(doc);
    expect(more).to.deep.equal([]);
    expect(only).to.deep.include({ words: 361, first: doc.child(0).attrs.id, middle: doc.child(0).attrs.id });
  });

  it('is searched a picture for by the words of a section', () => {
    expect(pictureWords('Soaking the cane', 'Soak the cane in a bowl. The cane floats.', 2)).to.deep.equal(['cane', 'soaking']);
  });
});
