import { expect } from 'chai';
import { flesch } from 'flesch';
import { fleschKincaid } from 'flesch-kincaid';
import { readFileSync } from 'node:fs';
import { readability } from '@even-page/core/language/readability';
import { sentences } from '@even-page/core/language/sentences';
import { slugOf } from '@even-page/core/language/slug';
import { isContentWord, terms } from '@even-page/core/language/terms';
import { readTime, showTime } from '@even-page/core/language/times';
import { wordCount, words } from '@even-page/core/language/words';

describe('words', () => {
  it('keeps apostrophes, hyphens and figures inside one word', () => {
    expect(words("It's well-made, 1,200 of them.").map((w) => w.text)).to.deep.equal(["It's", 'well-made', '1,200', 'of', 'them']);
  });

  it('counts words in scripts with accents', () => {
    expect(wordCount('Größe çok naïve — «mot»')).to.equal(4);
  });

  it('says where each word stands', () => {
    const text = 'Two coins, please';
    for (const w of words(text)) expect(text.slice(w.from, w.to)).to.equal(w.text);
  });
});

describe('sentences', () => {
  const cut = (text: string) => sentences(text).map((s) => s.text);

  it('cuts at end marks before a capital', () => {
    expect(cut('One stone. Two coins? Yes! Go on.')).to.deep.equal(['One stone.', 'Two coins?', 'Yes!', 'Go on.']);
  });

  it('does not cut after an abbreviation, an initial or inside a figure', () => {
    expect(cut('Mr. Ansty paid 3.50 to J. Fenwick. It was enough.')).to.have.length(2);
  });

  it('keeps closing quotes with their sentence', () => {
    expect(cut('“Mind the cable.” She laughed.')).to.deep.equal(['“Mind the cable.”', 'She laughed.']);
  });

  it('ends a sentence at a blank line even without a mark', () => {
    expect(cut('A heading\n\nThe text below.')).to.deep.equal(['A heading', 'The text below.']);
  });

  it('gives offsets into the text', () => {
    const text = '  First one. \n\n Second one.';
    for (const s of sentences(text)) expect(text.slice(s.from, s.to)).to.equal(s.text);
  });
});

describe('terms', () => {
  it('leaves out function words and figures and stems the rest', () => {
    expect(terms('The stones were sharpened 12 times by sharpening')).to.deep.equal(['stone', 'sharpen', 'time', 'sharpen']);
  });

  it('tells a content word from padding', () => {
    expect(isContentWord('basically')).to.equal(false);
    expect(isContentWord('It’s')).to.equal(false);
    expect(isContentWord('whetstone')).to.equal(true);
  });
});

describe('readability', () => {
  // Flesch (1948) and Kincaid et al. (1975) give the formulas; counts of this sentence made by hand:
  // 6 words, 1 sentence, 6 syllables.
  it('follows the published formulas', () => {
    const r = readability('The cat sat on the mat.');
    expect([r.words, r.sentences, r.syllables]).to.deep.equal([6, 1, 6]);
    expect(r.ease).to.be.closeTo(206.835 - 1.015 * 6 - 84.6, 1e-9);
    expect(r.grade).to.be.closeTo(0.39 * 6 + 11.8 - 15.59, 1e-9);
  });

  // Reference: the packages `flesch` and `flesch-kincaid`, on the demo's own texts.
  it('agrees with a reference library on whole texts', () => {
    for (const name of ['mending-log.md', 'chair-caning.md', 'autumn-mending-day.md', 'draught-proofing.txt']) {
      const text = readFileSync(new URL(`../../../demo/material/${name}`, import.meta.url), 'utf8');
      const { words: word, sentences: sentence, syllables: syllable, ease, grade } = readability(text);
      expect(ease!, name).to.be.closeTo(flesch({ word, sentence, syllable }), 1e-9);
      expect(grade!, name).to.be.closeTo(fleschKincaid({ word, sentence, syllable }), 1e-9);
    }
  });

  it('has no figures for a text without words', () => {
    expect(readability(' … ')).to.include({ words: 0, ease: null, grade: null });
  });

  it('finds long words in long sentences harder', () => {
    const plain = readability('We mend lamps. You can watch. Tea is free.');
    const hard = readability(
      'Notwithstanding considerable organisational complications, participating volunteers demonstrate extraordinary dexterity.',
    );
    expect(plain.ease!).to.be.greaterThan(hard.ease!);
    expect(plain.grade!).to.be.lessThan(hard.grade!);
  });
});

describe('slug', () => {
  it('is lower-case words with dashes, without accents or apostrophes', () => {
    expect(slugOf("Crème brûlée: the hall's “best” recipe")).to.equal('creme-brulee-the-halls-best-recipe');
  });

  it('never cuts a word', () => {
    const title = 'Sharpening a kitchen knife on a wet stone without fear or hurry at all';
    const slug = slugOf(title, 40);
    expect(slug.length).to.be.at.most(40);
    expect(slugOf(title, 200).startsWith(`${slug}-`)).to.equal(true);
  });

  it('keeps a single long word whole', () => {
    expect(slugOf('Donaudampfschifffahrt', 8)).to.equal('donaudampfschifffahrt');
  });

  it('is empty when a title has no letters', () => {
    expect(slugOf('!!! —')).to.equal('');
  });
});

describe('times', () => {
  it('reads the marks people and programs write', () => {
    expect(readTime('1:02')).to.equal(62_000);
    expect(readTime('00:01:02,500')).to.equal(62_500);
    expect(readTime('00:01:02.5')).to.equal(62_500);
    expect(readTime('75:10')).to.equal(4_510_000);
    expect(readTime('1:75')).to.equal(null);
    expect(readTime('noon')).to.equal(null);
  });

  it('shows them short', () => {
    expect(showTime(198_400)).to.equal('3:18');
    expect(showTime(3_725_000)).to.equal('1:02:05');
  });
});
