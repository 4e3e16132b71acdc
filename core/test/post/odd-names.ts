import fc from 'fast-check';

const LETTERS = [
  'a',
  'é',
  'ß',
  'Ω',
  'ж',
  '字',
  'ﷺ',
  '👩‍🔧',
  '\ud800',
  '\0',
  '\n',
  '\t',
  ' ',
  '"',
  "'",
  '<',
  '&',
  '%',
  '\\',
  '/',
  ':',
  '#',
  '*',
  '-',
  '.',
  '\u202e',
];

/** Names of all lengths and letters: words, long runs without a space, and letters that few programs keep well. */
export const nameOf = (most: number): fc.Arbitrary<string> =>
  fc.oneof(
    fc
      .array(fc.constantFrom('lamp', 'cane', 'chair', 'of', 'the', 'Ämter'), { minLength: 1, maxLength: Math.ceil(most / 4) })
      .map((words) => words.join(' ')),
    fc.integer({ min: 1, max: most }).map((n) => 'h'.repeat(n)),
    fc.array(fc.constantFrom(...LETTERS), { minLength: 1, maxLength: most }).map((letters) => letters.join('')),
  );

/** What a Markdown file may state in its front matter, of any length. */
export const frontMatter = fc.record(
  {
    title: nameOf(400),
    subtitle: nameOf(1200),
    slug: nameOf(200),
    description: nameOf(1300),
    category: nameOf(100),
    tags: fc.array(nameOf(80), { maxLength: 50 }),
  },
  { requiredKeys: [] },
);
