import { expect } from 'chai';
import { createBinaryModuleFromUrl } from 'harper.js';
import { usageReader } from '@even-page/core/proof/usage';

const binary = createBinaryModuleFromUrl(new URL('harper_wasm_slim_bg.wasm', import.meta.resolve('harper.js')).href, 'slim');
const read = usageReader(binary);

/** What one rule finds in a passage: the words, and what could stand there first. */
async function found(rule: string, text: string): Promise<(readonly [string, string | undefined])[]> {
  const [[, usages]] = (await read([text], 'British')) as [[string, Awaited<ReturnType<typeof read>>[number][1]]];
  return usages.filter((usage) => usage.rule === rule).map(({ from, to, instead }) => [text.slice(from, to), instead[0]] as const);
}

describe('how things are said', () => {
  it('finds slips of grammar, and what was meant', async () => {
    const slips = {
      'We was there on Monday.': ['was', 'were'],
      'Its a simple job.': ['Its', 'It’s'],
      'She should of known.': ['should of', 'should have'],
      'Then it was to late.': ['to', 'too'],
      'We did not had time.': ['had', 'have'],
      'It was dry. then it rained.': ['then', 'Then'],
      'Your welcome to come along.': ['Your welcome to', 'You’re welcome to'],
      'There going to be late.': ['There going to', 'They’re going to'],
      'Lets go to the hall.': ['Lets go', 'Let’s go'],
      'It is sanded rather then painted.': ['rather then', 'rather than'],
      'You will loose the screw.': ['will loose', 'will lose'],
      'These is good tools.': ['is', 'are'],
      'The chimney are clean.': ['are', 'is'],
      'Whose coming on Tuesday?': ['Whose coming', 'Who’s coming'],
      'It is the plug or its the bulb.': ['its the', 'it’s the'],
      'The lamp was cold.. We went home.': ['..', '.'],
      'He said “come early.': ['“', undefined],
      'The lamp (an old one was cold.': ['(', undefined],
    };
    for (const [text, [words, meant]] of Object.entries(slips)) {
      const [slip] = await found('grammar', text);
      expect(slip && [slip[0], slip[1]?.replace("'", '’')], text).to.deep.equal([words, meant]);
    }
  });

  it('leaves right sentences alone, plain speech among them', async () => {
    const right = [
      'They’ve worked that out. It’s Saturday.',
      'Put your arm in, up to here, up to the elbow.',
      'Twenty minutes. Not longer: it goes grey.',
      'He could’ve bought it.',
      'Red means come and get me.',
      'The card has 8 GB, and the whitethorn is dead straight.',
      'Otherwise you are stood there with a bare sash.',
      'Look at your tools, whose handles are ash.',
      'It gets hotter, then it sets. Tighten the loose screw.',
      'Is there going to be tea? One of these is broken.',
      'Wipe it once more then a drop of oil goes in, one after the other then.',
      'Your invited guests sit up there going to sleep.',
      'It lets go, and those of us who stayed saw it.',
      '“Come early,” he said, “or stay away.” Bring cane, glue, etc.. We wait... and see ../parts (or not).',
      '“The first paragraph of what she said goes on.',
      'The chair stands on its thin legs.',
    ];
    for (const text of right) expect(await found('grammar', text), text).to.deep.equal([]);
  });

  it('names words that may hurt, and not those that only tell who somebody is', async () => {
    expect(await found('insensitive', 'Every chairman should man the desk.')).to.deep.include(['chairman', 'chair']);
    for (const text of [
      'He said he’d see.',
      'A lad from the yard held the guy ropes.',
      'Mrs. Fernandes is the shop steward.',
      'My granny will moan.',
    ])
      expect(await found('insensitive', text), text).to.deep.equal([]);
  });

  it('names the passive and hedges where they stand', async () => {
    expect(await found('passive', 'The chair was carefully mended by Ada.')).to.deep.equal([['was carefully mended', undefined]]);
    expect(await found('passive', 'The hall was crowded, and she was tired.')).to.deep.equal([]);
    expect(await found('hedge', 'It is sort of done, and it is arguably better.')).to.deep.equal([
      ['sort of', undefined],
      ['arguably', undefined],
    ]);
  });
});
