import { expect } from 'chai';
import { dictionary } from 'cmu-pronouncing-dictionary';
import { readability } from '@even-page/core/language/readability';
import { readingCounts, readingLevels } from '@even-page/core/language/reading-levels';
import { syllablesOf } from '@even-page/core/language/syllables';

const COUNTED = 'The cat sat on the mat. Yesterday Ottilie repaired the electricity gauge, carefully.';

describe('the reading levels', () => {
  it('count what the formulas are made of (counted by hand)', () => {
    expect(readingCounts(COUNTED)).to.deep.equal({
      ...{ words: 13, sentences: 2, letters: 69, characters: 69 },
      // Yes-ter-day, Ot-til-ie, re-paired, e-lec-tric-i-ty, care-ful-ly, and eight of one.
      syllables: 3 + 3 + 2 + 5 + 3 + 8,
      polysyllables: 4,
      // Ottilie is a name.
      hard: 3,
      // Gauge, and carefully: the list has careful, and no rule for -ly.
      unfamiliar: 2,
    });
  });

  it('are what the published formulas give (worked by hand)', () => {
    const counts = { words: 100, sentences: 5, syllables: 150, letters: 450, characters: 460, polysyllables: 12, hard: 10, unfamiliar: 8 };
    const levels = readingLevels(counts)!;
    const worked = { ease: 59.635, kincaid: 9.91, fog: 12, smog: 11.9792, colemanLiau: 9.18, ari: 10.236, daleChall: 5.8917 };
    for (const [name, value] of Object.entries(worked)) expect(levels[name as keyof typeof worked], name).to.be.closeTo(value, 0.001);
  });

  it('know a word of the list under its endings, and a name as no hard word', () => {
    const unfamiliar = (text: string) => readingCounts(text).unfamiliar;
    expect(unfamiliar('He stopped, tried, making bigger and happiest boxes, the babies’ 1,200 sit-ups near Kolvadi.')).to.equal(0);
    expect(unfamiliar('He galvanised it.')).to.equal(1);
  });

  it('agree with the reading ease and grade shown elsewhere', () => {
    const { ease, grade } = readability(COUNTED);
    const levels = readingLevels(readingCounts(COUNTED))!;
    expect(levels.ease).to.be.closeTo(ease!, 1e-9);
    expect(levels.kincaid).to.be.closeTo(grade!, 1e-9);
  });

  it('are none for a text without words', () => {
    expect(readingLevels(readingCounts('…'))).to.equal(null);
  });
});

describe('the syllables of a word', () => {
  it('are those of the CMU Pronouncing Dictionary, within its variants, for 92 words of a hundred', () => {
    const variants = new Map<string, Set<number>>();
    for (const [entry, sounds] of Object.entries(dictionary)) {
      const word = entry.replace(/\(\d+\)$/, '');
      if (!/^[a-z]+$/.test(word)) continue;
      const counts = variants.get(word) ?? new Set();
      variants.set(word, counts.add(sounds.match(/\d/g)?.length ?? 0));
    }
    const right = [...variants].filter(([word, counts]) => counts.has(syllablesOf(word))).length;
    console.log(`        ${((100 * right) / variants.size).toFixed(1)} % of ${variants.size.toLocaleString('en')} words`);
    expect(right / variants.size).to.be.greaterThan(0.92);
  });
});
