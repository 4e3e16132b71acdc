import { expect } from 'chai';
import { emptyDetails } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { proof } from '@even-page/core/proof';
import { usualHouse } from '@even-page/core/tidy';
import { speller } from '../language/english.ts';

/** The words one check finds in a passage, as they stand there. */
function lit(check: string, markdown: string): string[] {
  let n = 0;
  const doc = withIds(postFromMarkdown(markdown), () => `b${++n}`);
  const { findings } = proof({ doc, details: emptyDetails(), speller });
  return findings.filter((finding) => finding.check === check).map((finding) => finding.words);
}

// What writers really leave behind, by the check that finds it: the passage, and what is lit in it.
const FOUND: Record<string, readonly (readonly [passage: string, words: string])[]> = {
  placeholder: [
    ['We open at XXX on Saturdays.', 'XXX'],
    ['Ring ____ before you come.', '____'],
    ['The clinic is led by [name of volunteer].', '[name of volunteer]'],
    ['Opening hours: TBC.', 'TBC'],
    ['Lorem ipsum dolor sit amet.', 'Lorem ipsum'],
    ['It costs ??? pounds.', '???'],
  ],
  'stray markup': [
    ['The blades \\*\\*were dull, and some had rust on them.', '**'],
    ['Bring a \\*\\*saw\\*\\* along.', '**saw**'],
    ['\\| Tool \\| Price \\| \\| Shears \\| 12 \\|', '| Tool | Price | | Shears | 12 |'],
    ['Written by {{ author }} in spring.', '{{ author }}'],
    ['Read \\[the list\\](/list) first.', '[the list](/list)'],
    ['It is 5 &amp;ndash; 6 pounds.', '&ndash;'],
  ],
  'stock phrase': [
    ['The new vice is a game changer for us.', 'game changer'],
    ['It takes thinking outside the box.', 'thinking outside the box'],
    ['Today we’re diving into lamps.', 'diving into'],
    ['In today’s fast-paced world nobody mends.', 'In today’s fast-paced world'],
  ],
  spelling: [
    ['Our committee recieved three chairs.', 'recieved'],
    ['There is alot to do.', 'alot'],
    ['They help eachother.', 'eachother'],
    ['Be carefull with the blade.', 'carefull'],
    ['We concider every lamp.', 'concider'],
  ],
  'link to nowhere': [
    ['See [the plan](http://localhost:3000/plan).', 'the plan'],
    ['See [the plan](https://hall.local/plan).', 'the plan'],
    ['See [the plan](https://www.example.org/plan).', 'the plan'],
    ['See [the plan](http://192.168.1.4/plan).', 'the plan'],
  ],
  'unfinished sentence': [
    ['We soaked the cane for an hour. Then we took it', 'an hour. Then we took it'],
    ['The list of what to bring is long, and it begins with the', 'long, and it begins with the'],
  ],
  'link words': [
    ['Read more [here](/a).', 'here'],
    ['[Click here](/a) for the list.', 'Click here'],
  ],
};

// What looks like a fault, and is none.
const LEFT: Record<string, readonly string[]> = {
  placeholder: ['She said [laughing] that it held.', 'A to-do list helps.', 'Write the date on the label.'],
  'stray markup': [
    'A 5* hotel and a footnote**.',
    'Press A | B to choose.',
    'It is 3 < 4.',
    'See item #4 of the list.',
    '2 ** 3 is 8 in some programs.',
  ],
  'stock phrase': [
    'At the end of the working day we sweep.',
    'We sailed around the world. Of course it rained.',
    'They navigate the canal.',
  ],
  spelling: [
    'Somebody’d left the kettle’ll-boil sign up.',
    'A spokeshave, rootstock and a makerspace.',
    'Upcycling, onboarding and a multimeter.',
    'See https://hall.larkfield.org/shears for more.',
    'We met at Larkfield with Oluwaseun from Ystrad.',
  ],
  'link to nowhere': [
    'See [the plan](https://localhost-press.org/plan).',
    'See [the plan](https://contest.org/plan).',
    'See [the plan](/plan).',
  ],
  'unfinished sentence': ['What to bring', 'He wrote: “Come early.”', 'The list is here: [photo of the bench to come]'],
};

describe('faults as writers make them', () => {
  for (const [check, passages] of Object.entries(FOUND))
    it(`are found: ${check}`, () => {
      for (const [passage, words] of passages) expect(lit(check, passage), passage).to.deep.equal([words]);
    });
  for (const [check, passages] of Object.entries(LEFT))
    it(`are not seen where there is none: ${check}`, () => {
      for (const passage of passages) expect(lit(check, passage), passage).to.deep.equal([]);
    });

  it('are told once where grammar tells them too, and still where grammar is not checked here', () => {
    const text = 'There is alot to do.';
    const usages = new Map([[text, [{ rule: 'grammar' as const, from: 9, to: 13, says: '', instead: [] }]]]);
    const found = (unchecked: string[]) =>
      proof({ doc: postFromMarkdown(text), details: emptyDetails(), speller, usages, house: { ...usualHouse(), unchecked } })
        .findings.map((finding) => finding.check)
        .filter((check) => check === 'spelling' || check === 'grammar');
    expect(found([])).to.deep.equal(['grammar']);
    expect(found(['grammar'])).to.deep.equal(['spelling']);
  });
});
