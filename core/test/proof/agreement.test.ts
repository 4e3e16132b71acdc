import { expect } from 'chai';
import { disagreementsIn } from '../../src/proof/usage/agreement.ts';

const found = (text: string) => disagreementsIn(text).map(({ from, to, instead }) => [text.slice(from, to), instead[0]]);

describe('subjects and verbs', () => {
  // Sentences and corrections: own examples of the agreement of subject and verb in standard English (common practice, no source).
  for (const [text, ...slip] of [
    ['The chimney are clean.', 'are', 'is'],
    ['It rained, but the old lamp don’t mind.', 'don’t', 'doesn’t'],
    ['The boxes is full of cane.', 'is', 'are'],
    ['Sit down. My legs gets tired.', 'gets', 'get'],
    ['The children goes home at nine.', 'goes', 'go'],
    ['Everybody are welcome.', 'are', 'is'],
    ['Each of the lamps have a label.', 'have', 'has'],
    ['One of them are broken.', 'are', 'is'],
    ['The list of parts are on the door.', 'are', 'is'],
    ['The glue and the cane is on the shelf.', 'is', 'are'],
    ['On Friday there was three people.', 'was', 'were'],
    ['This lamps are new.', 'This', 'These'],
    ['Those chair is old.', 'Those', 'That'],
    ['These is good tools.', 'is', 'are'],
    ['This are good tools.', 'This', 'These'],
    ['I seen it on the bench.', 'seen', 'saw'],
    ['Who’s lamp is it?', 'Who’s', 'Whose'],
    ['They’re lamp is here.', 'They’re', 'Their'],
    ['It is bigger then that.', 'then', 'than'],
  ] as const)
    it(`do not agree in “${text}”`, () => expect(found(text)).to.deep.equal([slip]));

  for (const text of [
    'The people are here, and the police have left.',
    'The committee have met, and the staff are paid.',
    'The old are welcome, and so are the young.',
    'We mended the glue pot and the cane is dry.',
    'If the lamp were mine, I would keep it. This year are three evenings.',
    'The number of boxes is known. The news is good.',
    'All but one of the lamps are lit.',
    'There is two metres of flex. There were two people.',
    'Have I seen it? When they’re gone I do.',
    'The gas is off, the lens is clean and the works is shut.',
    'It gets colder, then it snows. They’re both here and you’re all welcome.',
    'Everybody who has lamps are waiting for should ring.',
  ])
    it(`are left alone in “${text}”`, () => expect(found(text)).to.deep.equal([]));
});
