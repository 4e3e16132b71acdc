import { expect } from 'chai';
import { emptyDetails } from '@even-page/core/post/details';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { emptyDoc } from '@even-page/core/post/schema';
import { looksOf } from '../../src/lib/server/looks.ts';
import { nextThing } from '../../src/lib/server/next-thing.ts';
import { sayWhen } from '../../src/lib/parts/moments.ts';
import { count, sayBytes } from '../../src/lib/parts/sizes.ts';

describe('moments', () => {
  const now = new Date(2026, 10, 24, 15, 30);
  const say = (...at: [number, number, number, number?, number?]) => sayWhen(new Date(...at), now);

  it('are said as on the day', () => {
    expect(say(2026, 10, 24, 14, 2)).to.equal('14:02');
    expect(say(2026, 10, 23, 23, 59)).to.equal('yesterday');
    expect(say(2026, 10, 22)).to.equal('Sunday');
    expect(say(2026, 10, 9)).to.equal('9 Nov');
    expect(say(2025, 11, 31)).to.equal('31 Dec 2025');
  });
});

describe('sizes', () => {
  it('are short, and counts agree with their noun', () => {
    expect([999, 65_400, 412_000, 1_240_000].map(sayBytes)).to.deep.equal(['999 B', '65 kB', '412 kB', '1.2 MB']);
    expect([count(0, 'word'), count(1, 'word'), count(1240, 'word')]).to.deep.equal(['0 words', '1 word', '1,240 words']);
  });
});

describe('what the Desk says comes next', () => {
  const material = (edits = 0) => [{ name: 'talk.srt', title: null, words: 5600, durationMs: 38.4 * 60_000, edits }];
  const long = postFromMarkdown(
    Array.from({ length: 3 }, () => 'We mend [lamps](/lamps) and chairs at the hall. '.repeat(15)).join('\n\n- Bring one.\n\n'),
  );
  const details = {
    ...{
      ...emptyDetails(),
      title: 'A title',
      standfirst: 'A line.',
      slug: 'a-title',
      category: 'Lamps',
      summary: 'What it gave.',
      byline: 'The lamp table',
    },
    description: 'x'.repeat(155),
    cover: '/pictures/11111111-1111-4111-8111-111111111111',
  };
  const says = (post: Parameters<typeof looksOf>[0], around: Parameters<typeof nextThing>[1]) => {
    const { gravity, says, rest } = nextThing(looksOf(post), around);
    return `${gravity}: ${says}${rest}`;
  };

  it('follows the road from an empty piece to a published one', () => {
    const empty = { doc: emptyDoc(), details: emptyDetails() };
    const post = { doc: long, details };
    const posted = (isCurrent: boolean) => ({ outlet: 'Hall blog', isCurrent });
    expect(says(empty, { sources: [], posted: null })).to.equal('look: Bring in material or write on the empty page');
    expect(says(empty, { sources: material(), posted: null })).to.equal('look: Make a page of it: a talk of 38 minutes just arrived');
    const short = [{ ...material()[0]!, durationMs: 62_000 }];
    expect(says(empty, { sources: short, posted: null })).to.equal('look: Make a page of it: a talk of 1 minute just arrived');
    expect(says(empty, { sources: material(3), posted: null })).to.equal('look: Ask for sections: the words are tidied');
    expect(says({ doc: long, details: { ...details, title: '' } }, { sources: [], posted: null })).to.match(
      /^must: The post has no title: write/,
    );
    expect(says({ doc: long, details: { ...details, description: '' } }, { sources: [], posted: null })).to.match(
      /^look: The post has no description/,
    );
    expect(says(post, { sources: [], posted: null })).to.equal('fine: Ready to send: every check is fine');
    expect(says(post, { sources: [], posted: posted(true) })).to.equal('fine: Published on Hall blog');
    expect(says(post, { sources: [], posted: posted(false) })).to.equal('look: Changed since it was sent: send it to Hall blog again');
  });
});
